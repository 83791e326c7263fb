import { useQuery } from '@tanstack/react-query';
import type { People } from '@zealous-axle/core';
import { View } from 'react-native';
import { useOutbox } from '../../../device/useOutbox';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';

/** Codes to tell people, each once: on the screen, or printed to be cut apart. */
export interface GivenCodes {
  move: string;
  people: readonly { name: string; signIn: string; code: string }[];
}

/** Whether the codes work yet: they do once the server has taken the move. */
function CodesState({ move }: { move: string }) {
  const { entries } = useOutbox();
  const entry = entries.find(({ body }) => (body as { move?: string }).move === move);
  if (entry?.refused) return <Notice look="stop">{`Refused, so no code works: ${entry.refused.detail}`}</Notice>;
  return entry ? <Notice look="ask">Not sent yet. The codes work once this device has sent them.</Notice> : null;
}

export function Codes({ given, onClose }: { given: GivenCodes; onClose: () => void }) {
  const { data } = useQuery({ queryKey: ['people'], queryFn: () => call<People>('GET', '/people') });
  return (
    <Drawer title="Their sign-in codes" onClose={onClose}>
      <CodesState move={given.move} />
      <Text>
        Shown once. Each code works one time within a week, for its person only. After that, a person’s page gives a new
        one.
      </Text>
      <View id="once-code">
        <Text reading>{`${location.origin}/`}</Text>
        {given.people.map(({ name, signIn, code }) => (
          <View key={signIn} className="border-t border-line py-2">
            <Text bold>{name}</Text>
            <Text reading>{data ? `${signIn}@${data.slug}` : signIn}</Text>
            <Text reading bold>
              {code}
            </Text>
          </View>
        ))}
      </View>
      <View className="flex-row gap-2">
        <Button className="grow" label="Print" onPress={() => window.print()} />
        <Button className="grow" look="act" label="I have told them" onPress={onClose} />
      </View>
    </Drawer>
  );
}
