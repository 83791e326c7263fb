import { z } from 'zod';
import { wordsText } from '../measure';
import clock from './clock.json';
import { COUNTED } from './money';

/** Why somebody's clock on a job stops. */
export const CLOCK_REASONS = ['pause', 'waits for a part', 'end of shift', 'another job', 'done'] as const;
export type ClockReason = (typeof CLOCK_REASONS)[number];
/** A clock that ran longer than this was left on: whoever it is of says how long it was. Hours; source: `clock.json`. */
export const LEFT_ON_HOURS = clock.leftOnHours;

/** What a part is called, costs and how long it takes to come. */
export const partFormSchema = z.strictObject({
  name: wordsText(60),
  /** In hundredths of the fleet's money. */
  price: COUNTED,
  leadDays: z.int().min(0).max(365),
});
/** How many of a part lie there, as somebody counted them. */
export const stockSchema = z.int().min(0).max(100_000);
const partViewSchema = partFormSchema.extend({
  id: z.string(),
  stock: stockSchema,
  version: z.int(),
  /** Goes up with whatever is taken, received or counted: a count is of the stock that whoever counted saw. */
  stockVersion: z.int(),
});
export const partsSchema = z.strictObject({ parts: z.array(partViewSchema) });
export type Parts = z.infer<typeof partsSchema>;

export interface PartNeed {
  part: string;
  count: number;
}

/** A part ordered for a job, and the day it is expected. The job is on hold until it is here. */
export const partOrderSchema = z.strictObject({
  id: z.string(),
  part: z.string(),
  name: z.string(),
  count: z.int(),
  due: z.string(),
  by: z.string(),
});
export type PartOrder = z.infer<typeof partOrderSchema>;

type NeedState = 'needed' | 'ordered' | 'taken' | 'left out';
/** Where a part that a job needs stands. `ordered` says whether an order for it is on its way. */
export function partNeedState(need: { needed: number; taken: number; without: boolean; ordered: boolean }): NeedState {
  if (need.without) return 'left out';
  if (need.taken >= need.needed) return 'taken';
  return need.ordered ? 'ordered' : 'needed';
}

/** Of the parts a job needs, those not taken whole yet, with how many are missing. */
export function partsMissing(needs: readonly PartNeed[], taken: readonly PartNeed[], without: readonly string[] = []) {
  return needs.flatMap(({ part, count }) => {
    const had = taken.filter((each) => each.part === part).reduce((sum, each) => sum + each.count, 0);
    return had >= count || without.includes(part) ? [] : [{ part, missing: count - had }];
  });
}
