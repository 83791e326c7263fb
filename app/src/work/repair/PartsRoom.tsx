import { type Parts, partFormSchema, stockSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { moneyText } from '../../look/money';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Text } from '../../parts/Text';
import { useParts } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';

type Part = Parts['parts'][number];

const whole = z.string().regex(/^\d{1,6}$/, 'enter a whole number');
const amount = z.string().regex(/^\d{1,6}([.,]\d{2})?$/, 'enter a price like 89.00');
const cents = (text: string): number => Math.round(Number(text.replace(',', '.')) * 100);

const detailsSchema = z.object({ name: partFormSchema.shape.name, price: amount, leadDays: whole });
const newSchema = detailsSchema.extend({ id: z.string().trim().min(1).max(40), stock: whole });
const countSchema = z.object({ stock: whole.refine((text) => stockSchema.safeParse(Number(text)).success) });

const formOf = ({ name, price, leadDays }: z.infer<typeof detailsSchema>) => ({
  name,
  price: cents(price),
  leadDays: Number(leadDays),
});

function NewPart({ onClose }: { onClose: () => void }) {
  const empty = { id: '', name: '', stock: '', price: '', leadDays: '' };
  const { control, handleSubmit, formState } = useZodForm(newSchema, empty);
  const save = handleSubmit(({ id, stock, ...details }) => {
    onClose();
    void send('add-part', { part: id, form: formOf(details), stock: Number(stock) }, `${details.name}: a new part`);
  });
  return (
    <Drawer title="A new part" onClose={onClose}>
      <Field
        control={control}
        name="id"
        label="Short name, as the shop says it"
        placeholder="hub-seal"
        maxLength={40}
      />
      <Field control={control} name="name" label="Name" maxLength={60} />
      <Field control={control} name="stock" label="In stock, counted" inputMode="numeric" maxLength={6} />
      <Field control={control} name="price" label="Price" placeholder="89.00" inputMode="decimal" maxLength={9} />
      <Field control={control} name="leadDays" label="Days to get it" inputMode="numeric" maxLength={3} />
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

/** What a part is called, costs and how long it takes to come: how many lie there is counted by itself. */
function ChangePart({ part, onClose }: { part: Part; onClose: () => void }) {
  const { control, handleSubmit, formState } = useZodForm(detailsSchema, {
    name: part.name,
    price: moneyText(part.price),
    leadDays: String(part.leadDays),
  });
  const save = handleSubmit((details) => {
    onClose();
    void send('set-part', { part: part.id, version: part.version, form: formOf(details) }, `${part.name}: changed`);
  });
  return (
    <Drawer title={part.name} onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <Field control={control} name="price" label="Price" inputMode="decimal" maxLength={9} />
      <Field control={control} name="leadDays" label="Days to get it" inputMode="numeric" maxLength={3} />
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

function CountPart({ part, onClose }: { part: Part; onClose: () => void }) {
  const { control, handleSubmit, formState } = useZodForm(countSchema, { stock: '' });
  const save = handleSubmit(({ stock }) => {
    onClose();
    void send(
      'count-part',
      { part: part.id, stockVersion: part.stockVersion, stock: Number(stock) },
      `${part.name}: ${stock} counted`,
    );
  });
  return (
    <Drawer title={`Count: ${part.name}`} onClose={onClose}>
      <Text>{`${part.stock} should be in stock. If parts are taken while you count, count again.`}</Text>
      <Field autoFocus control={control} name="stock" label="Counted" inputMode="numeric" maxLength={6} />
      <Button tall look="act" label="Save the count" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

function PartRow({ part, may }: { part: Part; may: boolean }) {
  const [open, setOpen] = useState<'count' | 'change' | null>(null);
  const { name, stock, price, leadDays } = part;
  const shut = () => setOpen(null);
  return (
    <View className="min-h-12 flex-row flex-wrap items-center gap-2 border-t border-line py-1">
      <View className="min-w-0 shrink grow basis-[12rem]">
        <Text>{name}</Text>
        <Text size="small" tone={stock === 0 ? 'out' : 'soft'}>
          {`${stock} in stock · ${moneyText(price)} · ${leadDays} ${leadDays === 1 ? 'day' : 'days'} to get`}
        </Text>
      </View>
      {may ? (
        <>
          <Button look="bare" label="Count" hint={name} onPress={() => setOpen('count')} />
          <Button look="bare" label="Details" hint={name} onPress={() => setOpen('change')} />
        </>
      ) : null}
      {open === 'count' ? <CountPart part={part} onClose={shut} /> : null}
      {open === 'change' ? <ChangePart part={part} onClose={shut} /> : null}
    </View>
  );
}

/** What the parts room has: counted by hand, taken from by jobs. */
export function PartsRoom() {
  const query = useParts();
  const may = useMaySend('add-part');
  const [adding, setAdding] = useState(false);
  return (
    <Card title="Parts room" note="Counted by hand. Jobs take from it.">
      <Loaded query={query}>
        {({ parts }) => (
          <>
            {parts.length === 0 ? <Text tone="soft">Nothing in stock yet.</Text> : null}
            {parts.map((part) => (
              <PartRow key={part.id} part={part} may={may} />
            ))}
          </>
        )}
      </Loaded>
      {may ? <Button label="A new part" onPress={() => setAdding(true)} /> : null}
      {adding ? <NewPart onClose={() => setAdding(false)} /> : null}
    </Card>
  );
}
