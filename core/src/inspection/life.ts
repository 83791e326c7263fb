import { z } from 'zod';
import { BENCH, EVERYBODY, type Role, SHOP } from '../life';

export const PURPOSES = ['full', 're-measure', 'walk', 'import'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Who may inspect for what: everybody walks round, the bench measures. */
export const PURPOSE_ROLES: Record<Purpose, readonly Role[]> = {
  full: BENCH,
  're-measure': BENCH,
  walk: EVERYBODY,
  import: SHOP,
};

/** Seconds spent in each section of a route; named, because a shop's own routes have sections of their own. */
export const sectionTimeSchema = z.strictObject({
  id: z.string().max(40),
  name: z.string().max(80).optional(),
  seconds: z.int().min(0).max(86_400),
});
export type SectionTime = z.infer<typeof sectionTimeSchema>;
