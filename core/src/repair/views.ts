import { z } from 'zod';
import { defectViewSchema } from '../defects';
import { standingSchema } from '../inspection';
import { OUTSIDE_WAYS } from '../outside';
import { axleSchema, endSchema, featuresSchema, partLifeSchema, unitChangeSchema, unitHeadSchema } from '../trailer';
import { JOB_STATES } from './job-life';
import { partOrderSchema } from './parts';
import { ROAD_STATES } from './road';
import { templateSchema, workSchema } from './templates';
import { TORQUE_STAGES, torqueSchema } from './torque';

const id = z.string();
const instant = z.string();

export const jobViewSchema = z.strictObject({
  id,
  unit: unitHeadSchema.extend({ axles: z.array(axleSchema), features: featuresSchema }),
  title: z.string(),
  state: z.enum(JOB_STATES),
  minutes: z.int(),
  wheelsOff: z.boolean(),
  bay: z.strictObject({ id, name: z.string() }).nullable(),
  day: z.string().nullable(),
  /** Parts ordered for it and not here yet, the last to come last: until then it is on hold. */
  waits: z.array(partOrderSchema),
  done: z.string().nullable(),
  doneAt: instant.nullable(),
  /** When the server learnt that it is done, and from whom. */
  finished: z.strictObject({ at: instant, by: id }).nullable(),
  torque: z.array(
    torqueSchema.extend({
      by: z.string(),
      at: instant,
      /** The wheel, and how far; null for a check of all of them at once. */
      wheel: endSchema.extend({ holes: z.int(), stage: z.enum(TORQUE_STAGES) }).nullable(),
      calibrated: z.string().nullable(),
    }),
  ),
  certified: z
    .strictObject({
      by: z.string(),
      at: instant,
      statement: z.string(),
      /** What its signer held a paper for. */
      qualification: z.string().nullable(),
      unneeded: z.array(z.strictObject({ defect: id, reason: z.string() })),
    })
    .nullable(),
  version: z.int(),
});
export type JobView = z.infer<typeof jobViewSchema>;

/** What the shop has before it, counted; the reports and jobs themselves come page by page. */
export const shopSchema = z.strictObject({
  today: z.string(),
  bays: z.array(z.strictObject({ id, name: z.string() })),
  totals: z.strictObject({ reported: z.int(), triaged: z.int(), jobs: z.int() }),
  /** Calls for help that are not over, those nobody answered first. */
  help: z.array(
    z.strictObject({
      id,
      unit: unitHeadSchema,
      place: z.string(),
      asked: z.strictObject({ by: z.string(), at: instant }),
      state: z.enum(ROAD_STATES),
      way: z.enum(OUTSIDE_WAYS),
    }),
  ),
});
export type Shop = z.infer<typeof shopSchema>;

/** How much of a bay's day is taken, in minutes: by jobs on it beside the asked one, of what it is open. */
export const bayDaySchema = z.strictObject({ booked: z.int(), open: z.int() });
export type BayDay = z.infer<typeof bayDaySchema>;

export const jobsPageSchema = z.strictObject({ jobs: z.array(jobViewSchema), next: z.string().nullable() });
export type JobsPage = z.infer<typeof jobsPageSchema>;

const jobRecordSchema = z.strictObject({
  job: jobViewSchema,
  bays: z.array(z.strictObject({ id, name: z.string() })),
  today: z.string(),
  held: z.boolean(),
  defects: z.array(defectViewSchema),
  standing: z.array(standingSchema),
  /** Facts of the unit that were changed since the first of its defects was reported. */
  unitChanges: z.array(unitChangeSchema),
  work: workSchema,
  ticks: z.array(z.strictObject({ step: z.string(), done: z.boolean(), by: z.string(), at: instant })),
  times: z.array(
    z.strictObject({
      id,
      person: z.strictObject({ id, name: z.string() }),
      from: instant,
      to: instant.nullable(),
      because: z.string().nullable(),
    }),
  ),
  parts: z.array(
    z.strictObject({
      part: z.string(),
      name: z.string(),
      needed: z.int(),
      taken: z.int(),
      stock: z.int(),
      /** Null: the parts room does not know it, nor when it would come. */
      leadDays: z.int().nullable(),
      /** Where what was taken came from, where not out of the parts room. */
      elsewhere: z.array(z.string()),
      /** Why it was not needed after all. */
      without: z.string().nullable(),
    }),
  ),
  /** What was fitted new in this job. */
  fitted: z.array(partLifeSchema),
  /** What came with it from outside: an invoice. */
  documents: z.array(z.strictObject({ title: z.string(), text: z.string(), at: instant })),
  retorque: z.strictObject({ on: z.string(), done: instant.nullable() }).nullable(),
  /** The entry of the fleet’s chain that covers its certificate: its number and its sum; null where it has none. */
  sealed: z.strictObject({ nr: z.int(), hash: z.string() }).nullable(),
  /** The certificate's code: its signature by the key of its signer's device; null where it was signed by the session alone. */
  code: z.string().nullable(),
});
/** A job with all that was written of it. */
export type JobRecord = z.infer<typeof jobRecordSchema>;

export const jobPageSchema = jobRecordSchema.extend({
  /** Why whoever asks cannot sign it, in a sentence; null where nothing is missing. */
  cannotSign: z.string().nullable(),
});
export type JobPage = z.infer<typeof jobPageSchema>;

/** The fleet's templates: its own in place of those that ship. `version` 0 is one that ships. */
export const templatesSchema = z.strictObject({
  templates: z.array(
    z.strictObject({
      version: z.int(),
      definition: templateSchema,
      /** What jobs of this work alone took by the clock, against their standard minutes: the median. */
      clocked: z.strictObject({ ratio: z.number(), jobs: z.int() }).nullable(),
    }),
  ),
});
export type Templates = z.infer<typeof templatesSchema>;

/** Wheels that are to be torqued again, or were. */
export const retorqueSchema = z.strictObject({
  id,
  wheels: z.array(endSchema),
  value: z.string(),
  due: z.string(),
  /** What the meter reads when it is due, whichever is first. Null: the meter had not been read. */
  dueMeter: z.string().nullable(),
});
export type Retorque = z.infer<typeof retorqueSchema>;

export const lapsedSchema = z.strictObject({ lapsed: z.array(retorqueSchema.extend({ unit: unitHeadSchema })) });
export type Lapsed = z.infer<typeof lapsedSchema>;

/** What a search over a fleet's repairs finds: a page of defects and of jobs, the newest first. */
export const foundRepairsSchema = z.strictObject({
  defects: z.array(defectViewSchema),
  jobs: z.array(jobViewSchema),
  more: z.boolean(),
});
export type FoundRepairs = z.infer<typeof foundRepairsSchema>;
