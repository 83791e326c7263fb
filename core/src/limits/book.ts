import { z } from 'zod';
import { parseLength, parsePressure } from '../measure';
import { BRAKE_KINDS, CHAMBER_STROKES, CHAMBER_TYPES, HUB_KINDS } from '../trailer';

/** Verdicts, worst first. `not-judged` never counts as a pass. */
export const VERDICTS = ['out-of-service', 'violation', 'shop-limit', 'within', 'not-judged'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** How sure a figure is: quoted law, trade or maker practice, or shipped to be confirmed locally. */
export const SURENESS = ['law', 'practice', 'check'] as const;

const lengthText = z.string().refine((text) => parseLength(text, 'none').ok, 'a length with its unit');
const pressureText = z.string().refine((text) => parsePressure(text).ok, 'a pressure with its unit');
const source = z.string().min(1);
const sure = z.enum(SURENESS);
/** A share as [numerator, denominator], so that 20 % is exact. */
const ratio = z.tuple([z.int().positive(), z.int().positive()]);

export const limitSchema = z.strictObject({
  id: z.string().min(1),
  reading: z.enum(['stroke-applied', 'stroke-free', 'lining', 'tread']),
  /** What passing this limit decides: the verdict, the share in the brake count, or the out-of-service criterion. */
  judges: z.enum(['verdict', 'share', 'out-of-service']),
  where: z.strictObject({
    brake: z.array(z.enum(BRAKE_KINDS)).optional(),
    steer: z.boolean().optional(),
    liningStyle: z.array(z.enum(['strip', 'pads', 'unknown'])).optional(),
    chamber: z
      .strictObject({ type: z.enum(CHAMBER_TYPES), size: z.string(), stroke: z.enum(CHAMBER_STROKES).optional() })
      .optional(),
  }),
  /** What a reading must be to keep the limit, in the source's own words: "not more than", "not less than", "more than". */
  is: z.enum(['at-most', 'at-least', 'more-than']),
  value: lengthText,
  share: z.literal(1).optional(),
  source,
  sure,
  note: z.string().optional(),
});
export type Limit = z.infer<typeof limitSchema>;

export const hubRuleSchema = z.strictObject({
  id: z.string().min(1),
  field: z.enum(['level', 'condition', 'leak', 'cap', 'smoking']),
  is: z.array(z.string()).min(1),
  verdict: z.enum(VERDICTS),
  says: z.string(),
  share: z.literal(1).optional(),
  source,
  sure,
});
export type HubRule = z.infer<typeof hubRuleSchema>;

/** A limit book: the figures a reading is held against, each with its source and how sure it is. */
export const bookSchema = z.strictObject({
  id: z.string(),
  edition: z.string(),
  name: z.string(),
  caution: z.string(),
  /** Reservoir pressures at which an applied stroke may be judged both ways. */
  reservoir: z.strictObject({ from: pressureText, to: pressureText, source }),
  brakeCount: z.strictObject({ fraction: ratio, halfBelow: lengthText, source, sure }),
  treadOutOfService: z.strictObject({ adjacentGrooves: z.int().positive(), places: z.int().positive() }),
  inflation: z.strictObject({
    hotAllowance: pressureText,
    lookInsideBelow: ratio,
    flatAtOrBelow: ratio,
    source,
    flatSource: source,
    sure,
    note: z.string(),
  }),
  chamberMatch: z.strictObject({ source, sure }),
  hubOil: z.strictObject({ levelAppliesTo: z.array(z.enum(HUB_KINDS)), rules: z.array(hubRuleSchema) }),
  /** Changes since the last reading that are asked about before they are believed. */
  doubts: z.array(
    z.strictObject({
      reading: z.enum(['stroke-applied', 'lining', 'tread']),
      grownOver: lengthText,
      shrunkOver: lengthText,
      sure,
    }),
  ),
  limits: z.array(limitSchema),
});
export type Book = z.infer<typeof bookSchema>;
