import {
  type AirUnit,
  type AxleEnd,
  type Draft,
  type EndFacts,
  parsePressure,
  type Side,
  wheelEnd,
  wheelEnds,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { BecauseForm } from '../../../parts/BecauseForm';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Drawer } from '../../../parts/Drawer';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import type { PadProps } from '../kinds/kind';

const SEEN_BY = ['sidewall', 'plate', 'maker-table', 'papers'] as const;
const WHERE = [
  { value: 'end', label: 'This end' },
  { value: 'axle', label: 'This axle' },
  { value: 'unit', label: 'All ends' },
] as const;
type Where = (typeof WHERE)[number]['value'];

/** The ends that a pressure is written down for. */
const endsAt = ({ unit }: Draft, at: AxleEnd, where: Where): AxleEnd[] =>
  wheelEnds(unit)
    .filter(({ axle, side }) => where === 'unit' || (axle === at.axle && (where === 'axle' || side === at.side)))
    .map(({ axle, side }) => ({ axle, side }));

/** A pressure as it was typed: digits alone are in the unit of the pad. */
const written = (text: string, unit: AirUnit): string =>
  text.trim() !== '' && !/[a-z]/i.test(text) ? `${text.trim()} ${unit}` : text.trim();

const wrongIn = (text: string): string | null => {
  if (text === '') return null;
  const parsed = parsePressure(text);
  return parsed.ok ? null : `${parsed.message}.`;
};

interface CorrectProps {
  draft: Draft;
  at: { axle: number; side: Side } & Pick<EndFacts, 'target' | 'sidewallMax'>;
  onCorrect: NonNullable<PadProps['correct']>;
  onClose: () => void;
}

/** Writes down what the load asks for and what the sidewall bears. */
function Correct({ draft, at, onCorrect, onClose }: CorrectProps) {
  const [target, setTarget] = useState(at.target ?? '');
  const [most, setMost] = useState(at.sidewallMax ?? '');
  const [where, setWhere] = useState<Where>('end');
  const facts: EndFacts = {};
  const [cold, sidewallMax] = [written(target, draft.airUnit), written(most, draft.airUnit)];
  if (cold && cold !== at.target) facts.target = cold;
  if (sidewallMax && sidewallMax !== at.sidewallMax) facts.sidewallMax = sidewallMax;
  const wrong = [wrongIn(cold), wrongIn(sidewallMax)];
  const ready = Object.keys(facts).length > 0 && wrong.every((each) => each === null);
  return (
    <Drawer title="Required pressure for this tire" onClose={onClose}>
      <TextField
        label="Cold, for this load"
        placeholder={`100 ${draft.airUnit}`}
        value={target}
        error={wrong[0]}
        maxLength={20}
        onChangeText={setTarget}
      />
      <TextField
        label="At most, as on the sidewall"
        placeholder={`120 ${draft.airUnit}`}
        value={most}
        error={wrong[1]}
        maxLength={20}
        onChangeText={setMost}
      />
      <Choice label="Where" options={WHERE} value={where} onChange={setWhere} />
      {ready ? (
        <BecauseForm
          seenBy={SEEN_BY}
          act="Write it down"
          onBecause={(because, pictures) => {
            onCorrect({ ends: endsAt(draft, at, where), facts, because, pictures });
            onClose();
          }}
        />
      ) : null}
    </Drawer>
  );
}

/** What the tyre here is judged by: kept with the unit, shown, and changed only when that is asked for. */
export function PressureHere({ draft, step: { axle, side }, correct }: Pick<PadProps, 'draft' | 'step' | 'correct'>) {
  const [open, setOpen] = useState(false);
  const end = axle && side ? wheelEnd(draft.unit, axle, side) : null;
  if (!end) return null;
  const { target, sidewallMax } = end;
  const known = [target ? `${target} cold` : 'Cold pressure not known', sidewallMax ? `sidewall ${sidewallMax}` : ''];
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Text bold className="min-w-0 shrink">
        {known.filter(Boolean).join(' · ')}
      </Text>
      {correct ? (
        <Button
          look="bare"
          label={target ? 'Change' : 'Write down'}
          hint="required pressure for this tire"
          onPress={() => setOpen(true)}
        />
      ) : null}
      {open && correct ? <Correct draft={draft} at={end} onCorrect={correct} onClose={() => setOpen(false)} /> : null}
    </View>
  );
}
