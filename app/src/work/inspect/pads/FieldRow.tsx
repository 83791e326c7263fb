import { Pressable, View } from 'react-native';
import type { Field } from '../../../data/fields';
import { T } from '../../../parts/T';

/** What is typed at a step with more than one figure: each field with its value, the one in hand marked. */
export function FieldRow({
  fields,
  current,
  textAt,
  onChoose,
  columns = 2,
}: {
  fields: readonly Field[];
  current: string | null;
  textAt: (id: string) => string;
  onChoose: (id: string) => void;
  columns?: number;
}) {
  return (
    <View role="radiogroup" aria-label="What to enter" className="flex-row flex-wrap gap-2">
      {fields.map(({ id, label, optional }) => {
        const here = id === current;
        const value = textAt(id);
        return (
          <Pressable
            key={id}
            role="radio"
            aria-checked={here}
            aria-label={`${label}: ${value || (optional ? 'optional' : 'empty')}`}
            onPress={() => onChoose(id)}
            style={{ flexBasis: `${100 / columns - 4}%` }}
            className={`min-h-14 grow justify-center rounded-xl border-2 px-2 py-1 ${here ? 'border-act bg-raised' : 'border-edge bg-card'}`}
          >
            <T size="small" tone="soft" numberOfLines={1}>
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
      })}
    </View>
  );
}
