import { z } from 'zod';
import { command, EVERYBODY, SHOP } from '../life';
import { displayUnitsSchema, wordsText } from '../measure';
import { bayWorkSchema, holidaysSchema } from './bays';
import { onceCodeText, personFormSchema, signInText } from './people';

const id = z.uuid();
const version = z.int().min(1);

/** Who works here, when and where. These have no life but their version: who may set them stands here. */
export const PEOPLE_COMMANDS = {
  /** Somebody new, or somebody who is let in again: by a code that is told them and opens the door once. */
  'invite-person': command(
    'fleet',
    SHOP,
    z.strictObject({ person: id, signIn: signInText, form: personFormSchema, code: onceCodeText }),
    { touches: ['set-up'], logged: true },
  ),
  'set-person': command('fleet', SHOP, z.strictObject({ person: id, version, form: personFormSchema }), {
    touches: ['set-up'],
    movesPlan: 'Someone’s hours or absence changed',
    logged: true,
  }),
  /** Who left stays in the records, and cannot sign in. */
  'set-person-left': command('fleet', SHOP, z.strictObject({ person: id, version, left: z.boolean() }), {
    touches: ['set-up'],
    movesPlan: 'Someone left or came back',
    logged: true,
  }),
  /** Ends their sessions and their password: a code lets them set a new one. */
  'reset-person': command('fleet', SHOP, z.strictObject({ person: id, version, code: onceCodeText }), {
    touches: ['set-up'],
    logged: true,
  }),
  /** Null follows the fleet again. */
  'set-own-units': command('self', EVERYBODY, z.strictObject({ units: displayUnitsSchema.nullable() })),
  /** A bay's name, and what it is fit for and when; that stays as it is where it is not said. */
  'save-bay': command('fleet', SHOP, z.strictObject({ bay: id, name: wordsText(40), work: bayWorkSchema.optional() }), {
    touches: ['set-up'],
    movesPlan: 'A bay’s hours or use changed',
  }),
  'set-holidays': command('fleet', SHOP, z.strictObject({ version, holidays: holidaysSchema }), {
    touches: ['plan', 'set-up'],
    movesPlan: 'A holiday changed',
  }),
} as const;
