import { z } from 'zod';
import { leavesSchema, OUTSIDE_WAYS } from '../outside';
import { bayViewSchema } from '../people';
import { RUN_STATES } from './run-life';
import { planWeightsSchema } from './weights-form';
import { objectiveSchema, planRequestSchema, slotSchema } from './wire';

const id = z.string();
const instant = z.string();

/** A slot of the plan that people work by. */
export const keptSlotSchema = slotSchema.extend({
  /** Set where it stands by hand: a search leaves it there. */
  pinned: z.boolean(),
});
export type KeptSlot = z.infer<typeof keptSlotSchema>;

/** A search for a plan: what it was asked, how far it is, and what it found. */
export const planRunSchema = z.strictObject({
  id,
  /** `anew` plans everything; `again` moves only what must, and what pays. */
  how: z.enum(['anew', 'again']),
  state: z.enum(RUN_STATES),
  /** Who asked; null where something that happened did. */
  by: z.string().nullable(),
  because: z.string().nullable(),
  at: instant,
  /** The version of the plan it starts from. */
  from: z.int(),
  seconds: z.number(),
  progress: z.strictObject({ sum: z.number(), elapsedMs: z.number() }).nullable(),
  answer: z
    .strictObject({
      slots: z.array(slotSchema),
      unplaced: z.array(z.strictObject({ job: id, reason: z.string() })),
      objective: objectiveSchema,
      /** Proven of every plan of these jobs; nothing where none was proven. */
      boundSum: z.number(),
      elapsedMs: z.number(),
      decodes: z.number(),
    })
    .nullable(),
  problem: z.string().nullable(),
});
export type PlanRun = z.infer<typeof planRunSchema>;

const boardJobSchema = z.strictObject({
  id,
  unit: id,
  number: z.string(),
  /** How high, wide and heavy its unit is, as far as that is kept. */
  size: z.string().nullable(),
  title: z.string(),
  state: z.string(),
  /** What the search is not asked about: begun work, with its expected end. */
  begun: z.boolean(),
  held: z.boolean(),
  /** When its unit leaves next, and where to. */
  leaves: leavesSchema.nullable(),
  /** What it waits for of the parts room; null where nothing is missing. */
  waits: z
    .strictObject({
      /** The day the last of it is expected, or could be here at the earliest; null where that says nothing. */
      on: z.string().nullable(),
      how: z.enum(['expected', 'to order', 'overdue']),
      /** What the parts room does not know: the plan takes it as there. */
      unknown: z.string().nullable(),
    })
    .nullable(),
  /** The day and bay it was put on by hand, with no hour in the plan. */
  putOn: z.strictObject({ day: z.string(), bay: id }).nullable(),
  /** Who has clocked on and not off. */
  working: z.array(z.string()),
});
export type BoardJob = z.infer<typeof boardJobSchema>;

/** The plan people work by, as things stand now, and what a search would be asked. */
export const boardSchema = z.strictObject({
  now: instant,
  zone: z.string(),
  version: z.int(),
  published: z.strictObject({ at: instant, by: z.string() }).nullable(),
  bays: z.array(bayViewSchema),
  people: z.array(z.strictObject({ id, name: z.string() })),
  jobs: z.array(boardJobSchema),
  slots: z.array(keptSlotSchema),
  request: planRequestSchema.extend({ weights: planWeightsSchema.optional() }),
  /** Of the fleet's settings, its weights among them. */
  settings: z.int(),
  /** What of the plan no longer holds as things are, and why. */
  notes: z.array(z.strictObject({ job: id, message: z.string() })),
  runs: z.array(planRunSchema),
});
export type Board = z.infer<typeof boardSchema>;

/** The shortage list: what open jobs need beyond what is there or on its way; and what is on its way. */
export const partsNeededSchema = z.strictObject({
  short: z.array(
    z.strictObject({
      part: id,
      name: z.string(),
      missing: z.int(),
      jobs: z.array(z.strictObject({ id, number: z.string() })),
      /** The day it is here if it is ordered today; null where nobody knows. */
      on: z.string().nullable(),
    }),
  ),
  /** What is on its way, the earliest first; `over` where its job needs it no more. */
  coming: z.array(
    z.strictObject({
      order: id,
      name: z.string(),
      count: z.int(),
      due: z.string(),
      by: z.string(),
      job: id,
      number: z.string(),
      over: z.boolean(),
    }),
  ),
});
export type PartsNeeded = z.infer<typeof partsNeededSchema>;

/** A unit in the plan: when it is expected back, and when it leaves next. */
export const unitPlanSchema = z.strictObject({
  jobs: z.int(),
  /** Jobs that stand nowhere in the plan: while there are any, nobody knows when it is back. */
  unplanned: z.int(),
  back: instant.nullable(),
  /** It should have been back by now. */
  over: z.boolean(),
  slots: z.array(z.strictObject({ job: id, title: z.string(), bay: z.string(), start: instant, end: instant })),
  leaves: leavesSchema.nullable(),
});
export type UnitPlan = z.infer<typeof unitPlanSchema>;

/** Addresses at which a calendar program reads the plan. */
export const calendarsSchema = z.strictObject({
  calendars: z.array(z.strictObject({ id, whose: z.enum(['mine', 'shop']), by: z.string(), at: instant })),
});
export type Calendars = z.infer<typeof calendarsSchema>;

/** What dispatch says now, line by line, and who it is: a connected system, a stand-in that makes it up, or nobody. */
export const dispatchSchema = z.strictObject({ way: z.enum(OUTSIDE_WAYS), lines: z.array(z.string()) });
export type Dispatch = z.infer<typeof dispatchSchema>;
