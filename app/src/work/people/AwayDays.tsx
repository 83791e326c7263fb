import { type Away, dayAfter, dayIn } from '@zealous-axle/core';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useSession } from '../../session/session';

interface Props {
  title: string;
  act: string;
  /** Why, where nothing else is written. */
  reason: string;
  days: Away[];
  wrong: (index: number, field: 'from' | 'until' | 'reason') => string | null;
  onChange: (days: Away[]) => void;
}

const FIELDS = [
  { field: 'from', label: 'First day' },
  { field: 'until', label: 'Last day' },
] as const;

/** Days on which somebody is away, or a bay is out of use: the first and the last of them, and why. */
export function AwayDays({ title, act, reason, days, wrong, onChange }: Props) {
  const { fleet } = useSession();
  const change = (at: number, some: Partial<Away>) =>
    onChange(days.map((each, index) => (index === at ? { ...each, ...some } : each)));
  const add = () => {
    const next = dayAfter(dayIn(fleet.zone, new Date()), 1);
    onChange([...days, { from: next, until: next, reason }]);
  };
  return (
    <View className="gap-2">
      <Text bold>{title}</Text>
      {days.map((each, index) => (
        <View key={index} className="gap-2 border-t border-line pt-2">
          <View className="flex-row gap-2">
            {FIELDS.map(({ field, label }) => (
              <View key={field} className="flex-1">
                <TextField
                  label={label}
                  placeholder="2027-06-30"
                  value={each[field]}
                  error={wrong(index, field)}
                  maxLength={10}
                  onChangeText={(day) => change(index, { [field]: day.trim() })}
                />
              </View>
            ))}
          </View>
          <TextField
            label="Why"
            value={each.reason}
            error={wrong(index, 'reason')}
            maxLength={80}
            onChangeText={(words) => change(index, { reason: words })}
          />
          <Button
            look="bare"
            label="Remove these days"
            hint={`from ${each.from}`}
            onPress={() => onChange(days.filter((_, at) => at !== index))}
          />
        </View>
      ))}
      <Button label={act} onPress={add} />
    </View>
  );
}
