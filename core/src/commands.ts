import { z } from 'zod';
import { DEFECT_COMMANDS } from './defects';
import { FORECAST_COMMANDS } from './forecast';
import { INSPECTION_COMMANDS } from './inspection';
import type { Command, Role } from './life';
import { OUTSIDE_COMMANDS } from './outside';
import { PEOPLE_COMMANDS } from './people';
import { PLAN_COMMANDS } from './plan';
import { PRACTICE_COMMANDS } from './practice';
import { PROOF_COMMANDS, signatureSchema } from './proof';
import { RECORD_COMMANDS } from './records';
import { REPAIR_COMMANDS } from './repair';
import { RULES_COMMANDS } from './rules';
import { UNIT_COMMANDS } from './units';

/**
 * Every command, from the room of its subject. Each is sent as `{ id, at, body }` to `POST /api/v1/commands/<name>`,
 * where `id` is made by the client: sent twice, it is done once.
 */
export const COMMANDS = {
  ...DEFECT_COMMANDS,
  ...REPAIR_COMMANDS,
  ...INSPECTION_COMMANDS,
  ...RECORD_COMMANDS,
  ...UNIT_COMMANDS,
  ...RULES_COMMANDS,
  ...PEOPLE_COMMANDS,
  ...OUTSIDE_COMMANDS,
  ...PLAN_COMMANDS,
  ...FORECAST_COMMANDS,
  ...PRACTICE_COMMANDS,
  ...PROOF_COMMANDS,
} as const;

export type CommandName = keyof typeof COMMANDS;
export type CommandBody<N extends CommandName> = z.infer<(typeof COMMANDS)[N]['body']>;
export const COMMAND_NAMES = Object.keys(COMMANDS) as CommandName[];

/** What a command decides about, and who may send it. */
export const commandOf = (name: CommandName): Command<z.ZodType> => COMMANDS[name];
/** Whether a role may ever send a command. */
export const mayEverSend = (name: CommandName, role: Role): boolean => commandOf(name).roles.includes(role);

/** A device whose clock is off by more is told so, and its word is kept beside the time it is put right to. */
export const SKEW_TOLD_MS = 2 * 60_000;

/** Ids are the same in capitals. */
const id = z.uuid().toLowerCase();

/** The envelope of a command: its id, when it was done and when it was sent by the device's clock, and its body. */
export const commandSchema = <N extends CommandName>(name: N) =>
  z.strictObject({
    id,
    at: z.iso.datetime({ offset: true }),
    sent: z.iso.datetime({ offset: true }).optional(),
    /** The server's clock, as it was last told to this device before the act. */
    contact: z.iso.datetime({ offset: true }).optional(),
    /** The device, and which of its acts this is: their order is known whatever its clock says. */
    counted: z.strictObject({ device: id, count: z.int().positive() }).optional(),
    /** By the key of its person's device, where the command is one that is signed. */
    signature: signatureSchema.optional(),
    body: COMMANDS[name].body,
  });

/** What a command answers, however often it is sent. */
export const commandAnswerSchema = z.strictObject({
  id,
  /** What changed, as `kind: id`, and its new version where it has one. */
  changed: z.array(z.strictObject({ kind: z.string(), id: z.string(), version: z.int().nullable() })),
  /** Its act is older than a device may go without the server: it is kept, marked, and decided nothing. */
  tooOld: z.literal(true).optional(),
});
export type CommandAnswer = z.infer<typeof commandAnswerSchema>;
