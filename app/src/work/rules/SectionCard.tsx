import {
  AIR_TESTS,
  type Asked,
  CHECKS,
  kindAs,
  type OwnCheck,
  type Section,
  STEP_KINDS,
  type StepKind,
  subjectWords,
  WALK_WORDS,
  WALKS,
} from '@zealous-axle/core';
import { useState } from 'react';
import { type Control, useFieldArray, useWatch } from 'react-hook-form';
import { Pressable, View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChoiceField } from '../../parts/ChoiceField';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { useSession } from '../../session/session';
import type { Changed } from './changed-route';

const sameAsked = (a: Asked, b: Asked): boolean => a.kind === b.kind && a.item === b.item;

const TAKEN_AT = { ends: ['end', 'tyre'], sides: ['side'], axles: ['axle'], unit: ['unit'] } as const;
/** Asked for by the item, of which each has several. */
const BY_ITEM: readonly StepKind[] = ['air-test', 'check', 'own-check'];

/** Everything a section may ask for at its place. */
function askable(at: Section['at'], own: readonly OwnCheck[]): Asked[] {
  const kinds = STEP_KINDS.filter(
    (kind) => !BY_ITEM.includes(kind) && (TAKEN_AT[at] as readonly string[]).includes(kindAs(kind).at),
  );
  return [
    ...own
      .filter((check) => (TAKEN_AT[at] as readonly string[]).includes(check.at))
      .map(({ name }) => ({ kind: 'own-check' as const, item: name })),
    ...kinds.map((kind) => ({ kind })),
    ...(at === 'unit' ? AIR_TESTS.map((item) => ({ kind: 'air-test' as const, item })) : []),
    ...CHECKS.filter((check) => (TAKEN_AT[at] as readonly string[]).includes(check.at)).map(({ id }) => ({
      kind: 'check' as const,
      item: id,
    })),
  ];
}

function AskRow({
  asked,
  index,
  last,
  onMove,
  onRemove,
}: {
  asked: Asked;
  index: number;
  last: boolean;
  onMove: (by: number) => void;
  onRemove: () => void;
}) {
  const words = subjectWords(asked);
  return (
    <View className="flex-row items-center gap-1 border-t border-line py-1">
      <Text className="min-w-0 flex-1">{words}</Text>
      <Button look="bare" label="↑" hint={`${words} earlier`} disabled={index === 0} onPress={() => onMove(-1)} />
      <Button look="bare" label="↓" hint={`${words} later`} disabled={last} onPress={() => onMove(1)} />
      <Button look="bare" label="✕" hint={`Take out ${words}`} onPress={onRemove} />
    </View>
  );
}

function AddAsk({ section, onAdd, onClose }: { section: Section; onAdd: (asked: Asked) => void; onClose: () => void }) {
  const { fleet } = useSession();
  const left = askable(section.at, fleet.checks).filter(
    (each) => !section.asks.some((asked) => sameAsked(asked, each)),
  );
  return (
    <Drawer title={`Add to ${section.name}`} onClose={onClose}>
      {left.length === 0 ? <Text tone="soft">Every check for here is already in it.</Text> : null}
      {left.map((asked) => (
        <Pressable
          key={`${asked.kind} ${asked.item ?? ''}`}
          role="button"
          onPress={() => onAdd(asked)}
          className="min-h-12 justify-center rounded-xl border-2 border-edge bg-card px-3 py-1"
        >
          <Text>{subjectWords(asked)}</Text>
          {asked.kind === 'own-check' ? (
            <Text size="small" tone="soft">
              Our own
            </Text>
          ) : asked.kind === 'check' || asked.kind === 'air-test' ? null : (
            <Text size="small" tone="soft">
              Measured
            </Text>
          )}
        </Pressable>
      ))}
    </Drawer>
  );
}

const ORDERS = WALKS.map((walk) => ({ value: walk, label: WALK_WORDS[walk] }));
const WHERE = {
  unit: 'Once on the unit',
  sides: 'On each side',
  axles: 'Once at each axle',
  ends: 'At every axle end',
} as const;

interface Props {
  // biome-ignore lint/suspicious/noExplicitAny: a section is the same whatever its form sends.
  control: Control<Changed, any, any>;
  index: number;
  /** How many sections the route has. */
  count: number;
  onMove: (by: number) => void;
  onRemove: () => void;
}

/** One section of a route: its words, its order, and what it asks for. */
export function SectionCard({ control, index, count, onMove, onRemove }: Props) {
  const [adding, setAdding] = useState(false);
  const name = `route.sections.${index}` as const;
  const section = useWatch({ control, name });
  const asks = useFieldArray({ control, name: `${name}.asks`, keyName: 'key' });
  return (
    <Card title={section.name} note={WHERE[section.at]}>
      <Field control={control} name={`${name}.name`} label="Name" maxLength={60} />
      <Field control={control} name={`${name}.says`} label="Instruction at start" maxLength={300} multiline />
      {section.at === 'ends' ? (
        <ChoiceField stacked control={control} name={`${name}.walk`} label="Order of the ends" options={ORDERS} />
      ) : null}
      <View>
        {asks.fields.map((asked, at) => (
          <AskRow
            key={asked.key}
            asked={asked}
            index={at}
            last={at === asks.fields.length - 1}
            onMove={(by) => asks.move(at, at + by)}
            onRemove={() => asks.remove(at)}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Add a step" hint={section.name} onPress={() => setAdding(true)} />
        <Button label="Move up" hint={section.name} disabled={index === 0} onPress={() => onMove(-1)} />
        <Button label="Later" hint={section.name} disabled={index === count - 1} onPress={() => onMove(1)} />
        <Button look="stop" label="Take out" hint={section.name} disabled={count === 1} onPress={onRemove} />
      </View>
      {adding ? (
        <AddAsk
          section={section}
          onAdd={(asked) => {
            setAdding(false);
            asks.append(asked);
          }}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </Card>
  );
}
