import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Field } from '../../../data/fields';
import { T } from '../../../parts/T';
import { useStable } from '../../../parts/useStable';

interface CellProps {
  field: Field;
  here: boolean;
  value: string;
  basis: string;
  onChoose: (id: string) => void;
}

const Cell = memo(function Cell({ field: { id, label, optional }, here, value, basis, onChoose }: CellProps) {
  return (
    <Pressable
      role="radio"
      aria-checked={here}
      aria-label={`${label}: ${value || (optional ? 'optional' : 'empty')}`}
      onPress={() => onChoose(id)}
      style={{ flexBasis: basis as `${number}%` }}
      className={`min-h-14 grow justify-center rounded-xl border-2 px-2 py-1 ${here ? 'border-act bg-raised' : 'border-edge bg-card'}`}
    >
      <T size="small" tone="soft">
        {label}
      </T>
      {value || !optional ? (
        <T reading bold>
          {value || '–'}
        </T>
      ) : (
        <T tone="soft">if known</T>
      )}
    </Pressable>
  );
}, sameCell);

/** Fields are made anew at every keystroke; what they say seldom changes. */
function sameCell(a: CellProps, b: CellProps): boolean {
  return a.field.id === b.field.id && a.field.label === b.field.label && a.here === b.here && a.value === b.value;
}

const COLUMNS = 2;

/** What is typed at a step with more than one figure: each field with its value, the one in hand marked. */
export function FieldRow({
  fields,
  current,
  textAt,
  onChoose,
}: {
  fields: readonly Field[];
  current: string | null;
  textAt: (id: string) => string;
  onChoose: (id: string) => void;
}) {
  const choose = useStable(onChoose);
  return (
    <View role="radiogroup" aria-label="What to enter" className="flex-row flex-wrap gap-2">
      {fields.map((field) => (
        <Cell
          key={field.id}
          field={field}
          here={field.id === current}
          value={textAt(field.id)}
          basis={`${100 / COLUMNS - 4}%`}
          onChoose={choose}
        />
      ))}
    </View>
  );
}
