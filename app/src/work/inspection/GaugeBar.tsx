import { Pressable, View } from 'react-native';
import { Text } from '../../parts/Text';
import type { GaugeState } from './gauge';

const WORDS: Record<GaugeState, string> = {
  off: 'Gauge: off',
  looking: 'Gauge: looking for it…',
  on: 'Gauge: listening',
  lost: 'Gauge lost. Reconnecting. Enter readings by hand for now.',
};

/** Whether gauges are listened for, and what the last one said. */
export function GaugeBar({
  state,
  gaugeMessage,
  onToggle,
}: {
  state: GaugeState;
  gaugeMessage: string | null;
  onToggle: () => void;
}) {
  return (
    <View
      className={`flex-row items-center gap-3 border-b border-line px-3 ${state === 'lost' ? 'bg-shop-tint' : 'bg-card'}`}
    >
      <View className="min-w-0 flex-1 py-1" role="status" aria-live="polite">
        <Text size="small" bold={state === 'lost'} tone={state === 'lost' ? 'shop' : 'soft'}>
          {state === 'on' && gaugeMessage ? gaugeMessage : WORDS[state]}
        </Text>
      </View>
      <Pressable
        role="switch"
        aria-checked={state !== 'off'}
        aria-label="Listen for gauges"
        onPress={onToggle}
        className="min-h-11 min-w-16 items-center justify-center"
      >
        <Text bold tone="act">
          {state === 'off' ? 'Turn on' : 'Turn off'}
        </Text>
      </Pressable>
    </View>
  );
}
