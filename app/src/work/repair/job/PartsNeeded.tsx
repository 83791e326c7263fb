import { dayAfter, type JobPage } from '@zealous-axle/core';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { dayName } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Text } from '../../../parts/Text';
import { usePending } from './pending';

/** What the work needs from the parts room, with what is there and when the rest can be. */
export function PartsNeeded({ page, may }: { page: JobPage; may: boolean }) {
  const { job, parts, today } = page;
  const pending = usePending(job.id, 'take-part');
  if (parts.length === 0) return null;
  const open = parts.map((each) => ({
    ...each,
    had: each.taken + pending.filter(({ part }) => part === each.part).reduce((sum, { count }) => sum + count, 0),
  }));
  const take = (part: string, name: string, count: number) =>
    send('take-part', { job: job.id, use: uuidv7(), part, count }, `${job.unit.number}: ${count} × ${name} taken`);
  const there = open.filter(({ had, needed, stock, without }) => !without && had < needed && stock >= needed - had);
  return (
    <View className="gap-1">
      <Text bold>Parts</Text>
      {open.map(({ part, name, needed, had, stock, leadDays, without }) => {
        const missing = needed - had;
        const words = without
          ? `left out: ${without}`
          : missing <= 0
            ? 'taken'
            : stock >= missing
              ? `${stock} in stock`
              : `${stock} in stock: ordered today here on ${dayName(dayAfter(today, leadDays))}`;
        return (
          <View key={part} className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
            <View className="min-w-0 flex-1">
              <Text>{`${needed} × ${name}`}</Text>
              <Text size="small" tone={missing > 0 && stock < missing && !without ? 'out' : 'soft'}>
                {words}
              </Text>
            </View>
            {may && !without && missing > 0 && stock >= missing ? (
              <Button label="Take" hint={name} onPress={() => void take(part, name, missing)} />
            ) : null}
          </View>
        );
      })}
      {may && there.length > 1 ? (
        <Button
          label={`Take all ${there.length} that are there`}
          onPress={() => {
            for (const { part, name, needed, had } of there) void take(part, name, needed - had);
          }}
        />
      ) : null}
    </View>
  );
}
