import { COMMANDS, type JobPage, torqueSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { z } from 'zod';
import { noteTorque } from '../../../device/last-torque';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Text } from '../../../parts/Text';
import { TorqueFields } from '../../../parts/TorqueFields';
import { WordsForm } from '../../../parts/WordsForm';
import { useKeptForm } from '../../../session/forms';
import { FittedFields, useFitted } from './Fitted';
import { usePending } from './pending';
import { useSteps } from './Steps';
import type { StageProps } from './stage';

const finishing = COMMANDS['finish-job'].body.shape;
const finishSchema = z.object({ done: z.union([z.literal(''), finishing.done]), torque: z.string(), tool: z.string() });
const wheelsOffSchema = finishSchema.extend({ torque: torqueSchema.shape.value, tool: torqueSchema.shape.tool });

/** What is still missing before the end of the work, in words; null where nothing is. */
function useLeft(page: JobPage, without: readonly string[]): string | null {
  const steps = useSteps(page).filter(({ done }) => !done).length;
  const takes = usePending(page.job.id, 'take-part');
  const wheels = usePending(page.job.id, 'torque-wheel');
  const had = (part: string) => takes.filter((each) => each.part === part).reduce((sum, { count }) => sum + count, 0);
  const parts = page.parts.filter(
    ({ part, taken, needed }) => taken + had(part) < needed && !without.includes(part),
  ).length;
  const full = [...page.job.torque.flatMap(({ wheel }) => wheel ?? []), ...wheels].filter(
    ({ stage }) => stage === 'full',
  );
  const open = page.work.wheels.filter(
    (wheel) => !full.some(({ axle, side }) => axle === wheel.axle && side === wheel.side),
  ).length;
  const left = [
    steps ? `${steps} ${steps === 1 ? 'step' : 'steps'}` : '',
    parts ? `${parts} ${parts === 1 ? 'part' : 'parts'}` : '',
    open ? `${open} ${open === 1 ? 'wheel' : 'wheels'} to torque` : '',
  ].filter(Boolean);
  return left.length ? `Still open: ${left.join(', ')}.` : null;
}

interface NotNeededProps {
  parts: JobPage['parts'];
  onLeave: (part: string, reason: string) => void;
}

/** Parts that were planned and not taken: each is left out with its reason. */
function NotNeeded({ parts, onLeave }: NotNeededProps) {
  const [leaving, setLeaving] = useState<string | null>(null);
  return (
    <>
      {parts.map(({ part, name }) => (
        <Button key={part} look="bare" label={`${name} was not needed…`} onPress={() => setLeaving(part)} />
      ))}
      {leaving ? (
        <Drawer title="Not needed" onClose={() => setLeaving(null)}>
          <WordsForm
            short
            label="Why?"
            words={COMMANDS['reopen-job'].body.shape.reason}
            usual={NOT_NEEDED}
            act="Leave it out"
            onWords={(reason) => {
              onLeave(leaving, reason);
              setLeaving(null);
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}

const NOT_NEEDED = ['The old one was still good', 'It was not the cause'] as const;

/** The steps that were ticked, in words; nothing where the work was done before and is done once more. */
function useTicked(page: JobPage): string {
  const words = useSteps(page).flatMap(({ words, look, done }) => (done && !look ? [words] : []));
  return page.job.done === null ? words.join('; ').slice(0, finishing.done.maxLength ?? undefined) : '';
}

/** What was done; where no wheel is torqued by itself, also the torque and the tool it was set with. */
export function Finish({ page, act }: StageProps) {
  const { job } = page;
  const asksTorque = job.wheelsOff && page.work.wheels.length === 0;
  const form = useKeptForm(`finish ${job.id}`, asksTorque ? wheelsOffSchema : finishSchema, {
    done: '',
    torque: '',
    tool: '',
  });
  const [without, setWithout] = useState<{ part: string; reason: string }[]>([]);
  const left = useLeft(
    page,
    without.map(({ part }) => part),
  );
  const parts = useFitted(page);
  const { control, formState, ready, clear, watch } = form;
  const ticked = useTicked(page);
  if (!ready) return null;
  const own = watch('done').trim();
  const finish = form.handleSubmit(({ done, torque, tool }) => {
    const body = {
      job: job.id,
      version: job.version,
      done: done.trim() || ticked,
      ...(without.length ? { without } : {}),
      ...(parts.fitted.length ? { fitted: parts.fitted } : {}),
      ...(asksTorque ? { torque: { value: torque, tool } } : {}),
    };
    if (asksTorque) noteTorque({ value: torque, tool });
    if (act('finish-job', body, `${job.unit.number}: repair done`)) {
      void clear();
      void parts.clear();
    }
  });
  return (
    <>
      <Field
        control={control}
        name="done"
        label="What was done"
        multiline
        maxLength={finishing.done.maxLength ?? undefined}
      />
      {ticked && !own ? <Text tone="soft">{`If blank, the ticked steps are recorded: ${ticked}`}</Text> : null}
      {asksTorque ? <TorqueFields control={control} name="torque" tool="tool" label="Torque" /> : null}
      <FittedFields lots={parts.lots} set={parts.set} />
      <NotNeeded
        parts={page.parts.filter(
          ({ part, taken, needed }) => taken < needed && !without.some((each) => each.part === part),
        )}
        onLeave={(part, reason) => setWithout([...without, { part, reason }])}
      />
      {left ? <Text bold>{left}</Text> : null}
      <Button
        tall
        look="act"
        label="Repair is done"
        disabled={!formState.isValid || !(own || ticked) || !parts.right || left !== null}
        onPress={() => void finish()}
      />
    </>
  );
}
