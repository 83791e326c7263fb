import { z } from 'zod';
import { dayText, wordsText } from '../measure';
import { awaySchema, shiftSchema } from './hours';

/** What a bay is fit for. */
export const BAY_KINDS = ['lift', 'long', 'floor', 'wash', 'yard'] as const;
export type BayKind = (typeof BAY_KINDS)[number];

/** Whether work that wants a kind of bay, or any (null), can be done in one: a bay that says no kind takes all. */
export const isBayFor = (kinds: readonly BayKind[], wanted: BayKind | null): boolean =>
  wanted === null || kinds.length === 0 || kinds.includes(wanted);

/** What a bay is fit for, when it is open, and when it is out of use. */
export const bayWorkSchema = z.strictObject({
  /** None said: it takes whatever comes. */
  kinds: z.array(z.enum(BAY_KINDS)).max(BAY_KINDS.length),
  /** None said: as long as somebody is there. */
  hours: z.array(shiftSchema).max(14),
  closed: z.array(awaySchema).max(60),
});
export type BayWork = z.infer<typeof bayWorkSchema>;
export const NO_BAY_WORK: BayWork = { kinds: [], hours: [], closed: [] };

/** Days on which the shop does not work. */
export const holidaysSchema = z
  .array(z.strictObject({ day: dayText, name: wordsText(60) }))
  .max(200)
  .refine((days) => new Set(days.map(({ day }) => day)).size === days.length, 'a day stands here twice');
export type Holidays = z.infer<typeof holidaysSchema>;

export const bayViewSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  rank: z.int(),
  ...bayWorkSchema.shape,
});
export type BayView = z.infer<typeof bayViewSchema>;
