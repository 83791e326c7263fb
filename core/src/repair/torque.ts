import { z } from 'zod';
import { wordsText } from '../measure';

/** Torque as written down: value with its unit, and the tool it was set with. */
export const torqueSchema = z.strictObject({
  value: z
    .string()
    .trim()
    .regex(/^\d{2,4}\s*(lb-ft|N·m|Nm)$/, 'write a torque like 475 lb-ft or 640 N·m'),
  tool: wordsText(80),
});

/** How a wheel is torqued: drawn up by hand in star first, then to its full value in star. */
export const TORQUE_STAGES = ['snug', 'full'] as const;
export type TorqueStage = (typeof TORQUE_STAGES)[number];

/** The order in which the nuts of a bolt circle are drawn up, each far from the one before: on eight 1, 5, 3, 7, 2, 6, 4, 8. */
export function starOrder(holes: number): number[] {
  const half = holes % 2 === 0 ? holes / 2 : holes;
  const first = Array.from({ length: half }, (_, n) => n + 1);
  const spread = [...first.filter((n) => n % 2 === 1), ...first.filter((n) => n % 2 === 0)];
  return holes % 2 === 0 ? spread.flatMap((n) => [n, n + half]) : spread;
}
