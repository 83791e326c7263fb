import { z } from 'zod';
import { wordsText } from '../measure';
import { COUNTED } from './money';

/** Why somebody's clock on a job stops. */
export const CLOCK_REASONS = ['pause', 'waits for a part', 'end of shift', 'another job', 'done'] as const;
export type ClockReason = (typeof CLOCK_REASONS)[number];
/** A clock that ran longer than this was left on: whoever it is of says how long it was. Hours, a shift and a half. */
export const LEFT_ON_HOURS = 12;

/** A part as the parts room has it. */
export const partFormSchema = z.strictObject({
  name: wordsText(60),
  stock: z.int().min(0).max(100_000),
  /** In hundredths of the fleet's money. */
  price: COUNTED,
  leadDays: z.int().min(0).max(365),
});
export type PartForm = z.infer<typeof partFormSchema>;
const partViewSchema = partFormSchema.extend({ id: z.string() });
export const partsSchema = z.strictObject({ parts: z.array(partViewSchema) });
export type Parts = z.infer<typeof partsSchema>;

export interface PartNeed {
  part: string;
  count: number;
}

/** Of the parts a job needs, those not taken whole yet, with how many are missing. */
export function partsMissing(needs: readonly PartNeed[], taken: readonly PartNeed[], without: readonly string[] = []) {
  return needs.flatMap(({ part, count }) => {
    const had = taken.filter((each) => each.part === part).reduce((sum, each) => sum + each.count, 0);
    return had >= count || without.includes(part) ? [] : [{ part, missing: count - had }];
  });
}
