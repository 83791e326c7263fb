import { z } from 'zod';
import shipped from './weights.json';
import type { Objective } from './wire';

const weight = z.int().min(1).max(1_000_000);

/** What a shop wants of its plan: what a minute of each term weighs, a late minute by priority, and a promised slot moved. */
export const planWeightsSchema = z.strictObject({
  sum: z.strictObject({ heldMinutes: weight, weightedLateness: weight, setupMinutes: weight, makespanMinutes: weight }),
  priority: z.strictObject({ 'out-of-service': weight, violation: weight, 'shop-limit': weight, planned: weight }),
  movedSlot: z.int().min(0).max(100_000_000),
});
export type PlanWeights = z.infer<typeof planWeightsSchema>;

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
