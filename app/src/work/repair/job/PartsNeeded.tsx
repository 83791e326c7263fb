import { COMMANDS, dayAfter, type JobPage, partNeedState } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { dayName } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Text } from '../../../parts/Text';
import { useZodForm } from '../../../session/forms';
import { useMaySend } from '../../../session/may';
import { usePending } from './pending';

const orderSchema = COMMANDS['order-part'].body.pick({ due: true });

/** Orders a part that is not there: the job waits for it until the day that is said here. */
function Order({
  name,
  due,
  onOrder,
  onClose,
}: {
  name: string;
  due: string;
  onOrder: (due: string) => void;
  onClose: () => void;
}) {
  const { control, handleSubmit, formState } = useZodForm(orderSchema, { due });
  return (
    <Drawer title={`Order: ${name}`} onClose={onClose}>
      <Text>
        The job is on hold until it is here. The day is the parts room’s lead time; write the seller’s if it is another.
      </Text>
      <Field control={control} name="due" label="Expected on" placeholder={due} />
      <Button
        tall
        look="act"
        label="It is ordered"
        disabled={!formState.isValid}
        onPress={() => void handleSubmit((written) => onOrder(written.due))()}
      />
    </Drawer>
  );
}

/** Parts ordered for the job and not here yet. */
function OnHold({ page }: { page: JobPage }) {
  const { job } = page;
  const mayReceive = useMaySend('receive-part');
  const came = usePending(job.id, 'receive-part');
  const waits = job.waits.filter(({ id }) => !came.some(({ order }) => order === id));
  return waits.map(({ id, name, count, due, by }) => (
    <View key={id} className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
      <View className="min-w-0 flex-1">
        <Text bold tone="violation">{`On hold for ${count} × ${name}`}</Text>
        <Text size="small" tone={due < page.today ? 'out' : 'soft'}>
          {`${due < page.today ? 'Was expected' : 'Expected'} ${dayName(due)}, ordered by ${by}`}
        </Text>
      </View>
      {mayReceive ? (
        <Button
          label="It is here"
          hint={name}
          onPress={() =>
            void send('receive-part', { job: job.id, order: id }, `${job.unit.number}: ${count} × ${name} came`)
          }
        />
      ) : null}
    </View>
  ));
}

/** What the work needs from the parts room, with what is there and when the rest can be. */
export function PartsNeeded({ page, may }: { page: JobPage; may: boolean }) {
  const { job, parts, today } = page;
  const pending = usePending(job.id, 'take-part');
  const asked = usePending(job.id, 'order-part');
  const mayOrder = useMaySend('order-part');
  const [ordering, setOrdering] = useState<string | null>(null);
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
        const ordered = job.waits.some((each) => each.part === part) || asked.some((each) => each.part === part);
        const state = partNeedState({ needed, taken: had, without: without !== null, ordered });
        const words = without
          ? `left out: ${without}`
          : missing <= 0
            ? 'taken'
            : stock >= missing
              ? `${stock} in stock`
              : state === 'ordered'
                ? `${stock} in stock, the rest is ordered`
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
            {mayOrder && state === 'needed' && stock < missing ? (
              <Button label="Order …" hint={name} onPress={() => setOrdering(part)} />
            ) : null}
            {ordering === part ? (
              <Order
                name={name}
                due={dayAfter(today, leadDays)}
                onOrder={(due) => {
                  setOrdering(null);
                  const count = missing - stock;
                  void send(
                    'order-part',
                    { job: job.id, order: uuidv7(), part, count, due },
                    `${job.unit.number}: ${count} × ${name} ordered`,
                  );
                }}
                onClose={() => setOrdering(null)}
              />
            ) : null}
          </View>
        );
      })}
      <OnHold page={page} />
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
