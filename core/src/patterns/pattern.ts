import { z } from 'zod';
import { VERDICTS } from '../limits';
import { parseLength } from '../measure';
import { ADJUSTERS, STEP_KINDS } from '../trailer';
import { HUB_CONDITIONS, HUB_HEATS, HUB_LEAKS, HUB_LEVELS, WEAR_MARKS } from '../wire';
import entries from './patterns.json';

const condition = z.strictObject({
  kind: z.enum(STEP_KINDS),
  /** The verdict its reading was given. */
  verdict: z.enum(VERDICTS).optional(),
  /** Limits of the book, by the start of their ids: it is past one of them. */
  past: z.string().optional(),
  level: z.array(z.enum(HUB_LEVELS)).optional(),
  condition: z.array(z.enum(HUB_CONDITIONS)).optional(),
  leak: z.array(z.enum(HUB_LEAKS)).optional(),
  heat: z.array(z.enum(HUB_HEATS)).optional(),
  /** Wear marks of a tyre. */
  wear: z.array(z.enum(WEAR_MARKS)).optional(),
  /** Defect codes a check by eye found. */
  found: z.array(z.string()).optional(),
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
