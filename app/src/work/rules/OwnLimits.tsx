import { type Book, COMMANDS, type FleetLimit, LIMITED_WORDS, limitWords, whereWords } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

/** Asks why a limit of the shop's own is given up: the reason is kept with it. */
function Withdraw({ limit: { id, value }, onClose }: { limit: FleetLimit; onClose: () => void }) {
  const withdraw = (reason: string) => {
    onClose();
    void send('withdraw-fleet-limit', { limit: id, reason }, `Fleet limit ${value} withdrawn`);
  };
  return (
    <Drawer title={`Withdraw ${value}`} onClose={onClose}>
      <Text>It no longer applies from then on. Earlier verdicts do not change.</Text>
      <WordsForm
        label="Reason"
        words={COMMANDS['withdraw-fleet-limit'].body.shape.reason}
        act={`Withdraw ${value}`}
        look="stop"
        onWords={withdraw}
      />
    </Drawer>
  );
}

/** The limits a shop set for itself, with who set them and why. */
export function OwnLimits({ own, book }: { own: readonly FleetLimit[]; book: Book }) {
  const { fleet } = useSession();
  const may = useMaySend('withdraw-fleet-limit');
  const [leaving, setLeaving] = useState<FleetLimit | null>(null);
  if (own.length === 0) return null;
  return (
    <Card title={`${fleet.name}: our own limits`} note="Stricter than the book. Past one alone is a shop limit.">
      {own.map((each) => {
        const limit = book.limits.find(({ id }) => id === each.tightens);
        const what = limit ? LIMITED_WORDS[limit.reading] : each.tightens;
        return (
          <View key={each.id} className="gap-1 border-t border-line py-2">
            <Text bold>{`${what}: ${each.value}`}</Text>
            {limit ? <Text>{`${whereWords(limit)}. The book: ${limitWords(limit)}.`}</Text> : null}
            <Text size="small" tone="soft">{`${each.reason} · ${each.by}, ${dayOf(each.at, fleet.zone)}`}</Text>
            {may ? <Button look="stop" label="Withdraw" hint={each.value} onPress={() => setLeaving(each)} /> : null}
          </View>
        );
      })}
      {leaving ? <Withdraw limit={leaving} onClose={() => setLeaving(null)} /> : null}
    </Card>
  );
}
