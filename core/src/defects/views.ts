import { z } from 'zod';
import { saidSchema } from '../said';
import { featuresSchema, placeSchema, unitHeadSchema } from '../trailer';
import { DEFECT_STATES } from './life';
import { URGENCIES } from './propose';

export const defectViewSchema = z.strictObject({
  id: z.string(),
  unit: unitHeadSchema.extend({ features: featuresSchema }),
  code: z.string(),
  ...placeSchema.shape,
  words: z.string(),
  state: z.enum(DEFECT_STATES),
  holds: z.boolean(),
  origin: z.enum(['driver', 'inspection']),
  /** The inspection that found it, and whether that is still open; null where somebody reported it. */
  inspection: z.strictObject({ id: z.string(), open: z.boolean() }).nullable(),
  reportedBy: z.string(),
  reportedAt: z.string(),
  job: z.string().nullable(),
  /** The report that carries this one, where they are of the same fault. */
  joined: z.string().nullable(),
  /** The certified defect it is again. */
  comeBackOf: z.string().nullable(),
  /** Until when it waits. */
  until: z.string().nullable(),
  /** Or until its unit's meter reads so much. */
  untilMeter: z.string().nullable(),
  /** Until which dusk it runs by daylight only. */
  dusk: z.string().nullable(),
  /** Why it was answered as it was. */
  reason: z.string().nullable(),
  /** What was added to it since, the oldest first. */
  added: z.array(z.strictObject({ words: z.string(), by: z.string(), at: z.string() })),
  /** Ids of the photos taken of it, the oldest first. */
  photos: z.array(z.string()),
  certified: z.strictObject({ by: z.string(), at: z.string(), statement: z.string() }).nullable(),
  version: z.int(),
});
export type DefectView = z.infer<typeof defectViewSchema>;

/** What a signature after a walk round says. */
export const SIGNED_SAYS = ['nothing-found', 'held'] as const;
export type SignedSays = (typeof SIGNED_SAYS)[number];

export const signedSchema = z.strictObject({
  by: z.string(),
  at: z.string(),
  says: z.enum(SIGNED_SAYS),
  /** How many defects were open when it was signed; null where that was not kept. */
  known: z.int().nullable(),
});
/** The last signature of whoever walked round a unit. */
export type Signed = z.infer<typeof signedSchema>;

/** What somebody signed who walked round a unit, in words. */
export function signedWords({ says, known }: Pick<Signed, 'says' | 'known'>): string {
  if (says === 'held') return 'Saw that it is on hold';
  const beside = known ? ` beside ${known} open ${known === 1 ? 'defect' : 'defects'}` : '';
  return `Walked around, no defects found${beside}`;
}

/** Whether something was found after a signature: it says nothing of that. Instants are ISO texts in UTC. */
export const foundSince = (
  { at }: Pick<Signed, 'at'>,
  { defects, holds }: { defects: readonly { reportedAt: string }[]; holds: readonly { at: string }[] },
): boolean => defects.some(({ reportedAt }) => reportedAt > at) || holds.some((each) => each.at > at);

/** A page of defects; `next` asks for the page after it, null where it is the last. */
export const defectsPageSchema = z.strictObject({ defects: z.array(defectViewSchema), next: z.string().nullable() });
export type DefectsPage = z.infer<typeof defectsPageSchema>;

export const proposalSchema = z.strictObject({
  severity: z.enum(URGENCIES),
  answer: z.enum(['repair', 'measure', 'join']),
  /** To be repaired, it holds its unit until then. */
  holds: z.boolean(),
  said: z.array(saidSchema).readonly(),
  because: z.string(),
  joins: z.string().nullable(),
  comeBackOf: z.strictObject({ id: z.string(), job: z.string(), by: z.string(), on: z.string() }).nullable(),
});

/** The queue of what waits for an answer, by trailer: what holds first, then the longest waiting. */
export const triagePageSchema = z.strictObject({
  total: z.int(),
  groups: z.array(
    z.strictObject({
      unit: unitHeadSchema,
      held: z.boolean(),
      /** Its next departure, where that is known. */
      leaves: z.strictObject({ at: z.string(), to: z.string(), madeUp: z.boolean() }).nullable(),
      reports: z.array(
        z.strictObject({
          defect: defectViewSchema,
          proposal: proposalSchema,
          /** Until which dusk it may be run by daylight only; null where the rule or the hour does not allow that. */
          daylight: z.string().nullable(),
        }),
      ),
    }),
  ),
  next: z.string().nullable(),
});
export type TriagePage = z.infer<typeof triagePageSchema>;
export type TriageReport = TriagePage['groups'][number]['reports'][number];
