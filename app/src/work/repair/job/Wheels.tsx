import {
  COMMANDS,
  type End,
  type JobPage,
  SNUG_TORQUE,
  type TorqueStage,
  torqueDoubt,
  torqueSchema,
  WHEEL_KINDS,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { noteTorque } from '../../../device/last-torque';
import { send } from '../../../device/outbox';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { endCode } from '../../../parts/RunningGear';
import { Text } from '../../../parts/Text';
import { TorqueFields } from '../../../parts/TorqueFields';
import { VerdictMark } from '../../../parts/VerdictMark';
import { useZodForm } from '../../../session/forms';
import { BoltCircle } from './BoltCircle';
import { usePending } from './pending';

const HOLES = [10, 8, 6, 5].map((count) => ({ value: String(count), label: `${count} nuts` }));
const calibration = COMMANDS['torque-wheel'].body.shape.calibrated;
const schema = z.object({
  value: torqueSchema.shape.value,
  tool: torqueSchema.shape.tool,
  calibrated: z.union([z.literal(''), calibration.unwrap()]),
});
export type Torqued = z.infer<typeof schema> & { holes: number; kind: string | null };

const KINDS = WHEEL_KINDS.map(({ id, name, least, most }) => ({
  value: id,
  label: name,
  note: `${least} to ${most}, practice: the maker’s value first`,
}));

/** Which stages of each wheel are done, on the server or on this device. */
function useStages({ job, work }: JobPage) {
  const pending = usePending(job.id, 'torque-wheel');
  const known = job.torque.flatMap(({ wheel, value, tool }) => (wheel ? [{ ...wheel, value, tool }] : []));
  const all = [...known, ...pending];
  return work.wheels.map((wheel) => {
    const here = all.filter(({ axle, side }) => axle === wheel.axle && side === wheel.side);
    return { wheel, done: (stage: TorqueStage) => here.find((each) => each.stage === stage) ?? null };
  });
}

interface TorqueProps {
  job: JobPage['job'];
  wheel: End;
  snug: boolean;
  first: Torqued;
  onTorqued: (torqued: Torqued) => void;
  onClose: () => void;
}

/** One wheel: drawn up by hand in star, then to its full value in star. */
function Torque({ job, wheel, snug, first, onTorqued, onClose }: TorqueProps) {
  const { control, handleSubmit, watch, formState } = useZodForm(schema, first);
  const [holes, setHoles] = useState(first.holes);
  const [kind, setKind] = useState(first.kind);
  const doubt = kind ? torqueDoubt(watch('value'), kind) : null;
  const at = endCode(wheel);
  const stage: TorqueStage = snug ? 'full' : 'snug';
  const keep = handleSubmit(({ calibrated, ...written }) => {
    void send(
      'torque-wheel',
      { job: job.id, check: uuidv7(), ...wheel, holes, stage, ...written, calibrated: calibrated || null },
      `${job.unit.number}: ${at} ${stage === 'snug' ? 'snug' : `torqued to ${written.value}`}`,
    );
    noteTorque(written);
    onTorqued({ ...written, calibrated, holes, kind });
  });
  return (
    <Drawer title={`Wheel ${at}`} onClose={onClose}>
      <BoltCircle holes={holes} />
      <Text>
        {stage === 'snug'
          ? `First snug each nut, about ${SNUG_TORQUE}, in this order.`
          : 'Now each nut to full torque, in the same order.'}
      </Text>
      <Choice
        label="Nuts"
        hideLabel
        options={HOLES}
        value={String(holes)}
        onChange={(count) => setHoles(Number(count))}
      />
      <Choice stacked label="Kind of wheel" options={KINDS} value={kind} onChange={setKind} />
      <TorqueFields control={control} name="value" tool="tool" label="Full torque, from the maker" />
      {doubt ? <Notice look="ask">{doubt}</Notice> : null}
      <Field control={control} name="calibrated" label="Calibrated until (optional)" placeholder="2027-03-31" />
      <Button
        tall
        look="act"
        label={stage === 'snug' ? `${at}: all nuts snug, star pattern` : `${at}: all nuts at full torque, star pattern`}
        disabled={!formState.isValid}
        onPress={() => void keep()}
      />
    </Drawer>
  );
}

/** The wheels that came off, each torqued by itself. What was written at one stands ready at the next. */
export function Wheels({ page, may }: { page: JobPage; may: boolean }) {
  const stages = useStages(page);
  const [open, setOpen] = useState<End | null>(null);
  const [last, setLast] = useState<Torqued>({ value: '', tool: '', calibrated: '', holes: 10, kind: null });
  if (stages.length === 0) return null;
  const chosen = stages.find(({ wheel }) => wheel === open);
  return (
    <View className="gap-1">
      <Text bold>Wheels torqued</Text>
      {stages.map(({ wheel, done }) => {
        const full = done('full');
        const words = full
          ? `${full.value}, ${full.tool}`
          : done('snug')
            ? 'Snug only, not at full torque yet'
            : 'Not torqued yet';
        return (
          <View key={endCode(wheel)} className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
            <VerdictMark verdict={full ? 'within' : 'not-judged'} size={24} />
            <View className="min-w-0 flex-1">
              <Text bold>{endCode(wheel)}</Text>
              <Text size="small" tone="soft">
                {words}
              </Text>
            </View>
            {may && !full ? <Button label="Torque" hint={endCode(wheel)} onPress={() => setOpen(wheel)} /> : null}
          </View>
        );
      })}
      {chosen ? (
        <Torque
          key={`${endCode(chosen.wheel)} ${chosen.done('snug') !== null}`}
          job={page.job}
          wheel={chosen.wheel}
          snug={chosen.done('snug') !== null}
          first={last}
          onTorqued={(torqued) => {
            setLast(torqued);
            if (chosen.done('snug')) setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </View>
  );
}
