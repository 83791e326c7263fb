import { z } from 'zod';
import { clearanceText, lengthText, pressureText, weightText } from '../measure';
import {
  ADJUSTERS,
  BRAKE_KINDS,
  CHAMBER_STROKES,
  CHAMBER_TYPES,
  COUPLINGS,
  DOORS,
  DRIVES,
  FLUID_READ,
  HUB_KINDS,
  LINING_STYLES,
  MAKER_READINGS,
  SUSPENSIONS,
  TYRE_FITS,
  UNIT_KINDS,
} from './gear';

export const chamberSchema = z.strictObject({
  type: z.enum(CHAMBER_TYPES),
  size: z.string().min(1).max(8),
  stroke: z.enum(CHAMBER_STROKES).optional(),
});
const equipment = z.strictObject({
  brake: z.enum(BRAKE_KINDS),
  chamber: chamberSchema.nullish(),
  adjuster: z.enum(ADJUSTERS).optional(),
  tyres: z.enum(TYRE_FITS),
  hub: z.enum(HUB_KINDS),
  liningStyle: z.enum(LINING_STYLES).optional(),
  suspension: z.enum(SUSPENSIONS).optional(),
});
/** A limit marked on a part, or given by its maker. */
export const makerLimitSchema = z.strictObject({ value: lengthText, source: z.string().trim().min(1).max(120) });
const maker = { maker: z.partialRecord(z.enum(MAKER_READINGS), makerLimitSchema).optional() };
/** What is kept of an axle and not sent by outsiders. */
const kept = {
  slack: lengthText.optional(),
  tyreSize: z.string().trim().min(1).max(20).optional(),
  target: pressureText.optional(),
  sidewallMax: pressureText.optional(),
};
const end = equipment
  .extend({ ...maker, ...kept })
  .partial()
  .optional();

/** An axle as outsiders send it: one line of equipment for both ends. */
const wireAxleSchema = equipment.extend({ steer: z.boolean().optional() });
/** An axle as we keep it: also a lift axle, makers' limits, and what differs at one end. */
export const axleSchema = wireAxleSchema.extend({
  ...maker,
  ...kept,
  lift: z.boolean().optional(),
  ends: z.strictObject({ left: end, right: end }).optional(),
});

const MOST_TANKS = 12;
const THIS_CENTURY_AND_LAST = { from: 1950, to: 2100 };
export const featuresSchema = z.strictObject({
  book: z.string().max(20).optional(),
  coupling: z.enum(COUPLINGS).optional(),
  abs: z.boolean().optional(),
  autoInflation: z.boolean().optional(),
  doors: z.enum(DOORS).optional(),
  liftGate: z.boolean().optional(),
  refrigeration: z.boolean().optional(),
  yearBuilt: z.int().min(THIS_CENTURY_AND_LAST.from).max(THIS_CENTURY_AND_LAST.to).optional(),
  grossWeight: weightText.optional(),
  payload: weightText.optional(),
  height: clearanceText.optional(),
  width: clearanceText.optional(),
  extinguisher: z.string().trim().min(1).max(20).optional(),
  airTanks: z.int().min(1).max(MOST_TANKS).optional(),
  alternator: z.enum(DRIVES).optional(),
  waterPump: z.enum(DRIVES).optional(),
  compressor: z.enum(DRIVES).optional(),
  steeringPump: z.enum(DRIVES).optional(),
  transmission: z.enum(FLUID_READ).optional(),
  cutOut: pressureText.optional(),
});

export const unitIdSchema = z.string().min(1).max(60);
export const wireUnitSchema = z.strictObject({
  id: unitIdSchema,
  kind: z.enum(UNIT_KINDS),
  axles: z.array(wireAxleSchema).min(1).max(12),
});
export const unitSchema = wireUnitSchema.extend({ axles: z.array(axleSchema).min(1).max(12) });

/** What names a unit: its number is the one painted on it. */
export const unitHeadSchema = z.strictObject({
  id: z.string(),
  number: z.string(),
  body: z.string(),
  kind: z.enum(UNIT_KINDS),
});
