import { COMMANDS, type DefectView, defectWords } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../parts/ChoiceField';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { useUnit } from '../../server/queries';
import { useZodForm } from '../../session/forms';

const MINUTES = ['30', '60', '90', '120', '180', '240'].map((value) => ({ value, label: minutesWords(Number(value)) }));
const WHEELS = [
  { value: 'on', label: 'Wheels stay on' },
  { value: 'off', label: 'Wheels off', note: 'Torque is written down' },
] as const;

export function minutesWords(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return [hours ? `${hours} h` : '', rest ? `${rest} min` : ''].filter(Boolean).join(' ');
}

const titleOf = (defects: readonly DefectView[]): string =>
  defects
    .map((defect) => `${defectPlace(defect)} ${defectWords(defect.code).toLowerCase()}`)
    .join('; ')
    .slice(0, 120);

const made = COMMANDS['make-job'].body;
const formSchema = z.object({
  left: z.array(z.string()),
  title: made.shape.title,
  minutes: z.string(),
  wheels: z.enum(['on', 'off']),
});

function Form({ defects, onClose }: { defects: readonly DefectView[]; onClose: () => void }) {
  const { control, handleSubmit, watch, setValue, getFieldState, formState } = useZodForm(formSchema, {
    left: [],
    title: titleOf(defects),
    minutes: '90',
    wheels: 'on',
  });
  const left = watch('left');
  const chosen = defects.filter(({ id }) => !left.includes(id));
  const [unit] = defects.map((defect) => defect.unit);
  if (!unit) return null;
  const choose = (next: string[]) => {
    setValue('left', next);
    // Words of one's own stay as they are.
    if (getFieldState('title', formState).isDirty) return;
    const title = titleOf(defects.filter(({ id }) => !next.includes(id)));
    setValue('title', title, { shouldValidate: true });
  };
  const make = handleSubmit(async ({ title, minutes, wheels }) => {
    await send(
      'make-job',
      {
        job: uuidv7(),
        unit: unit.id,
        title,
        defects: chosen.map(({ id, version }) => ({ defect: id, version })),
        minutes: Number(minutes),
        wheelsOff: wheels === 'off',
      },
      `${unit.number}: job made`,
    );
    onClose();
  });
  return (
    <Drawer title={`Job for ${unit.number}`} onClose={onClose}>
      {defects.map((defect) => {
        const taken = !left.includes(defect.id);
        return (
          <Pressable
            key={defect.id}
            role="checkbox"
            aria-checked={taken}
            aria-label={`${defectPlace(defect)} ${defectWords(defect.code)}`}
            onPress={() => choose(taken ? [...left, defect.id] : left.filter((id) => id !== defect.id))}
            className={`rounded-xl border-2 px-3 ${taken ? 'border-act bg-card' : 'border-line opacity-60'}`}
          >
            <DefectRow defect={defect} />
          </Pressable>
        );
      })}
      <Field
        control={control}
        name="title"
        label="What is to be done"
        maxLength={made.shape.title.maxLength ?? undefined}
      />
      <ChoiceField control={control} name="minutes" label="Time needed" options={MINUTES} />
      <ChoiceField control={control} name="wheels" label="Wheels" options={WHEELS} />
      <Button
        tall
        look="act"
        label="Make this job"
        disabled={formState.isSubmitting || chosen.length === 0 || !formState.isValid}
        onPress={() => void make()}
      />
    </Drawer>
  );
}

/** The form for one trailer, with every defect it has to be repaired, also those of pages not shown yet. */
function FormOf({ unit, known, onClose }: { unit: string; known: readonly DefectView[]; onClose: () => void }) {
  const { data } = useUnit(unit);
  const all = data?.defects.filter(({ state }) => state === 'triaged') ?? [];
  return <Form defects={all.length > known.length ? all : known} onClose={onClose} />;
}

/** Defects to be repaired, by trailer, each trailer one tap from a job. */
export function ToRepair({ defects, mayPlan }: { defects: readonly DefectView[]; mayPlan: boolean }) {
  const [making, setMaking] = useState<string | null>(null);
  const units = [...new Map(defects.map(({ unit }) => [unit.id, unit])).values()];
  const of = (unit: string) => defects.filter((defect) => defect.unit.id === unit);
  return (
    <View>
      {units.length === 0 ? <Text tone="soft">Nothing waits for a job.</Text> : null}
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
          {mayPlan ? <Button label={`Make a job for ${unit.number}`} onPress={() => setMaking(unit.id)} /> : null}
        </View>
      ))}
      {making ? <FormOf unit={making} known={of(making)} onClose={() => setMaking(null)} /> : null}
    </View>
  );
}
