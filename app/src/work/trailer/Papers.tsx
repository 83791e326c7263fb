import { COMMAND_ROLES, POLICIES, policyChoice, stickerLastDay, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../data/outbox';
import { useMay, useSession } from '../../data/session';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

/** Papers with their last day; the inspection sticker is taken by the month on it. */
export function Papers({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const may = useMay(COMMAND_ROLES['record-sticker']);
  const [asking, setAsking] = useState(false);
  const [month, setMonth] = useState('');
  const policy = POLICIES.find(({ id }) => id === 'sticker');
  const way = policy?.options.find(({ id }) => id === policyChoice(fleet.policies, 'sticker'));
  const last = stickerLastDay(fleet.policies, month.trim());
  const keep = () => {
    setAsking(false);
    void send(
      'record-sticker',
      { paper: uuidv7(), unit: unit.id, month: month.trim() },
      `${unit.number}: inspection sticker ${month.trim()}`,
    );
    setMonth('');
  };
  return (
    <Card title="Papers">
      {unit.papers.length === 0 ? <T tone="soft">None kept here.</T> : null}
      {unit.papers.map(({ paper, on }) => (
        <T key={paper}>{`${paper}: good until ${dayName(on)} ${on.slice(0, 4)}`}</T>
      ))}
      {may ? <Button label="Read the inspection sticker" onPress={() => setAsking(true)} /> : null}
      {asking ? (
        <Sheet title="Inspection sticker" onClose={() => setAsking(false)}>
          <T>{`${way?.name}: ${way?.says}`}</T>
          <Field
            label="Month on the sticker"
            placeholder="2026-03"
            inputMode="numeric"
            value={month}
            onChangeText={setMonth}
            error={month.trim().length >= 7 && !last ? 'Write the month like 2026-03.' : null}
          />
          {last ? <T bold>{`Good until ${dayName(last)} ${last.slice(0, 4)}`}</T> : null}
          <Button tall look="act" label="Keep it" disabled={!last} onPress={keep} />
        </Sheet>
      ) : null}
    </Card>
  );
}
