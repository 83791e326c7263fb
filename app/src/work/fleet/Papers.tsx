import { COMMANDS, POLICIES, policyChoice, stickerLastDay, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const monthSchema = COMMANDS['record-sticker'].body.pick({ month: true });

function Month({ onMonth }: { onMonth: (month: string) => void }) {
  const { fleet } = useSession();
  const { control, handleSubmit, watch, formState } = useZodForm(monthSchema, { month: '' });
  const last = stickerLastDay(fleet.policies, watch('month').trim());
  const keep = handleSubmit(({ month }) => onMonth(month));
  return (
    <>
      <Field control={control} name="month" label="Month on the sticker" placeholder="2026-03" inputMode="numeric" />
      {last ? <Text bold>{`Good until ${dayName(last)} ${last.slice(0, 4)}`}</Text> : null}
      <Button tall look="act" label="Keep it" disabled={!formState.isValid || !last} onPress={() => void keep()} />
    </>
  );
}

/** Papers with their last day; the inspection sticker is taken by the month on it. */
export function Papers({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const may = useMaySend('record-sticker');
  const [asking, setAsking] = useState(false);
  const policy = POLICIES.find(({ id }) => id === 'sticker');
  const way = policy?.options.find(({ id }) => id === policyChoice(fleet.policies, 'sticker'));
  const keep = (month: string) => {
    setAsking(false);
    const label = `${unit.number}: inspection sticker ${month}`;
    void send('record-sticker', { paper: uuidv7(), unit: unit.id, month }, label);
  };
  return (
    <Card title="Papers">
      {unit.papers.length === 0 ? <Text tone="soft">None kept here.</Text> : null}
      {unit.papers.map(({ paper, on }) => (
        <Text key={paper}>{`${paper}: good until ${dayName(on)} ${on.slice(0, 4)}`}</Text>
      ))}
      {may ? <Button label="Read the inspection sticker" onPress={() => setAsking(true)} /> : null}
      {asking ? (
        <Drawer title="Inspection sticker" onClose={() => setAsking(false)}>
          <Text>{`${way?.name}: ${way?.says}`}</Text>
          <Month onMonth={keep} />
        </Drawer>
      ) : null}
    </Card>
  );
}
