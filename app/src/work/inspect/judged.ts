import {
  BOOKS,
  judgeReading,
  type Limit,
  limitFor,
  type Opinion,
  type Reading,
  type Step,
  type Verdict,
  wheelEnd,
} from '@zealous-axle/core';
import { type Composed, composed, type Draft } from '../../data/draft';

export interface StepJudgement {
  entered: Composed;
  /** What the book says of what is entered now; null while nothing is. */
  opinion: Opinion | null;
  /** The length limit that decides here; null for a hub, and where the book has none. */
  limit: Limit | null;
  oilHub: boolean;
}

/** What stands at a step: the reading as typed so far, judged as it is typed. */
export function judgeStep(draft: Draft, step: Step): StepJudgement {
  const book = BOOKS[draft.book];
  const end = wheelEnd(draft.unit, step.axle, step.side);
  const entered = composed(draft, step);
  const opinion = end && entered.ok ? judgeReading(book, end, { ...entered.value, unit: draft.unit.id }) : null;
  const limit = end && step.kind !== 'hub-oil' ? limitFor(book, step.kind, end) : null;
  return { entered, opinion, limit, oilHub: end ? book.hubOil.levelAppliesTo.includes(end.hub) : false };
}

/** The verdict of a reading that was taken. */
export function verdictOf(draft: Draft, value: Reading): Verdict {
  const end = value.axle && value.side ? wheelEnd(draft.unit, value.axle, value.side) : null;
  return end ? judgeReading(BOOKS[draft.book], end, { ...value, unit: draft.unit.id }).verdict : 'not-judged';
}
