import { z } from 'zod';
import { catalogueEntry } from '../defects';
import { must, type Nanometres, parseLength } from '../measure';
import { SIDES, stepKey, TYRES } from '../trailer';
import { lengthText, pressureText, treadText } from './quantity';

const end = { axle: z.int().min(1).max(12), side: z.enum(SIDES) };
const tyre = { ...end, tyre: z.enum(TYRES) };

export const HUB_LEVELS = ['above-full', 'full', 'between', 'at-add', 'below-add', 'empty', 'unreadable'] as const;
export const HUB_CONDITIONS = ['clear', 'dark', 'milky', 'metal'] as const;
export const HUB_LEAKS = ['none', 'seep', 'outside', 'onto-lining'] as const;

/** One measurement at one place of a unit, as typed. The shapes of formats, less the unit it belongs to. */
export const readingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('stroke-applied'),
    ...end,
    value: lengthText,
    /** Reservoir pressure at the full application; left out when it was not noted. */
    reservoir: pressureText.optional(),
  }),
  z.strictObject({ kind: z.literal('stroke-free'), ...end, value: lengthText }),
  z.strictObject({ kind: z.literal('lining'), ...end, points: z.array(lengthText).min(1).max(16) }),
  z.strictObject({
    kind: z.literal('tread'),
    ...tyre,
    /** One row for each place round the tyre, each the major grooves from the inner to the outer shoulder. */
    grooves: z.array(z.array(treadText).min(1).max(12)).min(1).max(24),
  }),
  z.strictObject({
    kind: z.literal('pressure'),
    ...tyre,
    value: pressureText,
    target: pressureText.optional(),
    sidewallMax: pressureText.optional(),
    hot: z.boolean().optional(),
  }),
  z.strictObject({
    kind: z.literal('hub-oil'),
    ...end,
    level: z.enum(HUB_LEVELS).optional(),
    condition: z.enum(HUB_CONDITIONS).optional(),
    leak: z.enum(HUB_LEAKS).optional(),
    cap: z.enum(['in-place', 'missing']).optional(),
    smoking: z.boolean().optional(),
  }),
  z.strictObject({
    kind: z.literal('defect'),
    axle: end.axle.optional(),
    side: end.side.optional(),
    tyre: z.enum(TYRES).optional(),
    code: z.string().refine((code) => catalogueEntry(code) !== null, 'not a code of the defect catalogue'),
  }),
]);
export type Reading = z.infer<typeof readingSchema>;
export type ReadingOf<K extends Reading['kind']> = Extract<Reading, { kind: K }>;
export type ReadingKind = Reading['kind'];

/** The name of the place and kind a reading was taken at, as {@link stepKey} names it; null without a place. */
export function readingKey(reading: Reading): string | null {
  const { kind, axle, side } = reading;
  const tyre = 'tyre' in reading ? (reading.tyre ?? null) : null;
  return axle !== undefined && side !== undefined ? stepKey({ kind, axle, side, tyre }) : null;
}

const smallest = (texts: readonly string[]): Nanometres =>
  Math.min(...texts.map((text) => must(parseLength(text, '32nds'))));

/** The length that is judged of a reading, its smallest point: null where it is no length. */
export function judgedLength(reading: Reading): Nanometres | null {
  switch (reading.kind) {
    case 'stroke-applied':
    case 'stroke-free':
      return smallest([reading.value]);
    case 'lining':
      return smallest(reading.points);
    case 'tread':
      return smallest(reading.grooves.flat());
    default:
      return null;
  }
}
