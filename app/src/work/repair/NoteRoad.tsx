import { ROAD_ANSWERS, type RoadAnswer, type RoadCall, roadPhotoKey, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { type Picture, sendPictures } from '../../device/photos';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Pictures } from '../../parts/Pictures';
import { Stepper } from '../../parts/Stepper';
import { useZodForm } from '../../session/forms';

const WORDS: Record<RoadAnswer, string> = {
  accepted: 'Agreed, on its way',
  arrived: 'It is there',
  done: 'Done',
  refused: 'They are not coming',
  cancelled: 'No longer needed',
};
const STATES = ROAD_ANSWERS.map((value) => ({ value, label: WORDS[value] }));
const QUARTER = 15;
const MINUTE_MS = 60_000;

const form = z.object({
  words: z.string().trim().max(300),
  done: z.string().trim().max(300),
  parts: z.string().trim().max(300),
  invoice: z.string().regex(/^(\d{1,6}([.,]\d{2})?)?$/, 'enter an amount like 185.00'),
});

/** What somebody knows of a call for help: agreed on the phone, arrived, or done, with its invoice and a photo of it. */
export function NoteRoad({ call, unit, onClose }: { call: RoadCall; unit: UnitPage; onClose: () => void }) {
  const [state, setState] = useState<RoadAnswer | null>(null);
  const [quarters, setQuarters] = useState(4);
  const [photos, setPhotos] = useState<Picture[]>([]);
  const { control, watch, handleSubmit, formState } = useZodForm(form, { words: '', done: '', parts: '', invoice: '' });
  const whole = state !== null && formState.isValid && (state !== 'done' || watch('done') !== '');
  const save = handleSubmit(async ({ words, done, parts, invoice }) => {
    if (!state) return;
    const cents = Math.round(Number(invoice.replace(',', '.') || 0) * 100);
    const minutes = quarters * QUARTER;
    const eta = state === 'accepted' ? { eta: new Date(Date.now() + minutes * MINUTE_MS).toISOString() } : {};
    const report = state === 'done' ? { report: { done, parts, minutes, invoice: cents } } : {};
    onClose();
    const label = `${unit.number}: road service, ${WORDS[state].toLowerCase()}`;
    await send(
      'note-road',
      { call: call.id, unit: unit.id, answer: uuidv7(), told: { state, words, ...eta, ...report } },
      label,
    );
    const of = { unit: unit.id, defect: call.defect, key: roadPhotoKey(call.id) };
    await sendPictures(photos, of, `${unit.number}: photo of the road service`);
  });
  return (
    <Drawer title="What was agreed or done" onClose={onClose}>
      <Choice stacked label="Status" options={STATES} value={state} onChange={setState} />
      {state === 'accepted' || state === 'done' ? (
        <Stepper
          label={state === 'accepted' ? `Arrives in ${quarters * QUARTER} min` : `Worked ${quarters * QUARTER} min`}
          value={quarters}
          least={0}
          most={96}
          onChange={setQuarters}
        />
      ) : null}
      {state === 'done' ? (
        <>
          <Field control={control} name="done" label="What was done" multiline maxLength={300} />
          <Field control={control} name="parts" label="Parts" maxLength={300} />
          <Field control={control} name="invoice" label="Invoice" placeholder="185.00" inputMode="decimal" />
        </>
      ) : null}
      {state ? (
        <>
          <Field control={control} name="words" label="Who, and what was agreed (optional)" maxLength={300} />
          <Pictures photos={photos} onPhoto={(picture) => setPhotos((now) => [...now, picture])} />
        </>
      ) : null}
      <Button tall look="act" label="Save" disabled={!whole} onPress={() => void save()} />
    </Drawer>
  );
}
