import { z } from 'zod';
import { command, type Role } from '../life';
import { wordsText } from '../measure';
import { outsideSecretText } from '../outside';
import { keepingSchema } from './keeping';
import { deletionSchema, hookUrlText } from './views';

const id = z.uuid();
const MANAGER: readonly Role[] = ['manager'];
const follows = { touches: ['records'], logged: true } as const;

/** What a manager does about the records themselves. */
export const PROOF_COMMANDS = {
  /** Holds the whole chain, and every fact, against what was written. */
  'check-records': command('self', MANAGER, z.strictObject({ check: id }), { touches: ['records'] }),
  /** A system of the fleet's own that hears of every event; its secret, where one is drawn anew, is in no event and no answer. */
  'set-hook': command(
    'fleet',
    MANAGER,
    z.strictObject({ hook: id, version: z.int().min(0), url: hookUrlText, secret: outsideSecretText.optional() }),
    follows,
  ),
  'end-hook': command('fleet', MANAGER, z.strictObject({ hook: id, version: z.int().min(1) }), follows),
  'set-keeping': command(
    'fleet',
    MANAGER,
    z.strictObject({ version: z.int().min(1), keeping: keepingSchema }),
    follows,
  ),
  /** Nothing of this unit, or of any, is deleted until it is lifted. */
  'place-legal-hold': command(
    'fleet',
    MANAGER,
    z.strictObject({ hold: id, unit: id.nullable(), reason: wordsText(300) }),
    follows,
  ),
  'lift-legal-hold': command('fleet', MANAGER, z.strictObject({ hold: id, reason: wordsText(300) }), follows),
  /** Deletes what is past its time, as it was shown: where it is no longer that, nothing is deleted. */
  'delete-past': command('fleet', MANAGER, z.strictObject({ shown: deletionSchema, statement: wordsText(300) }), {
    ...follows,
    signed: true,
  }),
  /** Whoever left loses their name; what they did stays, as done by nobody named. */
  'forget-person': command('fleet', MANAGER, z.strictObject({ person: id, version: z.int().min(1) }), {
    touches: ['records', 'set-up'],
    logged: true,
  }),
} as const;
