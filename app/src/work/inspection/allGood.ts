import { type Draft, entryOf, isDone, type Note, otherEndGood, type Step, subjectWords } from '@zealous-axle/core';
import { isMoved } from './chocks';
import { padOf } from './kinds';

/** A step of a walk with what is noted where it is looked at and found in order. */
export interface Good {
  step: Step;
  note: Note;
  /** What good looks like, so that the one tap says something. */
  looks: string;
}

const samePlace = (one: Step, other: Step): boolean =>
  one.section === other.section && one.axle === other.axle && one.side === other.side;

/** What is done one by one is answered one by one, and so is what the unit is moved for. */
const isOneByOne = ({ route }: Draft, step: Step): boolean =>
  isMoved(step) || route?.sections.find(({ id }) => id === step.section)?.oneByOne === true;

function goodAt(draft: Draft, step: Step): Good | null {
  if (isOneByOne(draft, step)) return null;
  const entry = entryOf(draft, step);
  if (isDone(entry) || Object.keys(entry.note).length > 0 || Object.keys(entry.texts).length > 0) return null;
  const good = padOf(step.kind).looksGood?.({ draft, step, entry });
  return good ? { step, note: good.note, looks: good.words } : null;
}

/** What is looked at, by what good looks like: several lamps share it. */
export function namesByLooks(good: readonly Good[]): { looks: string; names: string }[] {
  const by = new Map<string, string[]>();
  for (const { step, looks } of good) by.set(looks, [...(by.get(looks) ?? []), subjectWords(step)]);
  return [...by].map(([looks, names]) => ({ looks, names: names.join(' · ') }));
}

/** Good steps in a row from where one stands, all at this place. */
function inARow(draft: Draft, goodOf: (step: Step) => Good | null): Good[] {
  const first = draft.steps[draft.cursor];
  const good: Good[] = [];
  for (const step of first ? draft.steps.slice(draft.cursor) : []) {
    const each = first && samePlace(step, first) ? goodOf(step) : null;
    if (!each) break;
    good.push(each);
  }
  return good.length > 1 ? good : [];
}

/** What is still open at the place one stands at on a walk by eye, as far as it can be answered by looking. */
export const goodTogether = (draft: Draft): Good[] =>
  draft.purpose === 'walk' ? inARow(draft, (step) => goodAt(draft, step)) : [];

/** On an inspection that measures: checks by eye in a row that looked good at the other end. Never a measurement. */
export const sameAsOtherEnd = (draft: Draft): Good[] =>
  draft.purpose === 'walk'
    ? []
    : inARow(draft, (step) => {
        const good = step.kind === 'check' && otherEndGood(draft, step) ? goodAt(draft, step) : null;
        return good && { ...good, note: { found: [], how: 'as-other-end' } };
      });
