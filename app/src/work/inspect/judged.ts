import {
  type Asking,
  isLeakTest,
  judgeReading,
  type Limit,
  type Limited,
  limitFor,
  type Opinion,
  type Reading,
  readingPlace,
  type Step,
  type Verdict,
  type WheelEnd,
  wheelEnd,
} from '@zealous-axle/core';
import { type Composed, composed } from '../../data/compose';
import { bookOf, type Draft, entryOf } from '../../data/draft';

export interface StepJudgement {
  entered: Composed;
  /** What the book says of what is entered now; null while nothing is. */
  opinion: Opinion | null;
  /** The strictest limit that decides here; null where there is no single figure. */
  limit: Limit | null;
  end: WheelEnd | null;
}

const endOf = (draft: Draft, { axle, side }: { axle: number | null; side: Step['side'] }): WheelEnd | null =>
  axle !== null && side !== null ? wheelEnd(draft.unit, axle, side) : null;

/** The limit a step is held against, by what is chosen at it. */
function limitAt(draft: Draft, step: Step, end: WheelEnd | null): Limit | null {
  const { note } = entryOf(draft, step);
  const ask = (reading: Limited, asking: Asking = end ?? {}) => limitFor(bookOf(draft), reading, asking);
  switch (step.kind) {
    case 'stroke-free':
      return ask(note.method === 'hand' ? 'stroke-free-hand' : 'stroke-free');
    case 'air-test': {
      const test = step.item as Limited;
      if (step.item === 'governor') return null;
      const vehicles = note.vehicles ?? draft.carried.vehicles ?? 'single';
      return isLeakTest(test as never) ? ask(test, { vehicles }) : ask(test, {});
    }
    case 'dual':
      return note.size ? ask('dual-diameter', { ...end, size: note.size }) : null;
    case 'stroke-applied':
    case 'lining':
    case 'tread':
    case 'drum':
    case 'rotor':
    case 'end-play':
    case 'king-pin':
    case 'mud-flap':
      return ask(step.kind);
    default:
      return null;
  }
}

/** What stands at a step: the reading as entered so far, judged as it is entered. */
export function judgeStep(draft: Draft, step: Step): StepJudgement {
  const end = endOf(draft, step);
  const entered = composed(draft, step);
  const opinion = entered.ok ? judgeReading(bookOf(draft), end, entered.value) : null;
  return { entered, opinion, limit: limitAt(draft, step, end), end };
}

const verdicts = new WeakMap<Reading, { rules: Draft['rules']; verdict: Verdict }>();

/** The verdict of a reading that was taken. Each is judged once: the plan and the list ask at every keystroke. */
export function verdictOf(draft: Draft, value: Reading): Verdict {
  const known = verdicts.get(value);
  if (known?.rules === draft.rules) return known.verdict;
  const { verdict } = judgeReading(bookOf(draft), endOf(draft, readingPlace(value)), value);
  verdicts.set(value, { rules: draft.rules, verdict });
  return verdict;
}
