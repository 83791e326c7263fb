import type { Shift } from '@zealous-axle/core';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { Toggle } from '../../parts/Toggle';
import { DAY_WORDS } from './words';

const NEXT_SHIFT: Shift = { days: [1, 2, 3, 4, 5], from: '06:00', to: '14:00' };

interface Props {
  title: string;
  /** What one span of them is called. */
  one: string;
  hours: Shift[];
  wrong: (index: number, end: 'days' | 'from' | 'to') => string | null;
  onChange: (hours: Shift[]) => void;
}

/** Hours of the week: on which days, from when to when. */
export function WeeklyHours({ title, one, hours, wrong, onChange }: Props) {
  const change = (at: number, some: Partial<Shift>) =>
    onChange(hours.map((each, index) => (index === at ? { ...each, ...some } : each)));
  return (
    <View className="gap-2">
      <Text bold>{title}</Text>
      {hours.map((shift, index) => (
        <View key={index} className="gap-2 border-t border-line pt-2">
          <View className="flex-row flex-wrap gap-2">
            {DAY_WORDS.map((word, at) => (
              <View key={word} className="basis-[22%] flex-row">
                <Toggle
                  label={word}
                  on={shift.days.includes(at + 1)}
                  onChange={(on) =>
                    change(index, {
                      days: on
                        ? [...shift.days, at + 1].sort((a, b) => a - b)
                        : shift.days.filter((day) => day !== at + 1),
                    })
                  }
                />
              </View>
            ))}
          </View>
          {shift.days.length === 0 ? <Text tone="out">Choose its days.</Text> : null}
          <View className="flex-row gap-2">
            {(['from', 'to'] as const).map((end) => (
              <View key={end} className="flex-1">
                <TextField
                  label={end === 'from' ? 'From' : 'To'}
                  value={shift[end]}
                  error={wrong(index, end)}
                  maxLength={5}
                  onChangeText={(hour) => change(index, { [end]: hour })}
                />
              </View>
            ))}
          </View>
          <Button
            look="bare"
            label={`Remove this ${one}`}
            hint={`${one} ${index + 1}`}
            onPress={() => onChange(hours.filter((_, at) => at !== index))}
          />
        </View>
      ))}
      <Button label={`Add a ${one}`} onPress={() => onChange([...hours, hours.at(-1) ?? NEXT_SHIFT])} />
    </View>
  );
}
