import { z } from 'zod';
import { defectViewSchema, signedSchema } from '../defects';
import { inspectionHeadSchema, lookedAtSchema, openInspectionSchema, photoSchema, standingSchema } from '../inspection';
import { VERDICTS } from '../limits';
import { jobViewSchema, retorqueSchema } from '../repair';
import {
  axleSchema,
  featuresSchema,
  partLifeSchema,
  placeSchema,
  UNIT_STATES,
  unitChangeSchema,
  unitHeadSchema,
} from '../trailer';
import { coupledUnitSchema, meterSchema } from '../units';

const id = z.string();
const instant = z.string();

/** Who walked round it last, and when. */
const walkedSchema = z.strictObject({ at: instant, by: z.string() });

export const yardRowSchema = z.strictObject({
  ...unitHeadSchema.shape,
  site: z.string(),
  held: z.boolean(),
  openDefects: z.int(),
  toAcknowledge: z.int(),
  /** When the oldest reading of its axle ends was taken. */
  lastMeasured: instant.nullable(),
  /** What it meets as it stands, whoever read it and when; null where nothing is known. */
  verdict: z.enum(VERDICTS).nullable(),
  due: z.strictObject({ paper: z.string(), on: z.string() }).nullable(),
  looked: z.array(lookedAtSchema),
  walked: walkedSchema.nullable(),
  /** Since when somebody waits for help that nobody answered yet. */
  helpSince: instant.nullable(),
  /** The inspection that is open and has read something. */
  inspecting: z.strictObject({ since: instant, by: z.string() }).nullable(),
  /** The rules changed, and what stands was not judged by them yet. */
  judging: z.boolean(),
});
export type YardRow = z.infer<typeof yardRowSchema>;
/** In which order the yard is shown: what presses first, by number, worst verdict, paper that expires, longest unmeasured. */
export const YARD_ORDERS = ['urgency', 'number', 'verdict', 'due', 'measured'] as const;
export type YardOrder = (typeof YARD_ORDERS)[number];
export const YARD_FILTERS = ['all', 'held', 'defects', 'due'] as const;
export type YardFilter = (typeof YARD_FILTERS)[number];

/** A paper that expires within so many days is due. */
export const DUE_SOON_DAYS = 14;

/** What is asked of the yard: which units, and in which order. */
export const yardAskedSchema = z.strictObject({
  /** Part of a number or body. */
  text: z.string().trim().max(60).optional(),
  show: z.enum(YARD_FILTERS).optional(),
  verdict: z.enum(VERDICTS).optional(),
  site: z.string().max(80).optional(),
  body: z.string().max(80).optional(),
});
export type YardAsked = z.infer<typeof yardAskedSchema>;

/** One page of the yard; `next` asks for the page after it, null where it is the last. */
export const yardPageSchema = z.strictObject({
  today: z.string(),
  units: z.array(yardRowSchema),
  next: z.string().nullable(),
});
export type YardPage = z.infer<typeof yardPageSchema>;

/** How many units the whole fleet and what was asked for have, and what may be asked for. */
export const yardTotalSchema = z.strictObject({
  units: z.int(),
  held: z.int(),
  /** How many wait to be judged by rules that changed. */
  judging: z.int(),
  asked: z.int(),
  sites: z.array(z.string()),
  bodies: z.array(z.string()),
});
export type YardTotal = z.infer<typeof yardTotalSchema>;

/** Units sold or scrapped: they are in no yard, and their records stay. */
export const goneUnitSchema = unitHeadSchema.extend({
  state: z.enum(UNIT_STATES),
  reason: z.string().nullable(),
  since: instant.nullable(),
});
export const gonePageSchema = z.strictObject({ units: z.array(goneUnitSchema), next: z.string().nullable() });
export type GonePage = z.infer<typeof gonePageSchema>;

/** What a person signed on a walk, or changed in what a unit is. */
export const actSchema = z.discriminatedUnion('act', [
  z.strictObject({ act: z.literal('walk'), id, ...signedSchema.shape }),
  z.strictObject({ act: z.literal('change'), ...unitChangeSchema.shape }),
]);
export type UnitAct = z.infer<typeof actSchema>;
/** A page of acts, newest first; `next` asks for what is older. */
export const actsPageSchema = z.strictObject({ acts: z.array(actSchema), next: z.string().nullable() });
export type ActsPage = z.infer<typeof actsPageSchema>;

export const unitPageSchema = z.strictObject({
  ...unitHeadSchema.shape,
  site: z.string(),
  state: z.enum(UNIT_STATES),
  version: z.int(),
  features: featuresSchema,
  axles: z.array(axleSchema),
  /** Keys of what it was found not to have. */
  notFitted: z.array(z.string()),
  holds: z.array(
    z.strictObject({
      id,
      reason: z.string(),
      by: z.string(),
      at: instant,
      /** The inspection that found why, and whether it is still open. */
      inspection: z.strictObject({ id, open: z.boolean() }).nullable(),
    }),
  ),
  papers: z.array(z.strictObject({ paper: z.string(), on: z.string() })),
  /** The last signature of whoever walked round it. */
  signed: signedSchema.nullable(),
  standing: z.array(standingSchema),
  looked: z.array(lookedAtSchema),
  walked: walkedSchema.nullable(),
  helpSince: instant.nullable(),
  /** Inspections that are not closed, the newest first. */
  inspecting: z.array(openInspectionSchema),
  /** The rules changed, and what stands was not judged by them yet. */
  judging: z.boolean(),
  /** What was reported and taken back lately, because its reading was corrected. */
  takenBack: z.array(z.strictObject({ id, code: z.string(), ...placeSchema.shape, reason: z.string(), at: instant })),
  /** Open, and certified but not acknowledged yet: all of them. */
  defects: z.array(defectViewSchema),
  /** What it runs with now, itself among them, from front to rear; empty when it stands alone. */
  combination: z.array(coupledUnitSchema),
  /** What it last ran directly behind, where that is not long ago and it stands alone. */
  lastBehind: unitHeadSchema.nullable(),
  meter: meterSchema.nullable(),
  /** Wheels to be torqued again, the first due before. */
  retorques: z.array(retorqueSchema),
  /** Parts fitted new, the oldest first: what was read before is of the parts they replaced. */
  lives: z.array(partLifeSchema),
  /** Not certified or cancelled: all of them. */
  jobs: z.array(jobViewSchema),
  /** The newest; `inspectionsTotal` says how many there are, and the rest is asked for page by page. */
  inspections: z.array(inspectionHeadSchema),
  inspectionsTotal: z.int(),
  /** What was signed on a walk and changed in what it is, the newest; `actsNext` asks for what is older. */
  acts: z.array(actSchema),
  actsNext: z.string().nullable(),
  /** Facts that were changed since it is held: whoever releases it sees them. Empty while nothing holds it. */
  changedSinceHeld: z.array(unitChangeSchema),
  photos: z.array(photoSchema),
  photosTotal: z.int(),
});
export type UnitPage = z.infer<typeof unitPageSchema>;

/** A page of what is kept of a unit, newest first; `next` asks for what is older. */
export const inspectionsPageSchema = z.strictObject({
  inspections: z.array(inspectionHeadSchema),
  next: z.string().nullable(),
});
export type InspectionsPage = z.infer<typeof inspectionsPageSchema>;
export const photosPageSchema = z.strictObject({ photos: z.array(photoSchema), next: z.string().nullable() });
export type PhotosPage = z.infer<typeof photosPageSchema>;
