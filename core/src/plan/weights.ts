import weights from './weights.json';
import type { Objective, Priority } from './wire';

/** What a minute of each term weighs in a plan's sum. `weights.json`, practice. */
export const SUM_WEIGHTS: Readonly<Objective> = weights.sum;
/** What a late minute weighs by priority. */
export const PRIORITY_WEIGHTS: Readonly<Record<Priority, number>> = weights.priority;
/** What moving a promised slot weighs in the sum, on re-planning. */
export const MOVED_WEIGHT = weights.movedSlot;

/** A plan's one figure: the smaller, the better. */
export const sumOf = (terms: Objective): number =>
  SUM_WEIGHTS.heldMinutes * terms.heldMinutes +
  SUM_WEIGHTS.weightedLateness * terms.weightedLateness +
  SUM_WEIGHTS.setupMinutes * terms.setupMinutes +
  SUM_WEIGHTS.makespanMinutes * terms.makespanMinutes;
