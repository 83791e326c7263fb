import { type PartForm, type Parts, partFormSchema, SKILLS, type Template, templateSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { Toggle } from '../../parts/Toggle';
import { useParts, useTemplates } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { ShortParts } from './ShortParts';

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
const PART_LINE = /^(\d{1,3})\s*[×x]?\s*(\S.{0,39})$/;
/** Parts as they are written, a line each: `2 × shoe-kit`. Null where a line is none. */
function partsOf(text: string): Template['parts'] | null {
  const read = lines(text).map((line) => PART_LINE.exec(line));
  if (read.some((each) => each === null)) return null;
  return read.map((each) => ({ count: Number(each?.[1]), part: (each?.[2] ?? '').trim() }));
}

const number = z.string().regex(/^\d{1,4}$/, 'write whole minutes');
const formSchema = z.object({
  name: templateSchema.shape.name,
  one: number,
  both: number,
  people: z.string().regex(/^[1-6]$/, 'write 1 to 6'),
  steps: z.string().refine((text) => lines(text).length > 0, 'write at least one step'),
  lookAt: z.string(),
  parts: z.string().refine((text) => partsOf(text) !== null, 'write parts like 2 × shoe-kit, a line each'),
});

const BAYS = templateSchema.shape.bay.options.map((value) => ({ value, label: value }));

interface Props {
  version: number;
  definition: Template;
  onClose: () => void;
}

/** How one kind of repair goes in this shop. */
function EditTemplate({ version, definition, onClose }: Props) {
  const { control, handleSubmit, formState } = useZodForm(formSchema, {
    name: definition.name,
    one: String(definition.minutes.one),
    both: String(definition.minutes.both),
    people: String(definition.people),
    steps: definition.steps.join('\n'),
    lookAt: definition.lookAt.join('\n'),
    parts: definition.parts.map(({ count, part }) => `${count} × ${part}`).join('\n'),
  });
  const [rest, setRest] = useState(definition);
  const change = (some: Partial<Template>) => setRest({ ...rest, ...some });
  const whole = (written: z.infer<typeof formSchema>) =>
    templateSchema.safeParse({
      ...rest,
      name: written.name,
      minutes: { one: Number(written.one), both: Number(written.both) },
      people: Number(written.people),
      steps: lines(written.steps),
      lookAt: lines(written.lookAt),
      parts: partsOf(written.parts) ?? [],
    });
  const [problem, setProblem] = useState<string | null>(null);
  const save = handleSubmit((written) => {
    const read = whole(written);
    if (!read.success) return setProblem(`${read.error.issues[0]?.path.join(' ')}: ${read.error.issues[0]?.message}`);
    onClose();
    void send('save-template', { version, definition: read.data }, `${written.name}: how we do it`);
  });
  return (
    <Drawer title={definition.name} onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Field control={control} name="one" label="Minutes, one end" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="both" label="Both ends" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="people" label="People" inputMode="numeric" maxLength={1} />
        </View>
      </View>
      <Choice
        label="Skill"
        options={SKILLS.map(({ name }) => ({ value: name, label: name }))}
        value={rest.skill}
        onChange={(skill) => change({ skill })}
      />
      <Choice label="Bay" options={BAYS} value={rest.bay} onChange={(bay) => change({ bay })} />
      <View className="flex-row gap-2">
        <Toggle label="Wheels off" on={rest.wheelsOff} onChange={(wheelsOff) => change({ wheelsOff })} />
        <Toggle label="Both ends" on={rest.bothEnds} onChange={(bothEnds) => change({ bothEnds })} />
      </View>
      <Field control={control} name="steps" label="Steps, a line each" multiline />
      <Field control={control} name="lookAt" label="What else to look at, a line each" multiline />
      <Field control={control} name="parts" label="Parts, a line each: 2 × shoe-kit" multiline />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

const whole = z.string().regex(/^\d{1,6}$/, 'write a whole number');
const partSchema = z.object({
  id: z.string().trim().min(1).max(40),
  name: partFormSchema.shape.name,
  stock: whole,
  price: z.string().regex(/^\d{1,6}([.,]\d{2})?$/, 'write a price like 89.00'),
  leadDays: whole,
});

function EditPart({ part, onClose }: { part: Parts['parts'][number] | null; onClose: () => void }) {
  const { control, handleSubmit, formState } = useZodForm(partSchema, {
    id: part?.id ?? '',
    name: part?.name ?? '',
    stock: String(part?.stock ?? ''),
    price: part ? (part.price / 100).toFixed(2) : '',
    leadDays: String(part?.leadDays ?? ''),
  });
  const save = handleSubmit(({ id, name, stock, price, leadDays }) => {
    const form: PartForm = {
      name,
      stock: Number(stock),
      price: Math.round(Number(price.replace(',', '.')) * 100),
      leadDays: Number(leadDays),
    };
    onClose();
    void send('save-part', { part: id, form }, `${name}: ${stock} in stock`);
  });
  return (
    <Drawer title={part?.name ?? 'A new part'} onClose={onClose}>
      {part ? null : <Field control={control} name="id" label="Short name, as templates call it" maxLength={40} />}
      <Field control={control} name="name" label="Name" maxLength={60} />
      <Field control={control} name="stock" label="In stock, counted" inputMode="numeric" maxLength={6} />
      <Field control={control} name="price" label="Price" inputMode="decimal" maxLength={9} />
      <Field control={control} name="leadDays" label="Days to get it" inputMode="numeric" maxLength={3} />
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

function PartsRoom({ may }: { may: boolean }) {
  const query = useParts();
  const [open, setOpen] = useState<Parts['parts'][number] | 'new' | null>(null);
  return (
    <Card title="Parts room" note="Counted by hand; jobs take from it.">
      <Loaded query={query}>
        {({ parts }) => (
          <>
            {parts.length === 0 ? <Text tone="soft">Nothing is kept here yet.</Text> : null}
            {parts.map((part) => (
              <View key={part.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
                <View className="min-w-0 flex-1">
                  <Text>{part.name}</Text>
                  <Text size="small" tone={part.stock === 0 ? 'out' : 'soft'}>
                    {`${part.stock} in stock · ${(part.price / 100).toFixed(2)} · ${part.leadDays} ${part.leadDays === 1 ? 'day' : 'days'} to get`}
                  </Text>
                </View>
                {may ? <Button look="bare" label="Count" hint={part.name} onPress={() => setOpen(part)} /> : null}
              </View>
            ))}
          </>
        )}
      </Loaded>
      {may ? <Button label="A new part" onPress={() => setOpen('new')} /> : null}
      {open ? <EditPart part={open === 'new' ? null : open} onClose={() => setOpen(null)} /> : null}
    </Card>
  );
}

/** How each kind of repair goes here, and what the parts room has: data that the shop changes. */
export function ShopData() {
  const { fleet } = useSession();
  const query = useTemplates();
  const mayTemplate = useMaySend('save-template');
  const mayPart = useMaySend('save-part');
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Screen narrow title="Work and parts" under={fleet.name} back={goBack('/set-up')}>
      <Card title="How repairs go" note="Practice to begin with: change what your shop does otherwise.">
        <Loaded query={query}>
          {({ templates }) => (
            <>
              {templates.map(({ version, definition, clocked }) => (
                <View key={definition.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
                  <View className="min-w-0 flex-1">
                    <Text>{definition.name}</Text>
                    <Text size="small" tone="soft">
                      {[
                        minutesWords(definition.minutes.one),
                        definition.skill,
                        definition.wheelsOff ? 'wheels off' : '',
                        version ? 'changed here' : '',
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                    {clocked ? (
                      <Text size="small" tone="soft">
                        {`By the clock ${clocked.ratio.toFixed(1)} times the standard, ${clocked.jobs} ${clocked.jobs === 1 ? 'job' : 'jobs'}`}
                      </Text>
                    ) : null}
                  </View>
                  {mayTemplate ? (
                    <Button look="bare" label="Change" hint={definition.name} onPress={() => setOpen(definition.id)} />
                  ) : null}
                </View>
              ))}
              {templates
                .filter(({ definition }) => definition.id === open)
                .map(({ version, definition }) => (
                  <EditTemplate key={version} version={version} definition={definition} onClose={() => setOpen(null)} />
                ))}
            </>
          )}
        </Loaded>
      </Card>
      <ShortParts />
      <PartsRoom may={mayPart} />
    </Screen>
  );
}
