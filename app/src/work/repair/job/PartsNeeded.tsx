import { COMMANDS, type Day, dayAfter, type JobPage, partNeedState } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { dayName } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Text } from '../../../parts/Text';
import { WordsForm } from '../../../parts/WordsForm';
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
        The job waits until the part arrives. The date is our lead time; enter the supplier’s date if different.
      </Text>
      <Field control={control} name="due" label="Expected on" placeholder={due} />
      <Button
        tall
        look="act"
        label="Mark as ordered"
        disabled={!formState.isValid}
        onPress={() => void handleSubmit((written) => onOrder(written.due))()}
      />
    </Drawer>
  );
}

const ELSEWHERE = ['Bought on the way', 'From another unit', 'From a dealer', 'Was on the vehicle'] as const;

/** A part that did not come out of the parts room: from where is said, and nothing is taken from there. */
function Elsewhere({ name, onFrom, onClose }: { name: string; onFrom: (from: string) => void; onClose: () => void }) {
  return (
    <Drawer title={`Where is it from: ${name}`} onClose={onClose}>
      {ELSEWHERE.map((from) => (
        <Button key={from} tall label={from} onPress={() => onFrom(from)} />
      ))}
      <WordsForm
        short
        autoFocus={false}
        label="From elsewhere"
        words={COMMANDS['take-part'].body.shape.elsewhere.unwrap()}
        act="Save where it is from"
        look="plain"
        onWords={onFrom}
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
        <Text bold tone="violation">{`Waiting for ${count} × ${name}`}</Text>
        <Text size="small" tone={due < page.today ? 'out' : 'soft'}>
          {`${due < page.today ? 'Was expected' : 'Expected'} ${dayName(due)}, ordered by ${by}`}
        </Text>
      </View>
      {mayReceive ? (
        <Button
          label="Mark as received"
          hint={name}
          onPress={() =>
            void send('receive-part', { job: job.id, order: id }, `${job.unit.number}: ${count} × ${name} came`)
          }
        />
      ) : null}
    </View>
  ));
}

type Needed = JobPage['parts'][number] & { had: number };

/** How a part stands, in words. */
function stands({ needed, had, stock, leadDays, elsewhere, without }: Needed, ordered: boolean, today: Day): string {
  if (without) return `left out: ${without}`;
  const missing = needed - had;
  if (missing <= 0) return ['taken', ...elsewhere].join(', ');
  if (stock >= missing) return `${stock} in stock`;
  if (ordered) return `${stock} in stock, the rest is ordered`;
  if (leadDays === null) return 'Not in the parts list: arrival date not known';
  return `${stock} in stock. If ordered today, here ${dayName(dayAfter(today, leadDays))}`;
}

type Take = (part: string, name: string, count: number, elsewhere?: string) => void;

/** One part of the work: taken, ordered, or brought along. */
function PartRow({ each, page, may, take }: { each: Needed; page: JobPage; may: boolean; take: Take }) {
  const { job, today } = page;
  const { part, name, needed, had, stock, leadDays, without } = each;
  const asked = usePending(job.id, 'order-part');
  const mayOrder = useMaySend('order-part');
  const [open, setOpen] = useState<'order' | 'elsewhere' | null>(null);
  const missing = needed - had;
  const ordered = job.waits.some((one) => one.part === part) || asked.some((one) => one.part === part);
  const state = partNeedState({ needed, taken: had, without: without !== null, ordered });
  const short = !without && missing > 0 && stock < missing;
  const shut = () => setOpen(null);
  const order = (due: string) => {
    shut();
    const count = missing - stock;
    const body = { job: job.id, order: uuidv7(), part, count, due };
    void send('order-part', body, `${job.unit.number}: ${count} × ${name} ordered`);
  };
  return (
    <View className="min-h-12 flex-row flex-wrap items-center gap-2 border-t border-line py-1">
      <View className="min-w-[12rem] flex-1">
        <Text>{`${needed} × ${name}`}</Text>
        <Text size="small" tone={short ? 'out' : 'soft'}>
          {stands(each, state === 'ordered', today)}
        </Text>
      </View>
      {may && !without && missing > 0 && !short ? (
        <Button label="Take" hint={name} onPress={() => take(part, name, missing)} />
      ) : null}
      {may && short ? <Button label="From elsewhere…" hint={name} onPress={() => setOpen('elsewhere')} /> : null}
      {mayOrder && short && leadDays !== null && state === 'needed' ? (
        <Button label="Order …" hint={name} onPress={() => setOpen('order')} />
      ) : null}
      {open === 'elsewhere' ? (
        <Elsewhere
          name={name}
          onFrom={(from) => {
            shut();
            take(part, name, missing, from);
          }}
          onClose={shut}
        />
      ) : null}
      {open === 'order' && leadDays !== null ? (
        <Order name={name} due={dayAfter(today, leadDays)} onOrder={order} onClose={shut} />
      ) : null}
    </View>
  );
}

/** What the work needs from the parts room, with what is there and when the rest can be. */
export function PartsNeeded({ page, may }: { page: JobPage; may: boolean }) {
  const { job, parts } = page;
  const pending = usePending(job.id, 'take-part');
  if (parts.length === 0) return null;
  const open = parts.map((each) => ({
    ...each,
    had: each.taken + pending.filter(({ part }) => part === each.part).reduce((sum, { count }) => sum + count, 0),
  }));
  const take: Take = (part, name, count, elsewhere) =>
    void send(
      'take-part',
      { job: job.id, use: uuidv7(), part, count, ...(elsewhere ? { elsewhere } : {}) },
      `${job.unit.number}: ${count} × ${name} ${elsewhere ? 'brought along' : 'taken'}`,
    );
  const there = open.filter(({ had, needed, stock, without }) => !without && had < needed && stock >= needed - had);
  return (
    <View className="gap-1">
      <Text bold>Parts</Text>
      {open.map((each) => (
        <PartRow key={each.part} each={each} page={page} may={may} take={take} />
      ))}
      <OnHold page={page} />
      {may && there.length > 1 ? (
        <Button
          label={`Take all ${there.length} that are there`}
          onPress={() => {
            for (const { part, name, needed, had } of there) take(part, name, needed - had);
          }}
        />
      ) : null}
    </View>
  );
}
