import { z } from 'zod';
import { CATALOGUE } from '../defects';
import type { Role } from '../life';
import { BOOK_IDS, schoolsSchema } from '../limits';
import { MAKER_READINGS, routeSchema, SIDES, STEP_KINDS, TYRES } from '../trailer';
import { gaugeSourceSchema } from './gauge';
import { makerLimitSchema } from './gear';
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

/** A step of a route, as an inspection is begun with it. */
export const stepSchema = z.strictObject({
  kind: z.enum(STEP_KINDS),
  axle: z.int().min(1).max(12).nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
  item: z.string().max(60).optional(),
  section: z.string().max(40).optional(),
});

/** The units a person or a fleet reads in. */
export const displayUnitsSchema = z.strictObject({
  length: z.enum(['in', 'mm']),
  pressure: z.enum(['psi', 'bar', 'kPa']),
  distance: z.enum(['mi', 'km']),
  temperature: z.enum(['°C', '°F']),
});

export const PURPOSES = ['full', 're-measure', 'walk', 'import'] as const;
export type Purpose = (typeof PURPOSES)[number];
/** Seconds spent in each section of a route; named, because a shop's own routes have sections of their own. */
export const sectionTimeSchema = z.strictObject({
  id: z.string().max(40),
  name: z.string().max(80).optional(),
  seconds: z.int().min(0).max(86_400),
});
export type SectionTime = z.infer<typeof sectionTimeSchema>;
/** The longest photo a device sends, as base64: it is shrunk there first. */
const PHOTO_CHARS = 700_000;

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
    purpose: z.enum(['full', 're-measure', 'walk']),
    job: id.optional(),
    /** The route walked, and every step it asks of this unit. */
    route: z.strictObject({ id: z.string().max(60), name: words(60) }).optional(),
    steps: z.array(stepSchema).min(1).max(600).optional(),
  }),
  'take-reading': z.strictObject({
    reading: id,
    inspection: id,
    /** The reading this one corrects. Both stay. */
    supersedes: id.optional(),
    value: readingSchema,
    /** The gauge that sent it. */
    gauge: gaugeSourceSchema.optional(),
  }),
  'skip-reading': z.strictObject({
    skip: id,
    inspection: id,
    step: stepSchema,
    reason: words(300),
  }),
  'close-inspection': z.strictObject({
    inspection: id,
    outcome: z.enum(['complete', 'incomplete']),
    because: z.string().trim().max(500).optional(),
    sections: z.array(sectionTimeSchema).max(60).optional(),
  }),
  /** A photo, shrunk on the device, at a step of an inspection or with a defect. */
  'attach-photo': z.strictObject({
    photo: id,
    unit: id,
    inspection: id.nullable(),
    defect: id.nullable(),
    key: z.string().max(120).nullable(),
    width: z.int().min(1).max(4_096),
    height: z.int().min(1).max(4_096),
    jpeg: z.base64().max(PHOTO_CHARS),
  }),
  /** Readings from a file; every line is checked again, and nothing is stored unless all are good or only the good ones are asked for. */
  'import-readings': z.strictObject({ csv: z.string().min(1).max(2_000_000), goodLinesOnly: z.boolean() }),
  'set-fleet-rules': z.strictObject({
    version,
    book: z.enum(BOOK_IDS),
    schools: schoolsSchema,
    units: displayUnitsSchema,
  }),
  /** Null follows the fleet again. */
  'set-own-units': z.strictObject({ units: displayUnitsSchema.nullable() }),
  'add-fleet-limit': z.strictObject({ limit: id, tightens: z.string().max(80), value: words(40), reason: words(300) }),
  'withdraw-fleet-limit': z.strictObject({ limit: id, reason: words(300) }),
  /** A maker's limit for what is fitted at an axle, or at one end of it; null takes it back. */
  'set-maker-limit': z.strictObject({
    unit: id,
    axle: z.int().min(1).max(12),
    side: z.enum(SIDES).nullable(),
    reading: z.enum(MAKER_READINGS),
    limit: makerLimitSchema.nullable(),
  }),
  'save-route': z.strictObject({ route: id, version: z.int().min(0), definition: routeSchema }),
  'remove-route': z.strictObject({ route: id, version }),
  /** The month on an inspection sticker; its last day follows from the fleet's school. */
  'record-sticker': z.strictObject({
    paper: id,
    unit: id,
    month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'write a month like 2026-03'),
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
  'start-inspection': everybody,
  'take-reading': everybody,
  'skip-reading': everybody,
  'close-inspection': everybody,
  'attach-photo': everybody,
  'import-readings': shop,
  'set-fleet-rules': shop,
  'set-own-units': everybody,
  'add-fleet-limit': shop,
  'withdraw-fleet-limit': shop,
  'set-maker-limit': bench,
  'save-route': shop,
  'remove-route': shop,
  'record-sticker': bench,
};

/** Who may inspect for what: everybody walks round, the bench measures. */
export const PURPOSE_ROLES: Record<Purpose, readonly Role[]> = {
  full: bench,
  're-measure': bench,
  walk: everybody,
  import: shop,
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
