import { z } from 'zod';
import { CATALOGUE } from '../defects';
import type { Role } from '../life';
import { MEASURED_KINDS, SIDES, TYRES } from '../trailer';
import { readingSchema } from './reading';

const id = z.uuid();
const version = z.int().min(1);
const words = (most: number) => z.string().trim().min(1).max(most);
export const daySchema = z.iso.date();
const code = z.string().refine((each) => CATALOGUE.some((entry) => entry.code === each), 'not a code of the catalogue');

export const placeSchema = z.strictObject({
  axle: z.int().min(1).max(12).nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
});

/** Torque as written down: value with its unit, and the tool it was set with. */
export const torqueSchema = z.strictObject({
  value: z
    .string()
    .trim()
    .regex(/^\d{2,4}\s*(lb-ft|N·m|Nm)$/, 'write a torque like 475 lb-ft or 640 N·m'),
  tool: words(80),
});

/**
 * The body of every command, by name. Each is sent as `{ id, at, body }` to `POST /api/v1/commands/<name>`,
 * where `id` is made by the client: sent twice, it is done once.
 */
export const COMMANDS = {
  'report-defect': z.strictObject({
    defect: id,
    unit: id,
    code,
    place: placeSchema,
    words: z.string().trim().max(500),
  }),
  'triage-defect': z.strictObject({ defect: id, version, holds: z.boolean() }),
  'dismiss-defect': z.strictObject({ defect: id, version, reason: words(300) }),
  'acknowledge-repair': z.strictObject({ defect: id, version }),
  'make-job': z.strictObject({
    job: id,
    unit: id,
    title: words(120),
    defects: z
      .array(z.strictObject({ defect: id, version }))
      .min(1)
      .max(50),
    minutes: z.int().min(5).max(4_800),
    wheelsOff: z.boolean(),
  }),
  'place-job': z.strictObject({ job: id, version, bay: id, day: daySchema }),
  'cancel-job': z.strictObject({ job: id, version, reason: words(300) }),
  'start-job': z.strictObject({ job: id, version }),
  'finish-job': z.strictObject({ job: id, version, done: words(1_000), torque: torqueSchema.optional() }),
  'reopen-job': z.strictObject({ job: id, version, reason: words(300) }),
  'certify-job': z.strictObject({ job: id, version, statement: words(500) }),
  'hold-trailer': z.strictObject({ hold: id, unit: id, reason: words(300) }),
  'release-trailer': z.strictObject({ release: id, unit: id, statement: words(500) }),
  'start-inspection': z.strictObject({
    inspection: id,
    unit: id,
    purpose: z.enum(['full', 're-measure']),
    job: id.optional(),
  }),
  'take-reading': z.strictObject({
    reading: id,
    inspection: id,
    /** The reading this one corrects. Both stay. */
    supersedes: id.optional(),
    value: readingSchema,
  }),
  'skip-reading': z.strictObject({
    skip: id,
    inspection: id,
    step: z.strictObject({
      kind: z.enum(MEASURED_KINDS),
      axle: z.int().min(1).max(12),
      side: z.enum(SIDES),
      tyre: z.enum(TYRES).nullable(),
    }),
    reason: words(300),
  }),
  'close-inspection': z.strictObject({
    inspection: id,
    outcome: z.enum(['complete', 'incomplete']),
    because: z.string().trim().max(500).optional(),
  }),
} as const;

export type CommandName = keyof typeof COMMANDS;
export type CommandBody<N extends CommandName> = z.infer<(typeof COMMANDS)[N]>;
export const COMMAND_NAMES = Object.keys(COMMANDS) as CommandName[];

const everybody: readonly Role[] = ['driver', 'technician', 'foreman', 'manager'];
const bench: readonly Role[] = ['technician', 'foreman', 'manager'];
const shop: readonly Role[] = ['foreman', 'manager'];

/** Who may send each command. The life-cycle tables ask again, together with the state. */
export const COMMAND_ROLES: Record<CommandName, readonly Role[]> = {
  'report-defect': everybody,
  'triage-defect': shop,
  'dismiss-defect': shop,
  'acknowledge-repair': everybody,
  'make-job': shop,
  'place-job': shop,
  'cancel-job': shop,
  'start-job': bench,
  'finish-job': bench,
  'reopen-job': bench,
  'certify-job': bench,
  'hold-trailer': bench,
  'release-trailer': bench,
  'start-inspection': bench,
  'take-reading': bench,
  'skip-reading': bench,
  'close-inspection': bench,
};

/** The envelope of a command: its id, when it was done on the device, and its body. */
export const commandSchema = <N extends CommandName>(name: N) =>
  z.strictObject({ id, at: z.iso.datetime({ offset: true }), body: COMMANDS[name] });

/** What a command answers, however often it is sent. */
export const commandAnswerSchema = z.strictObject({
  id,
  /** What changed, as `kind: id`, and its new version where it has one. */
  changed: z.array(z.strictObject({ kind: z.string(), id: z.string(), version: z.int().nullable() })),
});
export type CommandAnswer = z.infer<typeof commandAnswerSchema>;
