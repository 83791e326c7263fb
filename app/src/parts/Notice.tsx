import { View } from 'react-native';
import { Text, type Tone } from './Text';

const LOOKS: Record<'plain' | 'ask' | 'stop' | 'good', { box: string; tone: Tone }> = {
  plain: { box: 'bg-open-tint border-open', tone: 'open' },
  ask: { box: 'bg-shop-tint border-shop', tone: 'shop' },
  stop: { box: 'bg-out-tint border-out', tone: 'out' },
  good: { box: 'bg-within-tint border-within', tone: 'within' },
};

/** A sentence that matters now: what is so, and what to do next. */
export function Notice({ look = 'plain', children }: { look?: keyof typeof LOOKS; children: string }) {
  const { box, tone } = LOOKS[look];
  return (
    <View role={look === 'stop' ? 'alert' : 'status'} className={`rounded-xl border-2 px-3 py-2 ${box}`}>
      <Text tone={tone} bold>
        {children}
      </Text>
    </View>
  );
}
