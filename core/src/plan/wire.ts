import { z } from 'zod';
import type { PlanWeights } from './weights-form';

/** Sizes a plan is refused beyond: what a shop has, many times over. */
const MOST = {
  jobs: 1_000,
  people: 200,
  bays: 100,
  intervals: 400,
  horizonDays: 60,
  timeLimitMs: 60_000,
  setups: 200,
  /** Jobs, people and hours together, as they multiply in the work a plan takes. */
  cost: 20_000_000,
} as const;

export const PRIORITIES = ['out-of-service', 'violation', 'shop-limit', 'planned'] as const;
export type Priority = (typeof PRIORITIES)[number];

const instant = z.iso.datetime({ offset: true });
const id = z.string().min(1).max(80);
const interval = z
  .tuple([instant, instant])
  .refine(([from, to]) => Date.parse(from) < Date.parse(to), 'it ends before it begins');
const intervals = z.array(interval).max(MOST.intervals);
const minutes = z.int().min(0).max(100_000);

const baySchema = z.strictObject({ id, kinds: z.array(id).max(30), open: intervals });
const technicianSchema = z.strictObject({ id, skills: z.array(id).max(60), shifts: intervals });
const pinSchema = z.strictObject({ bay: id, technicians: z.array(id).min(1).max(20), start: instant });

export const planJobSchema = z.strictObject({
  id,
  trailer: id,
  /** The axle whose set-up it shares; null or absent where it is of the whole trailer. */
  axle: z.int().min(0).max(99).nullish(),
  skill: id,
  /** How many people work on it together. Each has the skill. */
  technicians: z.int().min(1).max(20),
  bayKind: id,
  minutes: z.int().min(1).max(100_000),
  setup: id.nullish(),
  priority: z.enum(PRIORITIES),
  /** Not before: parts and trailer are there. */
  release: instant.nullish(),
  /** When it should be done. */
  due: instant.nullish(),
  after: z.array(id).max(100).nullish(),
  pinned: pinSchema.nullish(),
});
export type PlanJob = z.infer<typeof planJobSchema>;
type Worker = z.infer<typeof technicianSchema>;
type Place = z.infer<typeof baySchema>;

/** How much work a shop is to plan, about: each job is tried with whoever is asked for, over everybody's and every bay's hours. */
function costOf({ jobs, technicians, bays }: { jobs: PlanJob[]; technicians: Worker[]; bays: Place[] }): number {
  const hours = [...technicians.map(({ shifts }) => shifts), ...bays.map(({ open }) => open)];
  const spans = hours.reduce((sum, own) => sum + own.length, 0);
  return jobs.reduce((sum, job) => sum + job.technicians, 0) * spans;
}

/** What `POST /api/v1/plan` takes: jobs, who and where can do them, and for how long to search. */
const shopSchema = z.strictObject({
  now: instant,
  horizonDays: z.number().min(0).max(MOST.horizonDays),
  timeLimitMs: z.number().min(0).max(MOST.timeLimitMs),
  seed: z.int(),
  bays: z.array(baySchema).max(MOST.bays),
  technicians: z.array(technicianSchema).max(MOST.people),
  jobs: z.array(planJobSchema).max(MOST.jobs),
  /** Minutes by name, paid once per trailer, axle and visit; `shunt` once per visit. */
  setups: z.record(id, minutes).refine((all) => Object.keys(all).length <= MOST.setups, {
    message: `at most ${MOST.setups} set-ups have a name`,
  }),
});
/** The same, of what a shop has: what would keep everybody waiting is refused before anything of it is worked out. */
export const planRequestSchema = shopSchema.refine((shop) => costOf(shop) <= MOST.cost, {
  path: ['jobs'],
  message: 'this is more than is planned at once: fewer jobs, fewer people at one job, or hours in fewer pieces',
});
/** A request as the planner takes it: a shop's own weights go with it inside the program, never over the wire. */
export type PlanRequest = z.infer<typeof planRequestSchema> & { weights?: PlanWeights };

export const slotSchema = z.strictObject({
  job: z.string(),
  bay: z.string(),
  technicians: z.array(z.string()),
  start: z.string(),
  end: z.string(),
  /** Of the slot's minutes, those that set up: its share of wheels off and on, and moving the trailer in. */
  setupMinutes: z.number(),
});
export type Slot = z.infer<typeof slotSchema>;

/** The four terms of a plan, in minutes; lateness is weighted by priority. */
export const objectiveSchema = z.strictObject({
  heldMinutes: z.number(),
  weightedLateness: z.number(),
  setupMinutes: z.number(),
  makespanMinutes: z.number(),
});
export type Objective = z.infer<typeof objectiveSchema>;

export const planAnswerSchema = z.strictObject({
  slots: z.array(slotSchema),
  unplaced: z.array(z.strictObject({ job: z.string(), reason: z.string() })),
  objective: objectiveSchema,
  /** Proven: no plan of these jobs is below any of them. */
  bound: objectiveSchema,
  elapsedMs: z.number(),
});
export type PlanAnswer = z.infer<typeof planAnswerSchema>;

/** What a caller is answered: beside the plan, how good any plan could be. */
export const planReplySchema = planAnswerSchema.extend({
  /** Proven: no plan's weighted sum is below it. Where that of this plan is not above it, no plan is better. */
  boundSum: z.number(),
});
