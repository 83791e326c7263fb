import { View } from 'react-native';
import { useOutbox } from '../../device/useOutbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';

/** A code to tell somebody, shown once: on the screen, or printed. */
export interface Given {
  name: string;
  signIn: string;
  code: string;
}

/** Whether the code works yet: it does once the server has taken it. */
function useCodeState(code: string): { words: string; look: 'ask' | 'stop' } | null {
  const { entries } = useOutbox();
  const entry = entries.find(({ body }) => (body as { code?: string }).code === code);
  if (entry?.refused) {
    const { errors, detail } = entry.refused;
    return { words: `Refused, so this code does not work: ${errors[0]?.message ?? detail}`, look: 'stop' };
  }
  return entry ? { words: 'Not sent yet. The code works once this device has sent it.', look: 'ask' } : null;
}

export function Code({ given, slug, onClose }: { given: Given; slug: string; onClose: () => void }) {
  const who = `${given.signIn}@${slug}`;
  const address = `${location.origin}/?name=${encodeURIComponent(who)}&code=${given.code}`;
  const state = useCodeState(given.code);
  return (
    <Drawer title={`For ${given.name}`} onClose={onClose}>
      {state ? <Notice look={state.look}>{state.words}</Notice> : null}
      <Text>Shown once. Give it to no one else. It works one time, within a week.</Text>
      <View id="once-code">
        <Card>
          <Text tone="soft">Name</Text>
          <Text reading bold size="lead">
            {who}
          </Text>
          <Text tone="soft">Code</Text>
          <Text reading bold size="title">
            {given.code}
          </Text>
          <Text tone="soft">At this address</Text>
          <Text reading>{address}</Text>
        </Card>
      </View>
      <View className="flex-row gap-2">
        <Button className="grow" label="Print" onPress={() => window.print()} />
        <Button className="grow" look="act" label="I have told them" onPress={onClose} />
      </View>
    </Drawer>
  );
}
