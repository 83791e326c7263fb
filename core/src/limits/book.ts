import { z } from 'zod';
import { lengthText, parseAmount, parseDistance, pressureText } from '../measure';
import { BRAKE_KINDS, CHAMBER_STROKES, CHAMBER_TYPES, HUB_KINDS, SIDES } from '../trailer';
import type { KeptCheck } from './own-checks';
import type { OwnSign } from './own-signs';

/** Verdicts, worst first. `not-judged` never counts as a pass. */
export const VERDICTS = ['out-of-service', 'violation', 'shop-limit', 'within', 'not-judged'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** How sure a figure is: quoted law, trade or maker practice, or shipped to be confirmed locally. */
export const SURENESS = ['law', 'practice', 'check'] as const;

/** Everything a limit may be held against, and how it is called. */
export const LIMITED_WORDS = {
  'stroke-applied': 'Applied stroke',
  'stroke-free': 'Free stroke',
  'stroke-free-hand': 'Free stroke by hand',
  'slack-pull': 'Slack pull by hand',
  'scribe-marks': 'Scribe marks of a wedge brake',
  lining: 'Lining',
  drum: 'Drum diameter',
  rotor: 'Rotor thickness',
  tread: 'Tread',
  'dual-tread': 'Duals: tread difference',
  'dual-diameter': 'Duals: diameter difference',
  'dual-pressure': 'Duals: pressure difference',
  'end-play': 'Bearing end play',
  'wheel-temperature': 'Wheel-end temperature',
  'wheel-temperature-apart': 'Left against right: wheel-end temperature',
  'king-pin': 'Kingpin',
  collar: 'Kingpin collar',
  'mud-flap': 'Mud flap clearance',
  'guard-height': 'Rear impact guard height',
  'wheel-play': 'Steering wheel play',
  'leak-released': 'Leak-down, released',
  'leak-applied': 'Leak-down, applied',
  'suspension-leak': 'Air suspension leak',
  'low-air': 'Low-air warning',
  'spring-brake': 'Spring brakes apply',
  'cut-in': 'Governor cut-in',
  'cut-out': 'Governor cut-out',
  'build-up': 'Air build-up',
} as const;
export type Limited = keyof typeof LIMITED_WORDS;
export const LIMITED = Object.keys(LIMITED_WORDS) as [Limited, ...Limited[]];

const distanceText = z.string().refine((text) => parseDistance(text).ok, 'a distance with its unit');
export const amountText = z
  .string()
  .refine((text) => parseAmount(text).ok, 'a length, a pressure, a time or a temperature, with its unit');
const source = z.string().min(1);
const sure = z.enum(SURENESS);
/** A share as [numerator, denominator], so that 20 % is exact. */
const ratio = z.tuple([z.int().positive(), z.int().positive()]);

export const limitSchema = z.strictObject({
  id: z.string().min(1),
  reading: z.enum(LIMITED),
  /** What passing this limit decides: the verdict, the share in the brake count, or the out-of-service criterion. */
  judges: z.enum(['verdict', 'share', 'out-of-service']),
  where: z.strictObject({
    brake: z.array(z.enum(BRAKE_KINDS)).optional(),
    steer: z.boolean().optional(),
    liningStyle: z.array(z.enum(['strip', 'pads', 'unknown'])).optional(),
    chamber: z
      .strictObject({ type: z.enum(CHAMBER_TYPES), size: z.string(), stroke: z.enum(CHAMBER_STROKES).optional() })
      .optional(),
    vehicles: z.array(z.enum(['single', 'combination', 'two-trailers'])).optional(),
    size: z.enum(['small', 'large']).optional(),
    /** Steering wheels of this diameter: from this, and below that. */
    wheel: z.strictObject({ from: lengthText.optional(), below: lengthText.optional() }).optional(),
    power: z.boolean().optional(),
    /** Units built from this year on, or before that. */
    built: z.strictObject({ from: z.int().optional(), before: z.int().optional() }).optional(),
    /** Only in fleets of this policy: `mud-flap:8`. */
    policy: z.string().optional(),
  }),
  /** What a reading must be to keep the limit, in the source's own words. */
  is: z.enum(['at-most', 'at-least', 'more-than', 'less-than']),
  value: amountText,
  /** The verdict past it; `violation` unless said. */
  fails: z.enum(['violation', 'shop-limit']).optional(),
  /** The part it is meant for, by what it measures: outside of this it says nothing. */
  appliesTo: z.strictObject({ from: lengthText.optional(), to: lengthText.optional() }).optional(),
  /** Seconds over which a pressure may be lost. */
  perSeconds: z.int().positive().optional(),
  /** The pressures between which a time is taken. */
  between: z.tuple([pressureText, pressureText]).optional(),
  /** This part of the cut-out pressure instead, where that is less. */
  orOfCutOut: ratio.optional(),
  share: z.literal(1).optional(),
  /** Past it, by practice, it holds its unit until somebody answers, whatever the verdict. */
  holds: z.literal(true).optional(),
  /** Or to the mark of the part's maker, which then decides as this does. */
  orMakers: z.literal(true).optional(),
  source,
  sure,
  note: z.string().optional(),
  /** Whose limit it is; the book's own unless said. */
  from: z.enum(['fleet', 'maker']).optional(),
});
export type Limit = z.infer<typeof limitSchema>;

export const hubRuleSchema = z.strictObject({
  id: z.string().min(1),
  field: z.enum(['level', 'condition', 'leak', 'cap', 'smoking', 'heat']),
  is: z.array(z.string()).min(1),
  verdict: z.enum(VERDICTS),
  says: z.string(),
  share: z.literal(1).optional(),
  /** By practice it holds its unit until somebody answers, whatever the verdict. */
  holds: z.literal(true).optional(),
  source,
  sure,
});
export type HubRule = z.infer<typeof hubRuleSchema>;

/** So many fasteners loose or missing anywhere, or side by side, are out of service on a wheel with so many holes. */
const wheelRule = z.strictObject({
  holes: z.strictObject({ atMost: z.int().optional(), atLeast: z.int().optional() }),
  anywhere: z.int().positive(),
  adjacent: z.int().positive().optional(),
});

/** What a book says of a sign that is found by eye. */
export const severitySchema = z.strictObject({
  verdict: z.enum(VERDICTS),
  /** Whether it counts as one defective brake. */
  share: z.union([z.literal(0), z.literal(1)]),
  rule: z.string(),
  sure,
});
export type Severity = z.infer<typeof severitySchema>;

/** A limit book: the figures a reading is held against, each with its source and how sure it is. */
export const bookSchema = z.strictObject({
  id: z.string(),
  edition: z.string(),
  name: z.string(),
  caution: z.string(),
  /** How verdicts and sides are called where the book is used; the program's own words where it says nothing. */
  words: z.strictObject({
    verdicts: z.partialRecord(z.enum(VERDICTS), z.string()),
    sides: z.record(z.enum(SIDES), z.string()),
  }),
  /** Reservoir pressures at which an applied stroke may be judged both ways; null where the book does not ask. */
  reservoir: z
    .strictObject({
      from: pressureText,
      to: pressureText,
      source,
      /** Whose range each part of it is. */
      ranges: z.array(z.strictObject({ of: z.string(), from: pressureText, to: pressureText })).optional(),
    })
    .nullable(),
  /** The roadside brake count; null where there is none. */
  brakeCount: z.strictObject({ fraction: ratio, halfBelow: lengthText, source, sure }).nullable(),
  /** So many grooves side by side below the criterion, at so many spots round the tyre. */
  treadOutOfService: z.strictObject({ adjacentGrooves: z.int().positive(), spots: z.int().positive() }).nullable(),
  /** The tread limit holds in a continuous band of this part of the breadth, all round; null: at every point. */
  treadBand: z.strictObject({ breadth: ratio, source, sure }).nullable(),
  inflation: z.strictObject({
    hotAllowance: pressureText,
    lightHotAllowance: pressureText,
    /** A tyre counts as hot when it ran this far in the past hour: from, to. */
    hotAfterAnHourAt: z.tuple([distanceText, distanceText]),
    /** Tyres rated above this take the larger allowance. */
    heavyAbove: z.string(),
    lookInsideBelow: ratio,
    lookInsideSource: source,
    flatAtOrBelow: ratio,
    source,
    flatSource: source,
    sure,
    note: z.string(),
  }),
  chamberMatch: z.strictObject({ source, sure }),
  /** Why slack adjusters are of one length on an axle. */
  adjusterMatch: z.strictObject({ source, sure }),
  dualPair: z.strictObject({ source, sure }),
  wheels: z.strictObject({
    source,
    sure,
    outOfServiceSource: source,
    outOfService: z.array(wheelRule),
    rustSource: source,
  }),
  sliderPins: z.strictObject({ outOfServiceOver: ratio, source, sure }),
  hubOil: z.strictObject({ levelAppliesTo: z.array(z.enum(HUB_KINDS)), rules: z.array(hubRuleSchema) }),
  /** Readings that are asked about before they are believed: changed too much since last time. */
  doubts: z.array(
    z.strictObject({
      reading: z.enum(['stroke-applied', 'lining', 'tread']),
      grownOver: lengthText,
      shrunkOver: lengthText,
      /** The most that wears off in thirty days of hard use. */
      wearsInMonth: lengthText.optional(),
      sure,
    }),
  ),
  limits: z.array(limitSchema),
  /** What it says of each sign of the catalogue, by code. */
  severities: z.record(z.string(), severitySchema),
});
/** `policies`, `signs` and `checks` are the fleet's: they are no part of a shipped book. */
export type Book = z.infer<typeof bookSchema> & {
  policies?: Readonly<Record<string, string>>;
  signs?: readonly OwnSign[];
  checks?: readonly KeptCheck[];
};
