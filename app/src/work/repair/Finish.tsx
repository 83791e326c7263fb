import { COMMANDS, torqueSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { Button } from '../../parts/Button';
import { Field } from '../../parts/Field';
import { useKeptForm } from '../../session/forms';
import type { StageProps } from './stage';

const finishing = COMMANDS['finish-job'].body.shape;
const finishSchema = z.object({ done: finishing.done, torque: z.string(), tool: z.string() });
const wheelsOffSchema = finishSchema.extend({ torque: torqueSchema.shape.value, tool: torqueSchema.shape.tool });

/** What was done; with the wheels off also the torque and the tool it was set with. */
export function Finish({ page, act }: StageProps) {
  const { job } = page;
  const form = useKeptForm(`finish ${job.id}`, job.wheelsOff ? wheelsOffSchema : finishSchema, {
    done: '',
    torque: '',
    tool: '',
  });
  const { control, formState, ready, clear } = form;
  if (!ready) return null;
  const finish = form.handleSubmit(({ done, torque, tool }) => {
    const body = {
      job: job.id,
      version: job.version,
      done,
      ...(job.wheelsOff ? { torque: { value: torque, tool } } : {}),
    };
    if (act('finish-job', body, `${job.unit.number}: repair done`)) void clear();
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
      {job.wheelsOff ? (
        <>
          <Field control={control} name="torque" label="Torque" placeholder="475 lb-ft" />
          <Field
            control={control}
            name="tool"
            label="Set with"
            placeholder="Torque wrench 4"
            maxLength={torqueSchema.shape.tool.maxLength ?? undefined}
          />
        </>
      ) : null}
      <Button tall look="act" label="Repair is done" disabled={!formState.isValid} onPress={() => void finish()} />
    </>
  );
}
