import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { usePalette } from '../look/theme';
import { T } from './T';

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
  /** Primary acts are 56 px high, others 48. */
  tall?: boolean;
  className?: string;
  hint?: string;
}

/** Something to press: a short verb that says what happens. */
export const Button = memo(function Button({
  label,
  onPress,
  look = 'plain',
  icon: Icon,
  disabled,
  tall,
  className = '',
  hint,
}: Props) {
  const palette = usePalette();
  const { box, tone } = LOOKS[look];
  return (
    <Pressable
      role="button"
      aria-label={hint ? `${label}. ${hint}` : label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      className={`flex-row items-center justify-center gap-2 rounded-xl border-2 px-2 ${tall ? 'min-h-14' : 'min-h-12'} ${box} ${disabled ? 'opacity-60' : 'active:opacity-70'} ${className}`}
    >
      {Icon ? <Icon size={22} color={palette[tone]} aria-hidden /> : null}
      <View className="shrink">
        <T bold tone={tone} className="text-center">
          {label}
        </T>
      </View>
    </Pressable>
  );
});
