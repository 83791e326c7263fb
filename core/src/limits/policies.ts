import { z } from 'zod';
import { type Day, lastDayAfter } from '../measure';
import shipped from './policies.json';

const option = z.strictObject({
  id: z.string(),
  name: z.string(),
  says: z.string(),
  /** Of a sticker: how many months it is good for after the one on it. */
  months: z.int().optional(),
  /** How many minutes it stands for. */
  minutes: z.int().min(0).optional(),
});
export const policySchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** What it decides, in a sentence or two. */
  says: z.string(),
  default: z.string(),
  options: z.array(option).min(2),
});
export type Policy = z.infer<typeof policySchema>;

/** Where good shops differ: each a setting with its ways explained. */
export const POLICIES = shipped as readonly Policy[];

/** What a fleet chose, by policy; what it does not name is the default. */
export type Policies = Readonly<Record<string, string>>;

const policyOf = (id: string): Policy | undefined => POLICIES.find((policy) => policy.id === id);

/** What a fleet's choice of a policy says; empty where there is no such policy. */
export const policySays = (policies: Policies, id: string): string =>
  policyOf(id)?.options.find((option) => option.id === policyChoice(policies, id))?.says ?? '';

export const policyChoice = (policies: Policies, id: string): string => policies[id] ?? policyOf(id)?.default ?? '';

/** The minutes a fleet's choice of a policy stands for. */
export const policyMinutes = (policies: Policies, id: string): number =>
  policyOf(id)?.options.find((option) => option.id === policyChoice(policies, id))?.minutes ?? 0;

export const policiesSchema = z.record(z.string(), z.string()).superRefine((chosen, context) => {
  for (const [id, option] of Object.entries(chosen)) {
    const policy = policyOf(id);
    if (!policy?.options.some((each) => each.id === option))
      context.addIssue({
        code: 'custom',
        path: [id],
        message: policy ? `“${policy.name}” has no such way` : 'No such policy',
      });
  }
});

/** Whether a limit belongs to a fleet's policies: one that names none belongs to all. */
export function ofPolicy(policy: string | undefined, chosen: Policies): boolean {
  if (!policy) return true;
  const [id = '', option] = policy.split(':');
  return policyChoice(chosen, id) === option;
}

/** What the month on a sticker may mean: both stand in one yard. */
export const STICKER_MEANS = ['inspection-month', 'expiry-month'] as const;
export type StickerMeans = (typeof STICKER_MEANS)[number];

const YEAR_FIRST = /^(\d{4})-(0[1-9]|1[0-2])$/;
const AS_PRINTED = /^(0?[1-9]|1[0-2])\s*\/\s*(\d{4})$/;

/** A month as stickers print it (`12/2026`) or by year first, as `2026-12`; null when it is none. */
export function stickerMonth(text: string): string | null {
  const plain = text.trim();
  if (YEAR_FIRST.test(plain)) return plain;
  const printed = AS_PRINTED.exec(plain);
  return printed ? `${printed[2]}-${printed[1]?.padStart(2, '0')}` : null;
}

/** The last day an inspection sticker is good, from the month on it, as a plain date. */
export function stickerLastDay(policies: Policies, month: string, means?: StickerMeans): Day | null {
  const read = stickerMonth(month);
  if (!read) return null;
  const chosen = means ?? policyChoice(policies, 'sticker');
  const way = policyOf('sticker')?.options.find(({ id }) => id === chosen);
  return lastDayAfter(read, way?.months ?? 0);
}
