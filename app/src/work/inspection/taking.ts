import {
  changePhotoKey,
  type Draft,
  entryOf,
  type GaugeSource,
  keyOf,
  type Reading,
  type Renewal,
  readingText,
  type Step,
  type Tyre,
  toNextOpen,
  withEntry,
} from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { sendPictures } from '../../device/photos';
import { endCode } from '../../parts/RunningGear';
import { type EndCorrection, padOf } from './kinds';
import { kindWords } from './words';

export type Update = (change: (draft: Draft) => Draft) => void;

interface TakenReading {
  reading: string;
  value: Reading;
  supersedes?: string;
  gauge?: GaugeSource;
}

/** A part that is another than before, and where. */
export interface Renewed extends Renewal {
  tyre: Tyre | null;
}

/** Where what is taken, skipped or found lacking goes. */
export interface Keeper {
  take: (draft: Draft, at: Step, taken: TakenReading) => void;
  skip: (draft: Draft, at: Step, reason: string) => void;
  lacks: (draft: Draft, at: Step) => void;
  /** A part at a step was found to have been renewed. */
  renewed?: (draft: Draft, renewed: Renewed) => void;
  /** What is fitted at ends of axles is put right; left out where nothing of the unit may be changed. */
  correct?: (draft: Draft, correction: EndCorrection) => void;
}

/** A real inspection's: everything is kept on the device and sent in its turn. */
export const SENDS: Keeper = {
  take: ({ inspection, unit }, at, taken) =>
    void send('take-reading', { inspection, ...taken }, `${unit.number}: ${kindWords(at)} ${readingText(taken.value)}`),
  skip: ({ inspection, unit }, { section: _, ...step }, reason) =>
    void send(
      'skip-reading',
      { skip: uuidv7(), inspection, step, reason },
      `${unit.number}: ${kindWords(step)} skipped`,
    ),
  lacks: ({ unit }, at) =>
    void send(
      'set-fitted',
      { unit: unit.id, key: keyOf(at), fitted: false },
      `${unit.number}: no ${kindWords(at).toLowerCase()}`,
    ),
  renewed: ({ unit }, renewed) =>
    void send(
      'note-renewed',
      { life: uuidv7(), unit: unit.id, ...renewed },
      `${unit.number}: ${renewed.part} found renewed at ${endCode(renewed)}`,
    ),
  correct: ({ unit }, { pictures, ...correction }) => {
    const change = uuidv7();
    const label = `${unit.number}: repaired at ${correction.ends.map(endCode).join(', ')}`;
    void send('correct-ends', { change, unit: unit.id, ...correction }, label).then(() =>
      sendPictures(pictures, { unit: unit.id, key: changePhotoKey(change) }, `${label}, photo`),
    );
  },
};

/** What is the same at many steps and no measurement goes along to the next. */
const carriedOn = (draft: Draft, step: Step): Draft['carried'] => ({
  ...draft.carried,
  ...padOf(step.kind).carry?.({ draft, step, entry: entryOf(draft, step) }),
});

/** Takes a reading, or corrects the one before it. `again` stays at this step, so that the next one corrects it. */
export function takeReading(keeper: Keeper, update: Update, now: Draft, at: Step, value: Reading, again = false): void {
  const entry = entryOf(now, at);
  const before = entry.saved;
  const goOn = (next: Draft) => (again ? next : toNextOpen({ ...next, carried: carriedOn(next, at) }));
  if (before && JSON.stringify(before.value) === JSON.stringify(value)) {
    update(goOn);
    return;
  }
  const reading = uuidv7();
  const gauge = entry.gauge;
  keeper.take(now, at, {
    reading,
    value,
    ...(before ? { supersedes: before.reading } : {}),
    ...(gauge ? { gauge } : {}),
  });
  update((next) =>
    goOn(
      withEntry(next, at, {
        saved: { reading, value, ...(gauge ? { gauge } : {}) },
        skipped: null,
        field: null,
        ...(again ? { texts: {}, gauge: undefined } : {}),
      }),
    ),
  );
}
