import { z } from 'zod';
import { VERDICTS } from '../limits';
import { parseLength } from '../measure';
import { ADJUSTERS, MEASURED_KINDS } from '../trailer';
import { HUB_CONDITIONS, HUB_LEAKS, HUB_LEVELS } from '../wire';
import entries from './patterns.json';

const condition = z.strictObject({
  kind: z.enum([...MEASURED_KINDS, 'stroke-free']),
  /** The verdict its reading was given. */
  verdict: z.enum(VERDICTS).optional(),
  /** The id of a limit it is past. */
  past: z.string().optional(),
  level: z.array(z.enum(HUB_LEVELS)).optional(),
  condition: z.array(z.enum(HUB_CONDITIONS)).optional(),
  leak: z.array(z.enum(HUB_LEAKS)).optional(),
});

const differing = z.enum(['stroke-applied', 'tread']);
const length = z.string().refine((text) => parseLength(text, 'none').ok, 'a length with its unit');
const words = { id: z.string(), suggests: z.string(), next: z.string() };

export const patternSchema = z.discriminatedUnion('at', [
  z.strictObject({
    ...words,
    at: z.literal('end'),
    adjuster: z.enum(ADJUSTERS).optional(),
    when: z.array(condition).min(1),
  }),
  z.strictObject({
    ...words,
    at: z.enum(['axle', 'dual']),
    /** Two readings of this kind, at the ends of an axle or the tyres of a dual, that are so far apart. */
    differ: z.union([
      z.strictObject({ kind: differing, atLeast: length }),
      z.strictObject({ kind: differing, moreThan: length }),
    ]),
  }),
]);
export type Pattern = z.infer<typeof patternSchema>;
export type EndPattern = Extract<Pattern, { at: 'end' }>;
export type DifferPattern = Exclude<Pattern, { at: 'end' }>;
export type Condition = z.infer<typeof condition>;

/** What several readings together suggest, as data. Workshop practice; a suggestion never is a verdict. */
export const PATTERNS = entries as readonly Pattern[];
