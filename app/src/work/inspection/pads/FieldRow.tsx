import { memo } from 'react';
import { Pressable } from 'react-native';
import { RadioGroup } from '../../../parts/RadioGroup';
import { Text } from '../../../parts/Text';
import { useStable } from '../../../parts/useStable';
import type { PadField } from '../kinds/kind';

interface CellProps {
  field: PadField;
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
      <Text size="small" tone="soft">
        {label}
      </Text>
      {value || !optional ? (
        <Text reading bold>
          {value || '–'}
        </Text>
      ) : (
        <Text tone="soft">if known</Text>
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
  fields: readonly PadField[];
  current: string | null;
  textAt: (id: string) => string;
  onChoose: (id: string) => void;
}) {
  const choose = useStable(onChoose);
  return (
    <RadioGroup label="What to enter" className="flex-row flex-wrap gap-2">
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
    </RadioGroup>
  );
}
