import { type Draft, entryOf, type Reading, readingText, type Step, toNextOpen, withEntry } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { padOf } from './kinds';
import { kindWords } from './words';

export type Update = (change: (draft: Draft) => Draft) => void;

/** What is the same at many steps and no measurement goes along to the next. */
const carriedOn = (draft: Draft, step: Step): Draft['carried'] => ({
  ...draft.carried,
  ...padOf(step.kind).carry?.({ draft, step, entry: entryOf(draft, step) }),
});

/** Takes a reading, or corrects the one before it. `again` stays at this step, so that the next one corrects it. */
export function takeReading(update: Update, now: Draft, at: Step, value: Reading, again = false): void {
  const entry = entryOf(now, at);
  const before = entry.saved;
  const goOn = (next: Draft) => (again ? next : toNextOpen({ ...next, carried: carriedOn(next, at) }));
  if (before && JSON.stringify(before.value) === JSON.stringify(value)) {
    update(goOn);
    return;
  }
  const reading = uuidv7();
  const gauge = entry.gauge;
  void send(
    'take-reading',
    {
      reading,
      inspection: now.inspection,
      value,
      ...(before ? { supersedes: before.reading } : {}),
      ...(gauge ? { gauge } : {}),
    },
    `${now.unit.number}: ${kindWords(at)} ${readingText(value)}`,
  );
  update((next) =>
    goOn(
      withEntry(next, at, {
        saved: { reading, value, ...(gauge ? { gauge } : {}) },
        skipped: null,
        ...(again ? { texts: {}, gauge: undefined } : {}),
      }),
    ),
  );
}
