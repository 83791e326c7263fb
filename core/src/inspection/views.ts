import { z } from 'zod';
import { judgementSchema } from '../judge';
import { VERDICTS } from '../limits';
import { earlierReadingSchema } from '../patterns';
import { readingSchema, STEP_KINDS, stepSchema } from '../reading';
import { axleSchema, placeSchema, unitChangeSchema, unitHeadSchema } from '../trailer';
import { gaugeSourceSchema } from './gauge';
import { PURPOSES, sectionTimeSchema } from './life';

const id = z.string();
const instant = z.string();
const verdict = z.enum(VERDICTS);

export const standingSchema = z.strictObject({
  reading: id,
  inspection: id,
  key: z.string(),
  ...placeSchema.shape,
  kind: z.enum(STEP_KINDS),
  verdict,
  value: readingSchema,
  at: instant,
  /** Who took it, and when the server learnt of it. */
  by: id,
  recordedAt: instant,
  /** Which of two readings is the later is not known: the worse stands, and somebody should look again. */
  doubtful: z.boolean(),
});
/** The reading that stands now at a place. */
export type Standing = z.infer<typeof standingSchema>;

export const inspectionHeadSchema = z.strictObject({
  id,
  purpose: z.enum(PURPOSES),
  route: z.string().nullable(),
  job: id.nullable(),
  by: z.string(),
  startedAt: instant,
  closedAt: instant.nullable(),
  outcome: z.enum(['complete', 'incomplete']).nullable(),
  because: z.string().nullable(),
  verdict: verdict.nullable(),
  /** Why it was dropped, where it had read something; what was read stands. */
  dropped: z.string().nullable(),
});
export type InspectionHead = z.infer<typeof inspectionHeadSchema>;

/** An inspection that is not closed: who is at it, and how much was saved. */
export const openInspectionSchema = z.strictObject({
  id,
  purpose: z.enum(PURPOSES),
  route: z.string().nullable(),
  by: z.string(),
  person: id,
  startedAt: instant,
  read: z.int(),
});
export type OpenInspection = z.infer<typeof openInspectionSchema>;

export const photoSchema = z.strictObject({
  id,
  inspection: id.nullable(),
  defect: id.nullable(),
  key: z.string().nullable(),
  width: z.int(),
  height: z.int(),
  by: z.string(),
  at: instant,
});
export type Photo = z.infer<typeof photoSchema>;

export const sheetSchema = z.strictObject({
  ...inspectionHeadSchema.shape,
  unit: unitHeadSchema.extend({ axles: z.array(axleSchema) }),
  readings: z.array(
    z.strictObject({
      id,
      value: readingSchema,
      by: z.string(),
      at: instant,
      /** What the device's clock said, where it was off by minutes. */
      said: instant.nullable(),
      gauge: gaugeSourceSchema.nullable(),
      supersedes: id.nullable(),
      supersededBy: id.nullable(),
    }),
  ),
  /** What its places read last before it began, where that says how they wear. */
  before: z.array(earlierReadingSchema),
  skips: z.array(z.strictObject({ key: z.string(), reason: z.string(), by: z.string(), at: instant })),
  steps: z.array(stepSchema).nullable(),
  sections: z.array(sectionTimeSchema).nullable(),
  photos: z.array(photoSchema),
  /** Facts of the unit that were changed since it began: what was judged by may be another than before. */
  unitChanges: z.array(unitChangeSchema),
  judgement: judgementSchema.nullable(),
});
/** One inspection, whole: readings with what replaced them, and the judgement that stands. */
export type Sheet = z.infer<typeof sheetSchema>;
