import { type Spread, subjectWords } from '@zealous-axle/core';
import { View } from 'react-native';
import { Text } from '../../parts/Text';

const NM_IN_SIXTEENTH = 25_400_000 / 16;

/** How somebody's figures spread against the truth, and who reads short is told. */
export function Spreads({ spread }: { spread: readonly Spread[] }) {
  if (spread.length === 0) return null;
  return (
    <View className="gap-1">
      <Text bold>Readings and true values</Text>
      {spread.map(({ kind, count, mean, deviation }) => {
        const sixteenths = (value: number) => (value / NM_IN_SIXTEENTH).toFixed(1);
        const bent = Math.abs(mean) >= NM_IN_SIXTEENTH / 2;
        return (
          <Text key={kind} tone={bent ? 'violation' : 'ink'}>
            {`${subjectWords({ kind: kind as never })}: ${count} read, on average ${sixteenths(mean)} sixteenths, spread ${sixteenths(deviation)}${bent ? `: reads ${mean < 0 ? 'short' : 'long'}` : ''}`}
          </Text>
        );
      })}
    </View>
  );
}
