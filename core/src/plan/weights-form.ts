import { z } from 'zod';

const weight = z.int().min(1).max(1_000_000);

/** What a shop wants of its plan: what a minute of each term weighs, a late minute by priority, and a promised slot moved. */
export const planWeightsSchema = z.strictObject({
  sum: z.strictObject({ heldMinutes: weight, weightedLateness: weight, setupMinutes: weight, makespanMinutes: weight }),
  priority: z.strictObject({ 'out-of-service': weight, violation: weight, 'shop-limit': weight, planned: weight }),
  movedSlot: z.int().min(0).max(100_000_000),
});
export type PlanWeights = z.infer<typeof planWeightsSchema>;
