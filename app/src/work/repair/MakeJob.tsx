import {
  COMMANDS,
  type DefectView,
  defectWords,
  jobOf,
  type Template,
  type UnitPage,
  workFor,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { ChoiceField } from '../../parts/ChoiceField';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Text } from '../../parts/Text';
import { useParts, useTemplates, useUnit } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { MakeAll } from './MakeAll';

const titleOf = (defects: readonly DefectView[]): string =>
  defects
    .map((defect) => `${defectPlace(defect)} ${defectWords(defect.code).toLowerCase()}`)
    .join('; ')
    .slice(0, 120);

const made = COMMANDS['make-job'].body;
const formSchema = z.object({
  left: z.array(z.string()),
  title: made.shape.title,
  /** Minutes said otherwise than the templates do; empty follows them. */
  minutes: z.string(),
  wheels: z.enum(['on', 'off']),
});

/** What the job is made of: the work its defects ask for, less what was taken off, and what was added. */
function useWork(unit: UnitPage, defects: readonly DefectView[], templates: readonly Template[]) {
  const [off, setOff] = useState<string[]>([]);
  const [added, setAdded] = useState<string[]>([]);
  const proposed = workFor(templates, defects, unit.axles);
  const ends = defects.flatMap(({ axle, side }) => (axle && side ? [{ axle, side }] : []));
  const works = [
    ...proposed,
    ...templates.filter(({ id }) => added.includes(id)).map((template) => ({ template, ends })),
  ].filter(
    ({ template }, index, all) =>
      !off.includes(template.id) && all.findIndex((each) => each.template.id === template.id) === index,
  );
  return {
    works,
    plan: jobOf(works, unit.axles),
    others: templates.filter(({ id }) => !works.some(({ template }) => template.id === id)),
    add: (id: string) => {
      setOff(off.filter((each) => each !== id));
      setAdded([...added, id]);
    },
    takeOff: (id: string) => setOff([...off, id]),
  };
}

type Planned = ReturnType<typeof useWork>;

