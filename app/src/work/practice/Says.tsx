import type { Card } from '@zealous-axle/core/practice';
import { View } from 'react-native';
import { Text } from '../../parts/Text';

/** What is said of one thing, and the figure that goes with it. */
export function Says({ card }: { card: Card }) {
  return (
    <View className="gap-1">
      {card.says.map((each) => (
        <Text key={each}>{each}</Text>
      ))}
      {card.figure ? <Text bold>{`Figure: ${card.figure}`}</Text> : null}
      {card.why ? <Text size="small" tone="soft">{`Why: ${card.why}.`}</Text> : null}
      {card.slip ? <Text size="small" tone="soft">{`Slip: ${card.slip}.`}</Text> : null}
      {card.memory ? (
        <Text size="small" tone="soft">
          {card.memory}
        </Text>
      ) : null}
      {card.mustNotFail ? (
        <Text size="small" bold tone="out">
          Required: if left out, the walk-around is not passed.
        </Text>
      ) : null}
    </View>
  );
}
