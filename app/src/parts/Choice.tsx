import { Pressable, View } from 'react-native';
import { RadioGroup } from './RadioGroup';
import { Text } from './Text';

interface Option<V extends string> {
  value: V;
  label: string;
  /** Said under the label. */
  note?: string;
}

interface Props<V extends string> {
  label: string;
  options: readonly Option<V>[];
  value: V | null;
  onChange: (value: V) => void;
  /** One below the other, for longer words. */
  stacked?: boolean;
  hideLabel?: boolean;
  /** Two in a row. */
  pairs?: boolean;
}

/** One of a few, all in sight. */
export function Choice<V extends string>({ label, options, value, onChange, stacked, hideLabel, pairs }: Props<V>) {
  return (
    <View className="gap-1">
      {hideLabel ? null : <Text bold>{label}</Text>}
      <RadioGroup label={label} className={stacked ? 'gap-2' : 'flex-row flex-wrap gap-2'}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={chosen}
              onPress={() => onChange(option.value)}
              className={`min-h-12 justify-center rounded-xl border-2 px-3 py-2 ${stacked ? '' : `grow items-center ${pairs ? 'basis-[45%]' : 'min-w-16'}`} ${chosen ? 'border-act bg-act' : 'border-edge bg-card'}`}
            >
              <Text bold={chosen} tone={chosen ? 'on-act' : 'ink'}>
                {option.label}
              </Text>
              {option.note ? (
                <Text size="small" tone={chosen ? 'on-act' : 'soft'}>
                  {option.note}
                </Text>
              ) : null}
            </Pressable>
          );
        })}
      </RadioGroup>
    </View>
  );
}
