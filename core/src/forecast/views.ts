import { z } from 'zod';
import { SIDES, TYRES, unitHeadSchema } from '../trailer';
import { WEARING } from './settings';

const at = { axle: z.int().nullable(), side: z.enum(SIDES).nullable(), tyre: z.enum(TYRES).nullable() };
const instant = z.string();
const day = z.string();

const reachSchema = z.strictObject({ on: day, earliest: day, latest: day.nullable(), metres: z.number().nullable() });
const limitReachedSchema = z.strictObject({
  whose: z.enum(['law', 'maker', 'fleet']),
  value: z.string(),
  nm: z.number(),
  source: z.string(),
  reach: reachSchema.nullable(),
});
const pointSchema = z.strictObject({
  at: instant,
  nm: z.number(),
  text: z.string(),
  by: z.string(),
  metres: z.number().nullable(),
  marked: z.string().nullable(),
});
const FORECAST_STATES = ['foreseen', 'not-enough', 'steady', 'past', 'no-limit'] as const;

/** Everything foreseen of one unit, with every reading it follows from and who took it. */
export const unitForecastSchema = z.strictObject({
  unit: unitHeadSchema,
  today: day,
  /** Metres a day, by its meter; null where it says nothing. */
  perDay: z.number().nullable(),
  positions: z.array(
    z.strictObject({
      key: z.string(),
      kind: z.enum(WEARING),
      ...at,
      state: z.enum(FORECAST_STATES),
      by: z.enum(['distance', 'days']),
      slope: z.strictObject({ slope: z.number(), steep: z.number(), gentle: z.number() }).nullable(),
      limits: z.array(limitReachedSchema),
      first: limitReachedSchema.nullable(),
      lives: z.array(
        z.strictObject({
          began: z.enum(['first-reading', 'fitted', 'seems-new']),
          since: instant,
          points: z.array(pointSchema),
        }),
      ),
    }),
  ),
  findings: z.array(
    z.strictObject({ finding: z.enum(['rising-stroke', 'loses-oil', 'uneven-lining']), ...at, words: z.string() }),
  ),
});
export type UnitForecastView = z.infer<typeof unitForecastSchema>;
export type PositionView = UnitForecastView['positions'][number];

export const forecastAskedSchema = z.strictObject({
  within: z.coerce.number().int().min(1).max(1_100).optional(),
  kind: z.enum(WEARING).optional(),
  site: z.string().trim().max(60).optional(),
  after: z.string().max(200).optional(),
});

/** What reaches its limit by when, over the fleet: the first before. */
export const forecastPageSchema = z.strictObject({
  today: day,
  /** Units in use, and how many of them are worked out. */
  units: z.int(),
  known: z.int(),
  total: z.int(),
  rows: z.array(
    z.strictObject({
      unit: unitHeadSchema.extend({ site: z.string() }),
      key: z.string(),
      kind: z.enum(WEARING),
      ...at,
      state: z.enum(['foreseen', 'past']),
      whose: z.enum(['law', 'maker', 'fleet']),
      value: z.string(),
      on: day.nullable(),
      earliest: day.nullable(),
      latest: day.nullable(),
    }),
  ),
  next: z.string().nullable(),
});
export type ForecastPage = z.infer<typeof forecastPageSchema>;
export type ForecastRow = ForecastPage['rows'][number];

/** What else could be done while a unit is in the shop, and what of its papers and wheels is due soon. */
export const whileThereSchema = z.strictObject({
  nextVisit: day,
  bundles: z.array(
    z.strictObject({
      key: z.string(),
      seen: instant,
      template: z.string(),
      name: z.string(),
      where: z.string(),
      on: day,
      minutes: z.int(),
      saves: z.int(),
      unused: z.number(),
      unusedCost: z.int(),
    }),
  ),
  due: z.array(z.strictObject({ what: z.string(), on: day })),
});
export type WhileThere = z.infer<typeof whileThereSchema>;

/** What the weeks ahead ask for, by what is foreseen: hours and parts, by the templates. */
export const weeksAheadSchema = z.strictObject({
  weeks: z.array(
    z.strictObject({
      from: day,
      positions: z.int(),
      minutes: z.int(),
      parts: z.array(z.strictObject({ part: z.string(), name: z.string(), count: z.int() })),
    }),
  ),
});
export type WeeksAhead = z.infer<typeof weeksAheadSchema>;
