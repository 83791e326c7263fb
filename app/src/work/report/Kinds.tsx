import { type CatalogueEntry, PARTS, type Part } from '@zealous-axle/core';
import { View } from 'react-native';
import { Choice } from '../../parts/Choice';
import type { Filled } from './filled';

const PART_WORDS: Record<Part, string> = {
  brake: 'Brake',
  tyre: 'Tyre',
  wheel: 'Wheel, nuts',
  hub: 'Hub',
  suspension: 'Suspension',
  frame: 'Frame',
  coupling: 'Coupling',
  lamps: 'Lamps',
  body: 'Body, doors',
  air: 'Air',
  engine: 'Engine bay',
  steering: 'Steering',
  cab: 'Cab',
  emergency: 'Emergency equipment',
  bus: 'Passengers',
  papers: 'Papers',
  other: 'Something else',
};

interface KindsProps {
  entries: readonly CatalogueEntry[];
  part: Part | null;
  chosen: string | null;
  onChange: (change: Pick<Filled, 'code'> & Partial<Pick<Filled, 'part'>>) => void;
}

/** What is wrong: first of which part, then what of it. */
export function Kinds({ entries, part, chosen, onChange }: KindsProps) {
  const parts = PARTS.filter((each) => entries.some((entry) => entry.part === each));
  const of = (wanted: Part) => entries.filter((entry) => entry.part === wanted);
  return (
    <View className="gap-3">
      <Choice
        label="What is it?"
        options={parts.map((each) => ({ value: each, label: PART_WORDS[each] }))}
        value={part}
        onChange={(next) => onChange({ part: next, code: of(next).length === 1 ? (of(next)[0]?.code ?? null) : null })}
      />
      {part && part !== 'other' ? (
        <Choice
          stacked
          label="What is wrong?"
          options={of(part).map(({ code, words }) => ({ value: code, label: words }))}
          value={chosen}
          onChange={(code) => onChange({ code })}
        />
      ) : null}
    </View>
  );
}
