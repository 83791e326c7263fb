import {
  type BookId,
  bookIdOf,
  COMMANDS,
  isOpenDefect,
  parseKey,
  releaseBarriers,
  type Said,
  subjectOf,
  type UnitPage,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChangeList } from '../../parts/ChangeList';
import { defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useMaySend } from '../../session/may';
import { useWords } from '../../session/rules';
import { useSession } from '../../session/session';

const barriersOf = (unit: UnitPage, book: BookId): Said[] =>
  releaseBarriers({
    book,
    held: unit.holds.length > 0,
    defects: unit.defects
      .filter(({ state }) => isOpenDefect(state))
      .map((each) => ({ ...each, place: defectPlace(each) })),
    readings: unit.standing.map((each) => ({
      ...each,
      kind: subjectOf(parseKey(each.key)),
      place: defectPlace(each),
    })),
  });

/** What is usually signed, where it is so: that it was repaired as a certificate since it is held says. */
function usualOf({ defects, holds }: UnitPage): string[] {
  const since = holds.map(({ at }) => at).sort()[0] ?? '';
  const repaired = defects.some(({ certified }) => certified !== null && certified.at >= since);
  return repaired ? ['Repaired as certified; nothing else was found'] : [];
}

/** Why the trailer is held, what still stands in the way of its release, and the release itself. */
export function Holding({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const words = useWords();
  const mayRelease = useMaySend('release-trailer');
  const [signing, setSigning] = useState(false);
  const barriers = barriersOf(unit, bookIdOf(unit.features, fleet));
  const release = (statement: string) => {
    setSigning(false);
    void send('release-trailer', { release: uuidv7(), unit: unit.id, statement }, `${unit.number}: released`);
  };
  return (
    <Card title="Held" note="Do not use the trailer until it is released.">
      {unit.holds.map((hold) => (
        <View key={hold.id} className="border-t border-line pt-2">
          <Text bold>{hold.reason}</Text>
          <Text size="small" tone="soft">{`${hold.by}, ${clock(hold.at, fleet.zone)}`}</Text>
        </View>
      ))}
      <ChangeList changes={unit.changedSinceHeld} says="Changed since the hold: check whether it is right" />
      {barriers.length ? (
        <View className="gap-1 rounded-xl bg-raised p-3">
          <Text bold>Before it can be released</Text>
          {barriers.map((barrier) => (
            <Text key={JSON.stringify(barrier)}>{`• ${words([barrier])}`}</Text>
          ))}
        </View>
      ) : mayRelease ? (
        <Button tall look="act" label="Release trailer" onPress={() => setSigning(true)} />
      ) : (
        <Text>Every holding defect is certified. A technician or the foreman can release it.</Text>
      )}
      {signing ? (
        <Drawer title={`Release ${unit.number}`} onClose={() => setSigning(false)}>
          <Text>Your name and the time go on record. State what was done and what was found not to need repair.</Text>
          {usualOf(unit).map((said) => (
            <Button key={said} className="max-w-full" label={`Sign: “${said}”`} onPress={() => release(said)} />
          ))}
          <WordsForm
            label="Statement"
            words={COMMANDS['release-trailer'].body.shape.statement}
            act="Sign and release"
            onWords={release}
          />
        </Drawer>
      ) : null}
    </Card>
  );
}
