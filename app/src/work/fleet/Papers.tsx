import { POLICIES, policyChoice, stickerLastDay, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useMaySend, useSession } from '../../session/session';

/** Papers with their last day; the inspection sticker is taken by the month on it. */
export function Papers({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const may = useMaySend('record-sticker');
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
      {unit.papers.length === 0 ? <Text tone="soft">None kept here.</Text> : null}
      {unit.papers.map(({ paper, on }) => (
        <Text key={paper}>{`${paper}: good until ${dayName(on)} ${on.slice(0, 4)}`}</Text>
      ))}
      {may ? <Button label="Read the inspection sticker" onPress={() => setAsking(true)} /> : null}
      {asking ? (
        <Drawer title="Inspection sticker" onClose={() => setAsking(false)}>
          <Text>{`${way?.name}: ${way?.says}`}</Text>
          <TextField
            label="Month on the sticker"
            placeholder="2026-03"
            inputMode="numeric"
            value={month}
            onChangeText={setMonth}
            error={month.trim().length >= 7 && !last ? 'Write the month like 2026-03.' : null}
          />
          {last ? <Text bold>{`Good until ${dayName(last)} ${last.slice(0, 4)}`}</Text> : null}
          <Button tall look="act" label="Keep it" disabled={!last} onPress={keep} />
        </Drawer>
      ) : null}
    </Card>
  );
}
