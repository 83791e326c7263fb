import { COMMANDS, sizeWords, type UnitPage, type UnitState } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { Linking } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useMaySend } from '../../session/may';

const GONE = [
  { value: 'sold', label: 'Sold', note: 'Left the fleet in one piece' },
  { value: 'scrapped', label: 'Scrapped', note: 'No longer exists' },
] as const;

/** What became of it, and why: its records stay. */
function Leaving({ unit, onClose }: { unit: UnitPage; onClose: () => void }) {
  const [state, setState] = useState<Exclude<UnitState, 'in-use'>>('sold');
  return (
    <Drawer title={`${unit.number} leaves the fleet`} onClose={onClose}>
      <Text>It leaves the yard, inspections and the plan. Its records stay.</Text>
      <Choice stacked label="What became of it" options={GONE} value={state} onChange={setState} />
      <WordsForm
        label="Why, and to whom"
        words={COMMANDS['set-unit-state'].body.shape.reason}
        act={state === 'sold' ? 'It is sold' : 'It is scrapped'}
        look="stop"
        onWords={(reason) => {
          onClose();
          void send(
            'set-unit-state',
            { unit: unit.id, version: unit.version, state, reason },
            `${unit.number}: ${state}`,
          );
        }}
      />
    </Drawer>
  );
}

/** The unit itself: corrected, copied, sold or scrapped, and brought back. */
export function ItsUnit({ unit }: { unit: UnitPage }) {
  const [leaving, setLeaving] = useState(false);
  const mayCorrect = useMaySend('set-unit');
  const mayAdd = useMaySend('add-unit');
  const mayEnd = useMaySend('set-unit-state');
  const back = () =>
    void send(
      'set-unit-state',
      { unit: unit.id, version: unit.version, state: 'in-use', reason: 'Back in use' },
      `${unit.number}: back in use`,
    );
  if (!mayCorrect) return null;
  return (
    <Card
      title="The unit"
      note={
        [unit.site, unit.features.yearBuilt && `built ${unit.features.yearBuilt}`, sizeWords(unit.features)]
          .filter(Boolean)
          .join(', ') || undefined
      }
    >
      {unit.state === 'in-use' ? null : (
        <Notice look="ask">{`${unit.number} is ${unit.state}: its records stay, and nothing new can be started.`}</Notice>
      )}
      <Button label="Edit this unit" onPress={() => router.navigate(`/unit/${unit.id}`)} />
      {mayAdd ? (
        <Button label="Add another like it" onPress={() => router.navigate(`/unit/new?from=${unit.id}`)} />
      ) : null}
      {mayEnd && unit.state === 'in-use' ? <Button label="Sold or scrapped…" onPress={() => setLeaving(true)} /> : null}
      {mayEnd && unit.state !== 'in-use' ? <Button label="Back in use" onPress={back} /> : null}
      {mayEnd ? (
        <Button
          label="Export its whole history"
          hint="One file, sealed: everything recorded of it"
          onPress={() => void Linking.openURL(`/api/v1/units/${unit.id}/history.json`)}
        />
      ) : null}
      {leaving ? <Leaving unit={unit} onClose={() => setLeaving(false)} /> : null}
    </Card>
  );
}