/** The work as templates name it: what it takes, and what may be added or taken off. */
function WorkCard({ works, plan, others, add, takeOff }: Planned) {
  const [choosing, setChoosing] = useState(false);
  const { data } = useParts();
  const name = (part: string) => data?.parts.find(({ id }) => id === part);
  return (
    <View className="gap-2 rounded-xl border border-line bg-card p-3">
      <Text bold>The work</Text>
      {works.length === 0 ? <Text tone="soft">No template covers these. Choose one or describe the work.</Text> : null}
      {works.map(({ template }) => (
        <View key={template.id} className="min-h-11 flex-row items-center justify-between gap-2">
          <Text className="min-w-0 flex-1">{template.name}</Text>
          <Button look="bare" label="Take off" hint={template.name} onPress={() => takeOff(template.id)} />
        </View>
      ))}
      {works.length ? (
        <>
          <Text size="small">
            {[
              minutesWords(plan.minutes),
              `${plan.steps.length} steps`,
              plan.people > 1 ? `${plan.people} people` : '',
              plan.skills.join(', '),
              plan.wheels.length ? `${plan.wheels.length} wheel ends off` : '',
              plan.bay ? `${plan.bay} bay` : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {plan.parts.map(({ part, count }) => {
            const known = name(part);
            const short = (known?.stock ?? 0) < count;
            return (
              <Text key={part} size="small" tone={short ? 'out' : 'soft'}>
                {`${count} × ${known?.name ?? part.replaceAll('-', ' ')}: ${known ? `${known.stock} in stock${short ? `, ${known.leadDays} days to get` : ''}` : 'not in the parts list'}`}
              </Text>
            );
          })}
        </>
      ) : null}
      <Button label="Add other work…" onPress={() => setChoosing(true)} />
      {choosing ? (
        <Drawer title="Which work?" onClose={() => setChoosing(false)}>
          {others.map(({ id, name: words }) => (
            <Button
              key={id}
              label={words}
              onPress={() => {
                add(id);
                setChoosing(false);
              }}
            />
          ))}
        </Drawer>
      ) : null}
    </View>
  );
}

const EVENS = [30, 60, 90, 120, 180, 240];

interface FormProps {
  page: UnitPage;
  defects: readonly DefectView[];
  templates: readonly Template[];
  onClose: () => void;
}

interface TakenProps {
  defects: readonly DefectView[];
  left: readonly string[];
  onLeft: (left: string[]) => void;
}

/** Which of the defects the job puts right. */
function Taken({ defects, left, onLeft }: TakenProps) {
  return (
    <>
      {defects.map((defect) => {
        const taken = !left.includes(defect.id);
        return (
          <Pressable
            key={defect.id}
            role="checkbox"
            aria-checked={taken}
            aria-label={`${defectPlace(defect)} ${defectWords(defect.code)}`}
            onPress={() => onLeft(taken ? [...left, defect.id] : left.filter((id) => id !== defect.id))}
            className={`rounded-xl border-2 px-3 ${taken ? 'border-act bg-card' : 'border-line opacity-60'}`}
          >
            <DefectRow defect={defect} />
          </Pressable>
        );
      })}
    </>
  );
}

function Form({ page, defects, templates, onClose }: FormProps) {
  const { control, handleSubmit, watch, setValue, getFieldState, formState } = useZodForm(formSchema, {
    left: [],
    title: titleOf(defects),
    minutes: '',
    wheels: 'on',
  });
  const left = watch('left');
  const chosen = defects.filter(({ id }) => !left.includes(id));
  const work = useWork(page, chosen, templates);
  const planned = work.works.length > 0;
  const choose = (next: string[]) => {
    setValue('left', next);
    // Words of one's own stay as they are.
    if (getFieldState('title', formState).isDirty) return;
    const title = titleOf(defects.filter(({ id }) => !next.includes(id)));
    setValue('title', title, { shouldValidate: true });
  };
  const usual = planned ? Math.max(5, work.plan.minutes) : 90;
  const make = handleSubmit(async ({ title, minutes, wheels }) => {
    const job = uuidv7();
    await send(
      'make-job',
      {
        job,
        unit: page.id,
        title,
        defects: chosen.map(({ id, version }) => ({ defect: id, version })),
        minutes: Number(minutes) || usual,
        wheelsOff: planned ? work.plan.wheels.length > 0 : wheels === 'off',
        ...(planned
          ? { work: work.works.map(({ template, ends }) => ({ template: template.id, ends: [...ends] })) }
          : {}),
      },
      `${page.number}: job made`,
    );
    onClose();
    router.navigate(`/job/${job}`);
  });
  const minutes = [...new Set([usual, ...EVENS])].sort((a, b) => a - b);
  return (
    <Drawer title={`Job for ${page.number}`} onClose={onClose}>
      <Taken defects={defects} left={left} onLeft={choose} />
      <WorkCard {...work} />
      <Field
        control={control}
        name="title"
        label="What is to be done"
        maxLength={made.shape.title.maxLength ?? undefined}
      />
      <Choice
        label="Time needed"
        options={minutes.map((value) => ({ value: String(value), label: minutesWords(value) }))}
        value={watch('minutes') || String(usual)}
        onChange={(value) => setValue('minutes', value)}
      />
      {planned ? null : <ChoiceField control={control} name="wheels" label="Wheels" options={WHEELS} />}
      <Button
        tall
        look="act"
        label="Create this job"
        disabled={formState.isSubmitting || chosen.length === 0 || !formState.isValid}
        onPress={() => void make()}
      />
    </Drawer>
  );
}

const WHEELS = [
  { value: 'on', label: 'Wheels stay on' },
  { value: 'off', label: 'Wheels off', note: 'Torque is recorded' },
] as const;

/** The form for one trailer, with every defect it has to be repaired, also those of pages not shown yet. */
function FormOf({ unit, known, onClose }: { unit: string; known: readonly DefectView[]; onClose: () => void }) {
  const query = useUnit(unit);
  // Without the templates a job would be made of nothing: they are waited for.
  const templates = useTemplates();
  return (
    <Loaded query={query}>
      {(page) => (
        <Loaded query={templates}>
          {(data) => {
            const all = page.defects.filter(({ state }) => state === 'triaged');
            return (
              <Form
                page={page}
                defects={all.length > known.length ? all : known}
                templates={data.templates.map(({ definition }) => definition)}
                onClose={onClose}
              />
            );
          }}
        </Loaded>
      )}
    </Loaded>
  );
}

/** Defects to be repaired, by trailer, each trailer one tap from a job. */
export function ToRepair({ defects, mayPlan }: { defects: readonly DefectView[]; mayPlan: boolean }) {
  const [making, setMaking] = useState<string | null>(null);
  const units = [...new Map(defects.map(({ unit }) => [unit.id, unit])).values()];
  const of = (unit: string) => defects.filter((defect) => defect.unit.id === unit);
  return (
    <View>
      {units.length === 0 ? <Text tone="soft">Nothing needs a job.</Text> : null}
      {mayPlan && defects.length > 1 ? <MakeAll defects={defects} /> : null}
      {units.map((unit) => (
        <View key={unit.id} className="gap-2 border-t border-line py-3">
          <LinkRow aria-label={`Open ${unit.number}`} href={`/trailer/${unit.id}`} className="min-h-11 justify-center">
            <Text bold size="lead">
              <Text bold size="lead">
                {unit.number}
              </Text>
              {`  ${unit.body}`}
            </Text>
          </LinkRow>
          {of(unit.id).map((defect) => (
            <Text
              key={defect.id}
            >{`${defectPlace(defect)}  ${defectWords(defect.code)}${defect.holds ? ' – holds' : ''}`}</Text>
          ))}
          {mayPlan ? <Button label={`Create a job for ${unit.number}`} onPress={() => setMaking(unit.id)} /> : null}
        </View>
      ))}
      {making ? <FormOf unit={making} known={of(making)} onClose={() => setMaking(null)} /> : null}
    </View>
  );
}
