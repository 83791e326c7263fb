import {
  bookOf,
  type Draft,
  entryOf,
  judgeReading,
  limitFor,
  otherSideFor,
  type Reading,
  readingPlace,
  type Step,
  type Verdict,
  type WheelEnd,
  wheelEnd,
} from '@zealous-axle/core';
import { composed, composedSoFar } from './compose';
import { padOf, type StepJudgement } from './kinds';

const endOf = (draft: Draft, { axle, side }: { axle: number | null; side: Step['side'] }): WheelEnd | null =>
  axle !== null && side !== null ? wheelEnd(draft.unit, axle, side) : null;

/** The limits a step is held against, by what is chosen at it: one, or one on either side. */
function limitsAt(draft: Draft, step: Step, end: WheelEnd | null): Pick<StepJudgement, 'limit' | 'otherSide'> {
  const by = padOf(step.kind).limited?.({ draft, step, entry: entryOf(draft, step) });
  if (!by) return { limit: null, otherSide: null };
  const asking = { ...end, ...by.asking };
  const book = bookOf(draft);
  return { limit: limitFor(book, by.reading, asking), otherSide: otherSideFor(book, by.reading, asking) };
}

/** What stands at a step: the reading as entered so far, judged as it is entered. */
export function judgeStep(draft: Draft, step: Step): StepJudgement {
  const end = endOf(draft, step);
  const entered = composed(draft, step);
  const value = entered.ok ? entered.value : composedSoFar(draft, step);
  const judged = value && judgeReading(bookOf(draft), end, value);
  // Of what is not entered whole only what is past a limit already is said.
  const opinion = judged && (entered.ok || judged.verdict !== 'not-judged') ? judged : null;
  return { entered, opinion, ...limitsAt(draft, step, end), end };
}

const verdicts = new WeakMap<Reading, Pick<Draft, 'rules' | 'unit'> & { verdict: Verdict }>();

/** The verdict of a reading that was taken. Each is judged once, until the unit is put right: the plan and the list ask at every keystroke. */
export function verdictOf(draft: Draft, value: Reading): Verdict {
  const known = verdicts.get(value);
  if (known?.rules === draft.rules && known.unit === draft.unit) return known.verdict;
  const { verdict } = judgeReading(bookOf(draft), endOf(draft, readingPlace(value)), value);
  verdicts.set(value, { rules: draft.rules, unit: draft.unit, verdict });
  return verdict;
}
