import { z } from 'zod';
import { defectViewSchema } from '../defects';
import { inspectionHeadSchema, photoSchema, standingSchema } from '../inspection';
import { VERDICTS } from '../limits';
import { jobViewSchema } from '../repair';
import { axleSchema, unitHeadSchema } from '../trailer';

const id = z.string();
const instant = z.string();

export const yardRowSchema = z.strictObject({
  ...unitHeadSchema.shape,
  held: z.boolean(),
  openDefects: z.int(),
  toAcknowledge: z.int(),
  lastMeasured: instant.nullable(),
  /** Verdict of the last closed inspection. */
  verdict: z.enum(VERDICTS).nullable(),
  due: z.strictObject({ paper: z.string(), on: z.string() }).nullable(),
});
export type YardRow = z.infer<typeof yardRowSchema>;
export const yardSchema = z.strictObject({ today: z.string(), units: z.array(yardRowSchema) });
export type Yard = z.infer<typeof yardSchema>;

export const unitPageSchema = z.strictObject({
  ...unitHeadSchema.shape,
  axles: z.array(axleSchema),
  holds: z.array(z.strictObject({ id, reason: z.string(), by: z.string(), at: instant })),
  papers: z.array(z.strictObject({ paper: z.string(), on: z.string() })),
  standing: z.array(standingSchema),
  defects: z.array(defectViewSchema),
  jobs: z.array(jobViewSchema),
  inspections: z.array(inspectionHeadSchema),
  photos: z.array(photoSchema),
});
export type UnitPage = z.infer<typeof unitPageSchema>;
