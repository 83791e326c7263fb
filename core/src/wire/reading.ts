import { z } from 'zod';
import { catalogueEntry, checkEntry } from '../defects';
import { must, type Nanometres, parseLength } from '../measure';
import { AIR_TESTS, SIDES, type Step, stepKey, TYRES } from '../trailer';
import { lengthText, pressureText, temperatureText, treadText } from './quantity';

const axle = z.int().min(1).max(12);
const end = { axle, side: z.enum(SIDES) };
const tyre = { ...end, tyre: z.enum(TYRES) };
const stud = z.int().min(1).max(12);
const studs = z.array(stud).max(12).optional();
const seconds = z.int().min(1).max(3_600);

export const HUB_LEVELS = ['above-full', 'full', 'between', 'at-add', 'below-add', 'empty', 'unreadable'] as const;
export const HUB_CONDITIONS = ['clear', 'dark', 'milky', 'metal'] as const;
export const HUB_LEAKS = ['none', 'seep', 'outside', 'onto-lining'] as const;
export const HUB_HEATS = ['cool', 'warm', 'hot'] as const;
export const WEAR_MARKS = ['both-shoulders', 'centre', 'one-shoulder', 'cupped', 'feathered', 'flat-spots'] as const;
export const STROKE_METHODS = ['face-mark', 'pin-distance'] as const;
export const VEHICLES = ['single', 'combination', 'two-trailers'] as const;

