import { Pressable, View } from 'react-native';
import { Text } from './Text';

function Step({
  sign,
  name,
  onPress,
  disabled,
}: {
  sign: string;
  name: string;
  onPress: () => void;
  disabled: boolean;
}) {
  return (
    <Pressable
      role="button"
      aria-label={name}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      className={`h-12 w-14 items-center justify-center rounded-xl border-2 border-edge bg-card ${disabled ? 'opacity-50' : 'active:bg-line'}`}
    >
      <Text bold size="title">
        {sign}
      </Text>
    </Pressable>
  );
}

/** A small whole number, one more or one less. */
export function Stepper({
  label,
  value,
  least,
  most,
  onChange,
}: {
  label: string;
  value: number | null;
  least: number;
  most: number;
  onChange: (value: number) => void;
}) {
  return (
    <View className="min-h-12 flex-row items-center justify-between gap-3">
      <Text className="shrink">{label}</Text>
      <View className="flex-row items-center gap-2">
        <Step
          sign="−"
          name={`${label}: one less`}
          disabled={value === null || value <= least}
          onPress={() => onChange((value ?? least) - 1)}
        />
        <View className="w-12 items-center" aria-live="polite">
          <Text reading bold size="title">
            {value ?? '–'}
          </Text>
        </View>
        <Step
          sign="+"
          name={`${label}: one more`}
          disabled={value !== null && value >= most}
          onPress={() => onChange(value === null ? least : value + 1)}
        />
      </View>
    </View>
  );
}
