import {
  bookIdOf,
  COMMANDS,
  dayText,
  type PaperKind,
  POLICIES,
  papersUnder,
  policyChoice,
  STICKER_MEANS,
  type StickerMeans,
  stickerLastDay,
  type UnitPage,
  weeksAllowed,
} from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Stepper } from '../../parts/Stepper';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const monthSchema = COMMANDS['record-sticker'].body.pick({ month: true });
const STICKER = POLICIES.find(({ id }) => id === 'sticker');

/** The month as it is printed, and what that month means on this very sticker. */
function Sticker({ onMonth }: { onMonth: (month: string, means: StickerMeans) => void }) {
  const { fleet } = useSession();
  const usual = policyChoice(fleet.policies, 'sticker') as StickerMeans;
  const [means, setMeans] = useState<StickerMeans>(usual);
  const { control, handleSubmit, watch, formState } = useZodForm(monthSchema, { month: '' });
  const last = stickerLastDay(fleet.policies, watch('month'), means);
  const keep = handleSubmit(({ month }) => onMonth(month, means));
  return (
    <>
      <Choice
        stacked
        label="What its month means"
        options={STICKER_MEANS.map((value) => {
          const way = STICKER?.options.find(({ id }) => id === value);
          return { value, label: way?.name ?? value, note: way?.says ?? '' };
        })}
        value={means}
        onChange={setMeans}
      />
      <Field control={control} name="month" label="Month on the sticker" placeholder="12/2026" inputMode="text" />
      {last ? <Text bold>{`Good until ${dayName(last)} ${last.slice(0, 4)}`}</Text> : null}
      <Button tall look="act" label="Save" disabled={!formState.isValid || !last} onPress={() => void keep()} />
    </>
  );
}

type Good = { until: string } | { done: string; weeks: number };
const daySchema = z.object({ day: dayText });

function Paper({ kind, unit, onGood }: { kind: PaperKind; unit: UnitPage; onGood: (good: Good | null) => void }) {
  const { yearBuilt } = unit.features;
  const allowed = weeksAllowed(kind, yearBuilt ? new Date().getFullYear() - yearBuilt : null);
  const [weeks, setWeeks] = useState(allowed?.least ?? 0);
  const { control, handleSubmit, formState } = useZodForm(daySchema, { day: '' });
  const keep = handleSubmit(({ day }) => onGood(allowed ? { done: day, weeks } : { until: day }));
  return (
    <>
      <Text>{kind.says}</Text>
      <Field
        control={control}
        name="day"
        label={allowed ? 'Date done' : 'Its last day'}
        placeholder="2026-12-31"
        inputMode="text"
      />
      {allowed ? (
        <Stepper
          label="Repeat every (weeks)"
          value={weeks}
          least={allowed.least}
          most={allowed.most}
          onChange={setWeeks}
        />
      ) : null}
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void keep()} />
      {unit.papers.some(({ paper }) => paper === kind.name) ? (
        <Button label="Remove this document" onPress={() => onGood(null)} />
      ) : null}
    </>
  );
}

/** Papers with their last day; the inspection sticker is taken by the month on it. */
export function Papers({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const may = useMaySend('record-sticker');
  const [asking, setAsking] = useState<'sticker' | 'other' | PaperKind | null>(null);
  const keepSticker = (month: string, means: StickerMeans) => {
    setAsking(null);
    const label = `${unit.number}: inspection sticker ${month}`;
    void send('record-sticker', { paper: uuidv7(), unit: unit.id, month, means }, label);
  };
  const keep = ({ name }: PaperKind, good: Good | null) => {
    setAsking(null);
    void send('record-paper', { paper: uuidv7(), unit: unit.id, name, good }, `${unit.number}: ${name}`);
  };
  return (
    <Card title="Papers">
      {unit.papers.length === 0 ? <Text tone="soft">None on file.</Text> : null}
      {unit.papers.map(({ paper, on }) => (
        <Text key={paper}>{`${paper}: good until ${dayName(on)} ${on.slice(0, 4)}`}</Text>
      ))}
      {may ? (
        <>
          <Button label="Read the inspection sticker" onPress={() => setAsking('sticker')} />
          <Button label="Another document…" onPress={() => setAsking('other')} />
        </>
      ) : null}
      {asking === 'sticker' ? (
        <Drawer title="Inspection sticker" onClose={() => setAsking(null)}>
          <Sticker onMonth={keepSticker} />
        </Drawer>
      ) : null}
      {asking === 'other' ? (
        <Drawer title="Which document?" onClose={() => setAsking(null)}>
          {papersUnder(bookIdOf(unit.features, fleet)).map((kind) => (
            <Button key={kind.name} label={kind.name} onPress={() => setAsking(kind)} />
          ))}
        </Drawer>
      ) : null}
      {asking && typeof asking === 'object' ? (
        <Drawer title={asking.name} onClose={() => setAsking(null)}>
          <Paper kind={asking} unit={unit} onGood={(good) => keep(asking, good)} />
        </Drawer>
      ) : null}
    </Card>
  );
}
