import { z } from 'zod';
import { featuresSchema, placeSchema, unitHeadSchema } from '../trailer';
import { DEFECT_STATES } from './life';

export const defectViewSchema = z.strictObject({
  id: z.string(),
  unit: unitHeadSchema.extend({ features: featuresSchema }),
  code: z.string(),
  ...placeSchema.shape,
  words: z.string(),
  state: z.enum(DEFECT_STATES),
  holds: z.boolean(),
  origin: z.enum(['driver', 'inspection']),
  reportedBy: z.string(),
  reportedAt: z.string(),
  job: z.string().nullable(),
  certified: z.strictObject({ by: z.string(), at: z.string(), statement: z.string() }).nullable(),
  version: z.int(),
});
export type DefectView = z.infer<typeof defectViewSchema>;

/** A page of defects; `next` asks for the page after it, null where it is the last. */
export const defectsPageSchema = z.strictObject({ defects: z.array(defectViewSchema), next: z.string().nullable() });
export type DefectsPage = z.infer<typeof defectsPageSchema>;
