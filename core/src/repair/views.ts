import { z } from 'zod';
import { defectViewSchema } from '../defects';
import { standingSchema } from '../inspection';
import { axleSchema, featuresSchema, unitHeadSchema } from '../trailer';
import { JOB_STATES } from './job-life';
import { torqueSchema } from './torque';

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
  done: z.string().nullable(),
  doneAt: instant.nullable(),
  /** When the server learnt that it is done, and from whom. */
  finished: z.strictObject({ at: instant, by: id }).nullable(),
  torque: z.array(torqueSchema.extend({ by: z.string(), at: instant })),
  certified: z.strictObject({ by: z.string(), at: instant, statement: z.string() }).nullable(),
  version: z.int(),
});
export type JobView = z.infer<typeof jobViewSchema>;

/** What the shop has before it, counted; the reports and jobs themselves come page by page. */
export const shopSchema = z.strictObject({
  today: z.string(),
  bays: z.array(z.strictObject({ id, name: z.string() })),
  totals: z.strictObject({ reported: z.int(), triaged: z.int(), jobs: z.int() }),
});
export type Shop = z.infer<typeof shopSchema>;

export const jobsPageSchema = z.strictObject({ jobs: z.array(jobViewSchema), next: z.string().nullable() });
export type JobsPage = z.infer<typeof jobsPageSchema>;

export const jobPageSchema = z.strictObject({
  job: jobViewSchema,
  bays: z.array(z.strictObject({ id, name: z.string() })),
  today: z.string(),
  held: z.boolean(),
  defects: z.array(defectViewSchema),
  standing: z.array(standingSchema),
});
export type JobPage = z.infer<typeof jobPageSchema>;
