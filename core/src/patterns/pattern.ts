import { z } from 'zod';
import { VERDICTS } from '../limits';
import { parseAmount, parseLength } from '../measure';
import { HUB_CONDITIONS, HUB_HEATS, HUB_LEAKS, HUB_LEVELS, STEP_KINDS, WEAR_MARKS } from '../reading';
import { ADJUSTERS } from '../trailer';
import entries from './patterns.json';

const condition = z.strictObject({
  kind: z.enum(STEP_KINDS),
  /** The verdict its reading was given. */
  verdict: z.enum(VERDICTS).optional(),
  /** Limits of the book, by the start of their ids: it is past one of them. */
  past: z.array(z.string()).optional(),
  level: z.array(z.enum(HUB_LEVELS)).optional(),
  condition: z.array(z.enum(HUB_CONDITIONS)).optional(),
  leak: z.array(z.enum(HUB_LEAKS)).optional(),
  heat: z.array(z.enum(HUB_HEATS)).optional(),
  /** Wear marks of a tyre. */
  wear: z.array(z.enum(WEAR_MARKS)).optional(),
  /** Defect codes a check by eye found. */
  found: z.array(z.string()).optional(),
  /** Or, instead of such a reading, one of these codes found by eye. */
  orFound: z.array(z.string()).optional(),
});

const length = z.string().refine((text) => parseLength(text, 'none').ok, 'a length with its unit');
const words = { id: z.string(), suggests: z.string(), next: z.string() };
/** Two places compared: the ends of an axle, or the tyres of a dual. */
const pair = { ...words, at: z.enum(['axle', 'dual']) };
const compared = z.enum(['stroke-applied', 'lining', 'tread']);
const beside = z.enum([...compared.options, 'wheel-temperature']);
/** How far apart: a length, or a difference of temperatures. */
const apart = z.string().refine((text) => parseAmount(text).ok, 'a figure with its unit');

export const patternSchema = z.union([
  z.strictObject({
    ...words,
    at: z.literal('end'),
    adjuster: z.enum(ADJUSTERS).optional(),
    when: z.array(condition).min(1),
    /** How many of them make the pattern; all of them where it is left out. */
    least: z.int().min(1).optional(),
    /** What speaks against it. */
    unless: z.array(condition).optional(),
  }),
  z.strictObject({
    ...words,
    at: z.literal('end'),
    /** A reading of this kind that has grown since the one before it by more than the book's doubt allows. */
    grown: z.strictObject({ kind: compared }),
  }),
  z.strictObject({
    ...pair,
    /** Two readings of this kind that are so far apart. */
    differ: z.union([
      z.strictObject({ kind: beside, atLeast: apart }),
      z.strictObject({ kind: beside, moreThan: apart }),
    ]),
  }),
  z.strictObject({
    ...pair,
    /** Since they were last read together, one of the two has lost so much more than the other. */
    wears: z.strictObject({ kind: compared, moreThan: length }),
  }),
]);
export type Pattern = z.infer<typeof patternSchema>;
export type EndPattern = Extract<Pattern, { when: unknown }>;
export type GrownPattern = Extract<Pattern, { grown: unknown }>;
export type DifferPattern = Extract<Pattern, { differ: unknown }>;
export type WearPattern = Extract<Pattern, { wears: unknown }>;
export type Condition = z.infer<typeof condition>;

/** What several readings together suggest, as data. Workshop practice; a suggestion never is a verdict. */
export const PATTERNS = entries as readonly Pattern[];

/** The kinds of reading a pattern compares with the ones before them. */
export const WEARING_KINDS: readonly string[] = PATTERNS.flatMap((pattern) =>
  'wears' in pattern ? pattern.wears.kind : 'grown' in pattern ? pattern.grown.kind : [],
);
