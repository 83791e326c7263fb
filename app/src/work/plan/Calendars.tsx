import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { useCalendars } from '../../server/queries';
import { useSession } from '../../session/session';

const SECRET_BYTES = 24;
function newSecret(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(SECRET_BYTES));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_');
}

/** Addresses at which a calendar program reads the plan: made here, shown once, closed at any time. */
export function Calendars({ onClose }: { onClose: () => void }) {
  const { fleet } = useSession();
  const { data } = useCalendars();
  const [made, setMade] = useState<{ calendar: string; address: string } | null>(null);
  const { entries } = useOutbox();
  const waiting = entries.find(({ body }) => made && (body as { calendar?: string }).calendar === made.calendar);
  const open = async (whose: 'mine' | 'shop') => {
    const secret = newSecret();
    const calendar = uuidv7();
    await send('open-calendar', { calendar, whose, secret }, 'Calendar links');
    setMade({ calendar, address: `${location.origin}/calendar/${fleet.id}.${secret}.ics` });
  };
  return (
    <Drawer title="In your calendar" onClose={onClose}>
      <Text>A calendar app with this link reads the plan by itself and follows its changes.</Text>
      {waiting ? (
        <Notice look={waiting.refused ? 'stop' : 'ask'}>
          {waiting.refused ? 'Link not created.' : 'Creating the link. It appears when the server has it.'}
        </Notice>
      ) : null}
      {made && !waiting ? (
        <View className="gap-2">
          <Notice look="ask">Anyone with this link can read the plan. Shown only once.</Notice>
          <Text reading selectable>
            {made.address}
          </Text>
          <Button label="Copy it" onPress={() => void navigator.clipboard.writeText(made.address)} />
        </View>
      ) : null}
      <Button tall label="Create a link for my jobs" onPress={() => void open('mine')} />
      <Button tall label="Create a link for the whole plan" onPress={() => void open('shop')} />
      {data?.calendars.map(({ id, whose, by, at }) => (
        <View key={id} className="gap-2 border-t border-line pt-2">
          <Text>{`${whose === 'mine' ? `Jobs of ${by}` : `The whole plan, asked for by ${by}`}, since ${clock(at, fleet.zone)}`}</Text>
          <ConfirmButton
            label="Turn this link off"
            ask="Turn it off for good"
            hint={whose}
            onDo={() => void send('close-calendar', { calendar: id }, 'Turn off a calendar link')}
          />
        </View>
      ))}
    </Drawer>
  );
}
