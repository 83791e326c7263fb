import { Pressable, View } from 'react-native';
import { RadioGroup } from '../../../parts/RadioGroup';
import { Text } from '../../../parts/Text';

/** The id of a groove's field: spot round the tyre and groove, from 0. */
export const grooveField = (spot: number, groove: number): string => `g${spot}-${groove}`;

/** Spots round the tyre by grooves across it: the inner shoulder is on the left. */
export function TreadGrid({
  spots,
  grooves,
  current,
  textAt,
  onChoose,
}: {
  spots: number;
  grooves: number;
  current: string | null;
  textAt: (id: string) => string;
  onChoose: (id: string) => void;
}) {
  return (
    <RadioGroup label="Places and grooves" className="gap-1.5">
      <Text size="small" tone="soft">
        Inner shoulder on the left, one row per place around the tire.
      </Text>
      {Array.from({ length: spots }, (_, spot) => (
        <View key={spot} className="flex-row items-center gap-1.5">
          <View className="w-16">
            <Text size="small" tone="soft">{`Place ${spot + 1}`}</Text>
          </View>
          {Array.from({ length: grooves }, (__, groove) => {
            const id = grooveField(spot, groove);
            const here = id === current;
            return (
              <Pressable
                key={id}
                role="radio"
                aria-checked={here}
                aria-label={`Place ${spot + 1}, groove ${groove + 1}: ${textAt(id) || 'empty'}`}
                onPress={() => onChoose(id)}
                className={`h-11 flex-1 items-center justify-center rounded-lg border-2 ${here ? 'border-act bg-raised' : 'border-edge bg-card'}`}
              >
                <Text reading bold>
                  {textAt(id) || '–'}
                </Text>
              </Pressable>
            );
          })}
        </View>
      ))}
    </RadioGroup>
  );
}
