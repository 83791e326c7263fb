import shipped from './weights.json';
import type { PlanWeights } from './weights-form';
import type { Objective } from './wire';

/** The weights of a shop that set none, and of every request over the wire. `weights.json`, practice. */
export const PLAN_WEIGHTS: PlanWeights = {
  sum: shipped.sum,
  priority: shipped.priority,
  movedSlot: shipped.movedSlot,
};

/** The weights a request is planned by. */
export const weightsOf = ({ weights }: { weights?: PlanWeights }): PlanWeights => weights ?? PLAN_WEIGHTS;

/** A plan's one figure: the smaller, the better. */
export const sumOf = (terms: Objective, { sum }: PlanWeights = PLAN_WEIGHTS): number =>
  sum.heldMinutes * terms.heldMinutes +
  sum.weightedLateness * terms.weightedLateness +
  sum.setupMinutes * terms.setupMinutes +
  sum.makespanMinutes * terms.makespanMinutes;
