import { z } from 'zod';

/** How much a sign presses by the shop's own rule: repaired before the next use, or held from the report on. */
export const OWN_PRESSES = ['before-use', 'hold'] as const;

/** A fleet's own stricter rule for a sign, with its reason and author. What the book says of it stays. */
export const ownSignSchema = z.strictObject({
  code: z.string(),
  presses: z.enum(OWN_PRESSES),
  reason: z.string(),
  by: z.string(),
  at: z.string(),
});
export type OwnSign = z.infer<typeof ownSignSchema>;

export const ownSignOf = (signs: readonly OwnSign[] | undefined, code: string): OwnSign | null =>
  signs?.find((each) => each.code === code) ?? null;
