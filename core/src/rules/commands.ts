import { z } from 'zod';
import { PHOTO_CHARS, routeSchema } from '../inspection';
import { command, SHOP } from '../life';
import { BOOK_IDS, OWN_PRESSES, ownChecksSchema, policiesSchema } from '../limits';
import { displayUnitsSchema, wordsText } from '../measure';

const id = z.uuid();
const version = z.int().min(1);

/** What a fleet judges by and walks. These have no life but their version: who may set them stands here. */
export const RULES_COMMANDS = {
  'set-fleet-rules': command(
    'fleet',
    SHOP,
    z.strictObject({ version, book: z.enum(BOOK_IDS), policies: policiesSchema, units: displayUnitsSchema }),
    { foresees: 'all', judgesAnew: true, logged: true },
  ),
  'add-fleet-limit': command(
    'fleet',
    SHOP,
    z.strictObject({ limit: id, tightens: z.string().max(80), value: wordsText(40), reason: wordsText(300) }),
    { foresees: 'all', judgesAnew: true, logged: true },
  ),
  'withdraw-fleet-limit': command('fleet', SHOP, z.strictObject({ limit: id, reason: wordsText(300) }), {
    foresees: 'all',
    judgesAnew: true,
    logged: true,
  }),
  'set-own-sign': command(
    'fleet',
    SHOP,
    z.strictObject({ version, code: wordsText(60), presses: z.enum(OWN_PRESSES), reason: wordsText(300) }),
    { foresees: 'all', judgesAnew: true, logged: true },
  ),
  'withdraw-own-sign': command(
    'fleet',
    SHOP,
    z.strictObject({ version, code: wordsText(60), reason: wordsText(300) }),
    {
      foresees: 'all',
      judgesAnew: true,
      logged: true,
    },
  ),
  /** Every check of the fleet's own, as they are from now on: what is left out is asked no more. */
  'set-own-checks': command('fleet', SHOP, z.strictObject({ version, checks: ownChecksSchema }), {
    foresees: 'all',
    judgesAnew: true,
    logged: true,
  }),
  /** A picture of what good looks like, shrunk on the device, before the check that shows it. */
  'add-check-picture': command(
    'fleet',
    SHOP,
    z.strictObject({
      picture: id,
      width: z.int().min(1).max(4_096),
      height: z.int().min(1).max(4_096),
      jpeg: z.base64().max(PHOTO_CHARS),
    }),
    { largest: 1024 * 1024 },
  ),
  /** The shop's own sentence for what is read or looked at, said on a walk by heart; null says it as it ships. */
  'set-phrase': command(
    'fleet',
    SHOP,
    z.strictObject({ version, subject: wordsText(100), say: wordsText(200).nullable() }),
  ),
  'save-route': command(
    'fleet',
    SHOP,
    z.strictObject({ route: id, version: z.int().min(0), definition: routeSchema }),
    { logged: true },
  ),
  'remove-route': command('fleet', SHOP, z.strictObject({ route: id, version }), { logged: true }),
} as const;
