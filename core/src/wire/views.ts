import { z } from 'zod';
import { DEFECT_STATES } from '../defects';
import { ROLES } from '../life';
import { BOOK_IDS, VERDICTS } from '../limits';
import { JOB_STATES } from '../repair/job-life';
import { MEASURED_KINDS, SIDES, TYRES, UNIT_KINDS } from '../trailer';
import { placeSchema, torqueSchema } from './commands';
import { axleSchema } from './gear';
import { brakeCountSchema, findingSchema } from './judge';
import { readingSchema } from './reading';

const id = z.string();
const instant = z.string();
const verdict = z.enum(VERDICTS);

export const signInSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(200),
});

export const sessionSchema = z.strictObject({
  person: z.strictObject({ id, name: z.string(), role: z.enum(ROLES) }),
  fleet: z.strictObject({ id, name: z.string(), zone: z.string(), book: z.enum(BOOK_IDS) }),
});
export type Session = z.infer<typeof sessionSchema>;

const unitHead = {
  id,
  /** The number painted on the unit. */
  number: z.string(),
  body: z.string(),
  kind: z.enum(UNIT_KINDS),
};

export const yardRowSchema = z.strictObject({
  ...unitHead,
  held: z.boolean(),
  openDefects: z.int(),
  toAcknowledge: z.int(),
  lastMeasured: instant.nullable(),
  /** Verdict of the last closed inspection. */
  verdict: verdict.nullable(),
  due: z.strictObject({ paper: z.string(), on: z.string() }).nullable(),
});
export type YardRow = z.infer<typeof yardRowSchema>;
export const yardSchema = z.strictObject({ today: z.string(), units: z.array(yardRowSchema) });

export const standingSchema = z.strictObject({
  reading: id,
  inspection: id,
  key: z.string(),
  axle: z.int(),
  side: z.enum(SIDES),
  tyre: z.enum(TYRES).nullable(),
  kind: z.enum(MEASURED_KINDS),
  verdict,
  value: readingSchema,
  at: instant,
});
/** The reading that stands now at a place. */
export type Standing = z.infer<typeof standingSchema>;

export const defectViewSchema = z.strictObject({
  id,
  unit: z.strictObject(unitHead),
  code: z.string(),
  ...placeSchema.shape,
  words: z.string(),
  state: z.enum(DEFECT_STATES),
  holds: z.boolean(),
  origin: z.enum(['driver', 'inspection']),
  reportedBy: z.string(),
  reportedAt: instant,
  job: id.nullable(),
  certified: z.strictObject({ by: z.string(), at: instant, statement: z.string() }).nullable(),
  version: z.int(),
});
export type DefectView = z.infer<typeof defectViewSchema>;

export const jobViewSchema = z.strictObject({
  id,
  unit: z.strictObject({ ...unitHead, axles: z.array(axleSchema) }),
  title: z.string(),
  state: z.enum(JOB_STATES),
  minutes: z.int(),
  wheelsOff: z.boolean(),
  bay: z.strictObject({ id, name: z.string() }).nullable(),
  day: z.string().nullable(),
  done: z.string().nullable(),
  doneAt: instant.nullable(),
  torque: z.array(z.strictObject({ ...torqueSchema.shape, by: z.string(), at: instant })),
  certified: z.strictObject({ by: z.string(), at: instant, statement: z.string() }).nullable(),
  version: z.int(),
});
export type JobView = z.infer<typeof jobViewSchema>;

export const inspectionHeadSchema = z.strictObject({
  id,
  purpose: z.enum(['full', 're-measure']),
  job: id.nullable(),
  by: z.string(),
  startedAt: instant,
  closedAt: instant.nullable(),
  outcome: z.enum(['complete', 'incomplete']).nullable(),
  because: z.string().nullable(),
  verdict: verdict.nullable(),
});
export type InspectionHead = z.infer<typeof inspectionHeadSchema>;

export const unitPageSchema = z.strictObject({
  ...unitHead,
  axles: z.array(axleSchema),
  holds: z.array(z.strictObject({ id, reason: z.string(), by: z.string(), at: instant })),
  papers: z.array(z.strictObject({ paper: z.string(), on: z.string() })),
  standing: z.array(standingSchema),
  defects: z.array(defectViewSchema),
  jobs: z.array(jobViewSchema),
  inspections: z.array(inspectionHeadSchema),
});
export type UnitPage = z.infer<typeof unitPageSchema>;

export const judgementSchema = z.strictObject({
  book: z.strictObject({ id: z.string(), edition: z.string() }),
  verdict,
  complete: z.boolean(),
  brakes: brakeCountSchema,
  findings: z.array(findingSchema),
});
export type Judgement = z.infer<typeof judgementSchema>;

export const sheetSchema = z.strictObject({
  ...inspectionHeadSchema.shape,
  unit: z.strictObject({ ...unitHead, axles: z.array(axleSchema) }),
  readings: z.array(
    z.strictObject({
      id,
      value: readingSchema,
      by: z.string(),
      at: instant,
      supersedes: id.nullable(),
      supersededBy: id.nullable(),
    }),
  ),
  skips: z.array(z.strictObject({ key: z.string(), reason: z.string(), by: z.string(), at: instant })),
  judgement: judgementSchema.nullable(),
});
export type Sheet = z.infer<typeof sheetSchema>;

export const shopSchema = z.strictObject({
  today: z.string(),
  bays: z.array(z.strictObject({ id, name: z.string() })),
  defects: z.array(defectViewSchema),
  jobs: z.array(jobViewSchema),
});
export type Shop = z.infer<typeof shopSchema>;

export const jobPageSchema = z.strictObject({
  job: jobViewSchema,
  bays: z.array(z.strictObject({ id, name: z.string() })),
  today: z.string(),
  held: z.boolean(),
  defects: z.array(defectViewSchema),
  standing: z.array(standingSchema),
});
export type JobPage = z.infer<typeof jobPageSchema>;

/** RFC 9457. `current` carries the newer version when somebody else was first. */
export const problemSchema = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
