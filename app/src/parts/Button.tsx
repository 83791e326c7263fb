import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import { type GestureResponderEvent, Pressable, View } from 'react-native';
import { usePalette } from '../look/theme';
import { Text } from './Text';

const LOOKS = {
  act: { box: 'bg-act border-act', tone: 'on-act' },
  plain: { box: 'bg-card border-edge', tone: 'ink' },
  stop: { box: 'bg-out-tint border-out', tone: 'out' },
  bare: { box: 'bg-transparent border-transparent', tone: 'act' },
} as const;

interface Props {
  label: string;
  onPress: () => void;
  look?: keyof typeof LOOKS;
  icon?: LucideIcon;
  /** Why it cannot be pressed now; shown to assistive technology with the label. */
  disabled?: boolean;
  /** It will be there in a moment: looks as ever, and takes no press yet. */
  waits?: boolean;
  /** Primary acts are 56 px high, others 48. */
  tall?: boolean;
  className?: string;
  hint?: string;
  /** What assistive technology calls it, where the label is an icon or a figure alone. */
  name?: string;
}

/** Something to press: a short verb that says what happens. */
export const Button = memo(function Button({
  label,
  onPress,
  look = 'plain',
  icon: Icon,
  disabled,
  waits,
  tall,
  className = '',
  hint,
  name = label,
}: Props) {
  const palette = usePalette();
  // A double click would press what has come to stand in the same place.
  const press = (event: GestureResponderEvent) => {
    const clicks = 'detail' in event && typeof event.detail === 'number' ? event.detail : 1;
    if (clicks < 2) onPress();
  };
  const { box, tone } = LOOKS[look];
  return (
    <Pressable
      role="button"
      aria-label={hint ? `${name}. ${hint}` : name}
      aria-disabled={disabled || waits}
      disabled={disabled || waits}
      onPress={look === 'act' || look === 'stop' ? press : onPress}
      className={`flex-row items-center justify-center gap-2 min-w-12 rounded-xl border-2 px-2 ${tall ? 'min-h-14' : 'min-h-12'} ${box} ${disabled ? 'opacity-60' : 'active:opacity-70'} ${className}`}
    >
      {Icon ? <Icon size={22} color={palette[tone]} aria-hidden /> : null}
      {label ? (
        <View className="shrink">
          <Text bold tone={tone} className="text-center">
            {label}
          </Text>
        </View>
      ) : null}
    </Pressable>
  );
});
