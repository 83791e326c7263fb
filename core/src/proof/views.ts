import { z } from 'zod';
import { KEPT, keepingSchema } from './keeping';

/** What the security log tells of. `did` is a command that changes who may do what, or by which rules. */
export const SECURITY_KINDS = [
  'signed-in',
  'sign-in-refused',
  'factor-refused',
  'person-changed',
  'pin-refused',
  'code-used',
  'code-refused',
  'password-changed',
  'pin-set',
  'pin-removed',
  'factor-on',
  'factor-off',
  'key-enrolled',
  'sessions-ended',
  'signed-out',
  'exported',
  'backed-up',
  'backup-failed',
  'restored',
  'did',
] as const;
export type SecurityKind = (typeof SECURITY_KINDS)[number];

export const securityEntrySchema = z.strictObject({
  id: z.int(),
  at: z.string(),
  kind: z.enum(SECURITY_KINDS),
  /** Who it was; null where nobody of the fleet, or the program itself. */
  by: z.string().nullable(),
  /** What was tried, exported or done: a sign-in name, a file, a command. */
  what: z.string().nullable(),
  /** From which address of the network. */
  from: z.string().nullable(),
});
export type SecurityEntry = z.infer<typeof securityEntrySchema>;
export const securityPageSchema = z.strictObject({
  entries: z.array(securityEntrySchema),
  next: z.string().nullable(),
});
export type SecurityPage = z.infer<typeof securityPageSchema>;

/** What a check found: an entry or event of the chain, or a row of a fact. */
export const recordProblemSchema = z.strictObject({
  wrong: z.enum(['changed', 'removed', 'inserted', 'reordered']),
  what: z.enum(['entry', 'event', 'row']),
  /** An entry's number, an event's id, or a table and a row's key. */
  which: z.string(),
});
export type RecordProblem = z.infer<typeof recordProblemSchema>;

export const recordCheckSchema = z.strictObject({
  id: z.string(),
  asked: z.strictObject({ by: z.string(), at: z.string() }),
  /** Null while it runs. */
  ended: z.string().nullable(),
  entries: z.int(),
  rows: z.int(),
  /** The first of each kind and table: empty where all is as it was written. */
  problems: z.array(recordProblemSchema),
});
export type RecordCheck = z.infer<typeof recordCheckSchema>;

/** What would be deleted as it is now: how many of each, from before when. */
export const deletionSchema = z.array(
  z.strictObject({ kept: z.enum(KEPT), before: z.iso.datetime({ offset: true }), count: z.int().min(1) }),
);
export type Deletion = z.infer<typeof deletionSchema>;

export const hookUrlText = z
  .string()
  .trim()
  .max(300)
  .regex(/^https?:\/\/[^\s]+$/, 'write an address like https://example.org/events');

const hookSchema = z.strictObject({
  id: z.string(),
  url: z.string(),
  set: z.strictObject({ by: z.string(), at: z.string() }),
  /** The number of the newest entry it took. */
  taken: z.int(),
  /** What was not taken lately, and why. */
  problem: z.string().nullable(),
  /** Until when the secret before this one signs too. */
  turnsOver: z.string().nullable(),
  version: z.int(),
});
export type Hook = z.infer<typeof hookSchema>;

const legalHoldSchema = z.strictObject({
  id: z.string(),
  /** Null: of every unit. */
  unit: z.strictObject({ id: z.string(), number: z.string() }).nullable(),
  reason: z.string(),
  by: z.string(),
  at: z.string(),
});
export type LegalHold = z.infer<typeof legalHoldSchema>;

export const recordsSchema = z.strictObject({
  /** The newest entry; null where nothing was recorded. */
  head: z.strictObject({ nr: z.int(), hash: z.string(), at: z.string() }).nullable(),
  /** The newest first. */
  checks: z.array(recordCheckSchema),
  /** The last backup that was restored and held against the database, and the last that failed since. */
  backup: z.strictObject({
    /** Whether the program makes them by itself. */
    scheduled: z.boolean(),
    good: z.string().nullable(),
    failed: z.strictObject({ at: z.string(), why: z.string() }).nullable(),
  }),
  keeping: keepingSchema,
  version: z.int(),
  legalHolds: z.array(legalHoldSchema),
  /** What is past its time; nothing where a legal hold is on everything. */
  past: deletionSchema,
  hooks: z.array(hookSchema),
});
export type Records = z.infer<typeof recordsSchema>;

/** An event of the fleet, as the API and a hook tell it. */
export const toldEventSchema = z.strictObject({
  /** The number of its entry in the fleet's chain, and that entry's sum. */
  nr: z.int(),
  hash: z.string(),
  type: z.string(),
  unit: z.string().nullable(),
  person: z.strictObject({ id: z.string(), name: z.string() }),
  command: z.string(),
  at: z.string(),
  recorded: z.string(),
  tooOld: z.boolean(),
  body: z.unknown(),
});
export type ToldEvent = z.infer<typeof toldEventSchema>;
export const eventsPageSchema = z.strictObject({ events: z.array(toldEventSchema), next: z.string().nullable() });
