import { instantAt } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { LinkRow } from '../../parts/LinkRow';
import { leavesWords } from '../../parts/leaves';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useUnitPlan } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { ExpectedBack } from './ExpectedBack';

const DAY_AND_HOUR = /^(\d{4}-\d{2}-\d{2}) (\d{2}:\d{2})$/;
/** A day and an hour in the shop's zone; null where they are none. */
function instantOf(text: string, zone: string): string | null {
  const [, day, hour] = DAY_AND_HOUR.exec(text.trim()) ?? [];
  if (!day || !hour || Number.isNaN(Date.parse(`${day}T${hour}Z`))) return null;
  return instantAt(zone, day, hour).toISOString();
}

/** When a unit leaves next: told by hand, where no dispatch system does. */
function TellDeparture({ unit, number, onClose }: { unit: string; number: string; onClose: () => void }) {
  const [when, setWhen] = useState('');
  const [to, setTo] = useState('');
  const { fleet } = useSession();
  const at = instantOf(when, fleet.zone);
  const tell = () => {
    if (!at) return;
    onClose();
    void send('set-departure', { unit, departure: { at, to: to.trim() } }, `${number} leaves ${when}`);
  };
  return (
    <Drawer title={`When ${number} leaves`} onClose={onClose}>
      <TextField
        label={`Day and hour, in ${fleet.zone}`}
        placeholder="2027-06-30 07:30"
        value={when}
        maxLength={16}
        error={when.length >= 16 && !at ? 'Enter a date and time, like 2027-06-30 07:30.' : null}
        onChangeText={setWhen}
      />
      <TextField label="Where to (optional)" value={to} maxLength={60} onChangeText={setTo} />
      <Button tall look="act" label="Save" disabled={!at} onPress={tell} />
    </Drawer>
  );
}

/** When a unit is expected back from the shop, and when it leaves: said to drivers and dispatch too, with what changed. */
export function InThePlan({ unit, number }: { unit: string; number: string }) {
  const { fleet } = useSession();
  const { data } = useUnitPlan(unit);
  const mayTell = useMaySend('set-departure');
  const mayOpen = useMaySend('start-job');
  const [telling, setTelling] = useState(false);
  if (!data || (data.jobs === 0 && !data.leaves && !mayTell)) return null;
  const late = data.back !== null && data.leaves !== null && data.back > data.leaves.at;
  return (
    <Card title="In the shop’s plan">
      <ExpectedBack unit={unit} number={number} />
      {data.leaves ? (
        <Text tone={late ? 'violation' : 'soft'}>
          {`${leavesWords(data.leaves, fleet.zone)}${late ? ': before it is back' : ''}`}
        </Text>
      ) : null}
      {data.slots.map(({ job, title, bay, start, end }) => {
        const words = `${clock(start, fleet.zone)} to ${clock(end, fleet.zone)} · ${title}${bay ? ` · ${bay}` : ''}`;
        return mayOpen ? (
          <LinkRow
            key={job}
            href={`/job/${job}`}
            className="min-h-11 justify-center border-t border-line active:opacity-70"
          >
            <Text>{words}</Text>
          </LinkRow>
        ) : (
          <Text key={job}>{words}</Text>
        );
      })}
      {mayTell ? (
        <View className="flex-row flex-wrap gap-2">
          <Button label={data.leaves ? 'Change departure' : 'Set departure'} onPress={() => setTelling(true)} />
          {data.leaves ? (
            <Button
              look="bare"
              label="Cancel departure"
              onPress={() => void send('set-departure', { unit, departure: null }, `${number} does not leave`)}
            />
          ) : null}
        </View>
      ) : null}
      {telling ? <TellDeparture unit={unit} number={number} onClose={() => setTelling(false)} /> : null}
    </Card>
  );
}
