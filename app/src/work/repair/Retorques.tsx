import { positionCode, RETORQUE, type Retorque, retorqueLapsed, torqueSchema, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { noteTorque } from '../../device/last-torque';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { TorqueFields } from '../../parts/TorqueFields';
import { useLapsed } from '../../server/queries';
import { useZodForm } from '../../session/forms';

const wheelsOf = ({ wheels }: Pick<Retorque, 'wheels'>): string =>
  wheels.map((wheel) => positionCode({ ...wheel, tyre: null })).join(', ');

const dueWords = ({ due, dueMeter }: Retorque): string => `${dayName(due)}${dueMeter ? ` or at ${dueMeter}` : ''}`;

const MOVED = [
  { value: 'no', label: 'None moved' },
  { value: 'yes', label: 'One or more moved', note: 'Reported' },
] as const;

function Do({ unit, retorque, onClose }: { unit: UnitPage; retorque: Retorque; onClose: () => void }) {
  const { control, handleSubmit, formState } = useZodForm(torqueSchema, { value: retorque.value, tool: '' });
  const [moved, setMoved] = useState<'yes' | 'no' | null>(null);
  const done = handleSubmit((torque) => {
    onClose();
    noteTorque(torque);
    void send(
      'do-retorque',
      { unit: unit.id, retorque: retorque.id, ...torque, moved: moved === 'yes' },
      `${unit.number}: ${wheelsOf(retorque)} re-torqued`,
    );
  });
  return (
    <Drawer title={`Re-torque: ${wheelsOf(retorque)}`} onClose={onClose}>
      <Text>Each nut to full torque, in a star pattern. A nut that still turns was loose.</Text>
      <TorqueFields control={control} name="value" tool="tool" label="Value" />
      <Choice stacked label="Did a nut move?" options={MOVED} value={moved} onChange={setMoved} />
      <Button
        tall
        look="act"
        label="Re-torque done"
        disabled={!formState.isValid || moved === null}
        onPress={() => void done()}
      />
    </Drawer>
  );
}

/** Wheels that were off lately: to be torqued again by whoever is there, by a day. */
export function Retorques({ unit, today }: { unit: UnitPage; today: string }) {
  const [open, setOpen] = useState<Retorque | null>(null);
  if (unit.retorques.length === 0) return null;
  const late = (retorque: Retorque) => retorqueLapsed(retorque, today, unit.meter?.value ?? null);
  return (
    <Card
      title="Re-torque"
      note={`Wheels that were off: after ${RETORQUE.from} to ${RETORQUE.to} or ${RETORQUE.days} days, whichever comes first`}
    >
      {unit.retorques.map((retorque) => (
        <View key={retorque.id} className="min-h-14 flex-row items-center gap-2 border-t border-line">
          <View className="min-w-0 flex-1">
            <Text bold>{wheelsOf(retorque)}</Text>
            <Text size="small" tone={late(retorque) ? 'out' : 'soft'}>
              {`${retorque.value}, ${late(retorque) ? 'was due' : 'by'} ${dueWords(retorque)}`}
            </Text>
          </View>
          <Button label="Done" hint={wheelsOf(retorque)} onPress={() => setOpen(retorque)} />
        </View>
      ))}
      {open ? <Do unit={unit} retorque={open} onClose={() => setOpen(null)} /> : null}
    </Card>
  );
}

/** Re-torques whose day has passed: in the queue until somebody makes each a report. */
export function LapsedRetorques({ may }: { may: boolean }) {
  const { data } = useLapsed();
  const [sent, setSent] = useState<string[]>([]);
  const left = data?.lapsed.filter(({ id }) => !sent.includes(id)) ?? [];
  return left.map((retorque) => (
    <View key={retorque.id} className="gap-2 border-t border-line py-2">
      <Text bold>{`${retorque.unit.number} ${wheelsOf(retorque)}: re-torque overdue`}</Text>
      <Text size="small" tone="out">{`Was due ${dueWords(retorque)}, to ${retorque.value}`}</Text>
      {may ? (
        <Button
          look="act"
          label="Report as a defect"
          hint={`${retorque.unit.number} ${wheelsOf(retorque)}`}
          onPress={() => {
            setSent([...sent, retorque.id]);
            void send(
              'lapse-retorque',
              { unit: retorque.unit.id, retorque: retorque.id },
              `${retorque.unit.number}: re-torque lapsed`,
            );
          }}
        />
      ) : null}
    </View>
  ));
}