/** One measurement at one place of a unit, as typed. The shapes of formats, less the unit it belongs to. */
export const readingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('stroke-applied'),
    ...end,
    value: lengthText,
    /** Reservoir pressure at the full application; left out when it was not noted. */
    reservoir: pressureText.optional(),
    method: z.enum(STROKE_METHODS).optional(),
    /** Face to pin, released and applied: the value is their difference. */
    distances: z.tuple([lengthText, lengthText]).optional(),
    /** Full applications made before it was measured again. */
    presses: z.int().min(0).max(50).optional(),
  }),
  z.strictObject({
    kind: z.literal('stroke-free'),
    ...end,
    value: lengthText,
    method: z.enum(['bar', 'hand']).optional(),
  }),
  z.strictObject({ kind: z.literal('lining'), ...end, points: z.array(lengthText).min(1).max(16) }),
  /** Inside diameter of a drum; `marked` is the discard diameter cast on it. */
  z.strictObject({ kind: z.literal('drum'), ...end, value: lengthText, marked: lengthText.optional() }),
  /** Thickness of a rotor; `marked` is the discard thickness cast on it. */
  z.strictObject({ kind: z.literal('rotor'), ...end, value: lengthText, marked: lengthText.optional() }),
  z.strictObject({
    kind: z.literal('tread'),
    ...tyre,
    /** One row for each place round the tyre, each the major grooves from the inner to the outer shoulder. */
    grooves: z.array(z.array(treadText).min(1).max(12)).min(1).max(24),
    wear: z.array(z.enum(WEAR_MARKS)).max(WEAR_MARKS.length).optional(),
  }),
  z.strictObject({
    kind: z.literal('pressure'),
    ...tyre,
    value: pressureText,
    target: pressureText.optional(),
    sidewallMax: pressureText.optional(),
    hot: z.boolean().optional(),
    /** The tyre is rated above 4,000 lb; left out when that is not known. */
    heavy: z.boolean().optional(),
    /** Temperature of the tyre's air when it was read, and the one its target is meant for. */
    temperature: temperatureText.optional(),
    coldTemperature: temperatureText.optional(),
  }),
  z.strictObject({
    kind: z.literal('dual'),
    ...end,
    touching: z.boolean().optional(),
    /** Outer diameters, inner tyre first. */
    diameters: z.tuple([lengthText, lengthText]).optional(),
    /** The size class of the tyres: 8.25 and smaller, or 9.00 and larger. */
    size: z.enum(['small', 'large']).optional(),
  }),
  z.strictObject({
    kind: z.literal('wheel-nuts'),
    ...end,
    /** Stud holes of the wheel; positions count clockwise from the top, from 1. */
    holes: z.int().min(4).max(12),
    loose: studs,
    missing: studs,
    rust: studs,
  }),
  z.strictObject({
    kind: z.literal('hub-oil'),
    ...end,
    level: z.enum(HUB_LEVELS).optional(),
    condition: z.enum(HUB_CONDITIONS).optional(),
    leak: z.enum(HUB_LEAKS).optional(),
    cap: z.enum(['in-place', 'missing']).optional(),
    smoking: z.boolean().optional(),
    heat: z.enum(HUB_HEATS).optional(),
  }),
  z.strictObject({ kind: z.literal('end-play'), ...end, value: lengthText }),
  z.strictObject({
    kind: z.literal('king-pin'),
    /** At the wear band, in two directions. */
    pin: z.tuple([lengthText, lengthText]),
    collar: z.tuple([lengthText, lengthText]).optional(),
  }),
  z.strictObject({ kind: z.literal('slider-pins'), pins: z.int().min(1).max(12), seated: z.int().min(0).max(12) }),
  z.strictObject({ kind: z.literal('mud-flap'), side: z.enum(SIDES), value: lengthText }),
  z.strictObject({
    kind: z.literal('air-test'),
    test: z.enum(AIR_TESTS),
    /** Leak-down: the pressure at the start and at the end of the time. */
    start: pressureText.optional(),
    end: pressureText.optional(),
    seconds: seconds.optional(),
    /** The pressure at which the warning came, or the spring brakes set. */
    value: pressureText.optional(),
    cutIn: pressureText.optional(),
    cutOut: pressureText.optional(),
    vehicles: z.enum(VEHICLES).optional(),
  }),
  z.strictObject({
    kind: z.literal('check'),
    check: z.string().refine((id) => checkEntry(id) !== null, 'not a check of the catalogue'),
    axle: axle.optional(),
    side: z.enum(SIDES).optional(),
    /** Codes of the defects found; empty when it looked good. */
    found: z
      .array(z.string().refine((code) => catalogueEntry(code) !== null, 'not a code of the defect catalogue'))
      .max(8),
    /** Looked at here, or said to look the same as at the other end, or as last time. Never for a measurement. */
    how: z.enum(['seen', 'as-other-end', 'as-last-time']).optional(),
    words: z.string().trim().max(300).optional(),
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

/** Rounding two distances may move their difference by this much, in nanometres. */
const ROUNDED: Nanometres = 20_000;

/** What a reading says against itself, or null: such a reading is refused, since no verdict could rest on it. */
export function contradiction(reading: Reading): { path: string; message: string } | null {
  if (reading.kind === 'slider-pins' && reading.seated > reading.pins)
    return { path: 'seated', message: `Of ${reading.pins} pins ${reading.seated} cannot be seated` };
  if (reading.kind === 'wheel-nuts') {
    const path = (['loose', 'missing', 'rust'] as const).find((each) =>
      reading[each]?.some((position) => position > reading.holes),
    );
    if (path) return { path, message: `A wheel with ${reading.holes} holes has no such position` };
    const both = reading.loose?.find((position) => reading.missing?.includes(position));
    return both ? { path: 'loose', message: `The fastener at ${both} cannot be loose and missing` } : null;
  }
  if (reading.kind !== 'stroke-applied' || !reading.distances) return null;
  const [released, applied, value] = [...reading.distances, reading.value].map((text) =>
    must(parseLength(text, 'none')),
  );
  const apart = (applied ?? 0) - (released ?? 0) - (value ?? 0);
  return Math.abs(apart) <= ROUNDED
    ? null
    : { path: 'value', message: `${reading.distances.join(' to ')} is not a stroke of ${reading.value}` };
}

/** Where a reading was taken; what it does not say is null. */
export const readingPlace = (reading: Reading): Pick<Step, 'axle' | 'side' | 'tyre'> => ({
  axle: 'axle' in reading ? (reading.axle ?? null) : null,
  side: 'side' in reading ? (reading.side ?? null) : null,
  tyre: 'tyre' in reading ? (reading.tyre ?? null) : null,
});

/** The check, air test or code a reading is about, where its kind has several at one place. */
export function readingItem(reading: Reading): string | undefined {
  if (reading.kind === 'check') return reading.check;
  if (reading.kind === 'air-test') return reading.test;
  return reading.kind === 'defect' ? reading.code : undefined;
}

/** The name of the place and kind a reading was taken at, as {@link stepKey} names it. */
export const readingKey = (reading: Reading): string =>
  stepKey({ kind: reading.kind, item: readingItem(reading), ...readingPlace(reading) });

const smallest = (texts: readonly string[]): Nanometres =>
  Math.min(...texts.map((text) => must(parseLength(text, '32nds'))));

/** The length that is judged of a reading, its smallest point: null where it is no length. */
export function judgedLength(reading: Reading): Nanometres | null {
  switch (reading.kind) {
    case 'stroke-applied':
    case 'stroke-free':
    case 'drum':
    case 'rotor':
    case 'end-play':
    case 'mud-flap':
      return smallest([reading.value]);
    case 'lining':
      return smallest(reading.points);
    case 'king-pin':
      return smallest(reading.pin);
    case 'tread':
      return smallest(reading.grooves.flat());
    default:
      return null;
  }
}
