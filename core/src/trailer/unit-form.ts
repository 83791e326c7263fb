import { z } from 'zod';
import { wordsText } from '../measure';
import { type Axle, UNIT_KINDS, type UnitKind } from './gear';
import { axleSchema, featuresSchema } from './gear-schema';

/** A unit as it is set up: what is painted on it, what it is, where it stands, and what is fitted from front to rear. */
export const unitFormSchema = z.strictObject({
  number: wordsText(20),
  body: z.string().trim().max(60),
  kind: z.enum(UNIT_KINDS),
  site: z.string().trim().max(60),
  axles: z.array(axleSchema).min(1).max(12),
  features: featuresSchema,
});
export type UnitForm = z.infer<typeof unitFormSchema>;

const DRUM: Axle = { brake: 's-cam', chamber: null, adjuster: 'automatic', tyres: 'dual', hub: 'oil' };
const STEERED: Axle = { ...DRUM, tyres: 'single', steer: true };

/** The axles a kind of unit most often begins with. The chamber is left open: its limit follows from what is read on it. */
export const FIRST_AXLES: Record<UnitKind, readonly Axle[]> = {
  semitrailer: [DRUM, DRUM],
  'full-trailer': [DRUM, DRUM],
  dolly: [DRUM],
  tractor: [STEERED, DRUM, DRUM],
  truck: [STEERED, DRUM],
  bus: [STEERED, DRUM],
};
