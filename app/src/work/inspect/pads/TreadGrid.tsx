import { Pressable, View } from 'react-native';
import { grooveField } from '../../../data/fields';
import { T } from '../../../parts/T';

/** Places round the tyre by grooves across it: the inner shoulder is on the left. */
export function TreadGrid({
  places,
  grooves,
  current,
  textAt,
  onChoose,
}: {
  places: number;
  grooves: number;
  current: string | null;
  textAt: (id: string) => string;
  onChoose: (id: string) => void;
}) {
  return (
    <View role="radiogroup" aria-label="Places and grooves" className="gap-1.5">
      <T size="small" tone="soft">
        Inner shoulder on the left, a row for each place round the tyre.
      </T>
      {Array.from({ length: places }, (_, place) => (
        <View key={place} className="flex-row items-center gap-1.5">
          <View className="w-16">
            <T size="small" tone="soft">{`Place ${place + 1}`}</T>
          </View>
          {Array.from({ length: grooves }, (__, groove) => {
            const id = grooveField(place, groove);
            const here = id === current;
            return (
              <Pressable
                key={id}
                role="radio"
                aria-checked={here}
                aria-label={`Place ${place + 1}, groove ${groove + 1}: ${textAt(id) || 'empty'}`}
                onPress={() => onChoose(id)}
                className={`h-11 flex-1 items-center justify-center rounded-lg border-2 ${here ? 'border-act bg-raised' : 'border-edge bg-card'}`}
              >
                <T reading bold>
                  {textAt(id) || '–'}
                </T>
              </Pressable>
            );
          })}
        </View>
      ))}
    </View>
  );
}
