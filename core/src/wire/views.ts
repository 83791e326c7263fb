import { z } from 'zod';
import { DEFECT_STATES } from '../defects';
import { ROLES } from '../life';
import { BOOK_IDS, fleetLimitSchema, VERDICTS } from '../limits';
import { JOB_STATES } from '../repair/job-life';
import { routeSchema, SIDES, STEP_KINDS, TYRES, UNIT_KINDS } from '../trailer';
import { displayUnitsSchema, PURPOSES, placeSchema, sectionTimeSchema, stepSchema, torqueSchema } from './commands';
import { gaugeSourceSchema } from './gauge';
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
  person: z.strictObject({
    id,
    name: z.string(),
    role: z.enum(ROLES),
    /** Null reads in the fleet's units. */
    units: displayUnitsSchema.nullable(),
  }),
  fleet: z.strictObject({
    id,
    name: z.string(),
    zone: z.string(),
    book: z.enum(BOOK_IDS),
    schools: z.record(z.string(), z.string()),
    units: displayUnitsSchema,
    version: z.int(),
    /** The fleet's own stricter limits. */
    limits: z.array(fleetLimitSchema),
    /** Routes the fleet made its own, with the version each is at. */
    routes: z.array(z.strictObject({ version: z.int(), definition: routeSchema })),
  }),
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
  axle: z.int().nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
  kind: z.enum(STEP_KINDS),
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
  purpose: z.enum(PURPOSES),
  route: z.string().nullable(),
  job: id.nullable(),
  by: z.string(),
  startedAt: instant,
  closedAt: instant.nullable(),
  outcome: z.enum(['complete', 'incomplete']).nullable(),
  because: z.string().nullable(),
  verdict: verdict.nullable(),
});
export type InspectionHead = z.infer<typeof inspectionHeadSchema>;

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

export const unitPageSchema = z.strictObject({
  ...unitHead,
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

export const judgementSchema = z.strictObject({
  book: z.strictObject({ id: z.string(), edition: z.string() }),
  verdict,
  complete: z.boolean(),
  brakes: brakeCountSchema,
  findings: z.array(findingSchema),
});
export type Judgement = z.infer<typeof judgementSchema>;

export const earlierReadingSchema = z.strictObject({ value: readingSchema, at: instant, inspection: id });
/** What a place read in an inspection before. */
export type EarlierReading = z.infer<typeof earlierReadingSchema>;

export const sheetSchema = z.strictObject({
  ...inspectionHeadSchema.shape,
  unit: z.strictObject({ ...unitHead, axles: z.array(axleSchema) }),
  readings: z.array(
    z.strictObject({
      id,
      value: readingSchema,
      by: z.string(),
      at: instant,
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

/** One line of a file that was not understood. Lines count from 1, the header's. */
export const badLineSchema = z.strictObject({ line: z.int(), message: z.string() });
export type BadLine = z.infer<typeof badLineSchema>;
export const importPreviewSchema = z.strictObject({
  lines: z.int(),
  good: z.int(),
  units: z.array(z.strictObject({ number: z.string(), readings: z.int() })),
  bad: z.array(badLineSchema),
});
export type ImportPreview = z.infer<typeof importPreviewSchema>;
