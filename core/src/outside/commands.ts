import { z } from 'zod';
import { command } from '../life';
import { OUTSIDE_THINGS, outsideFormSchema, outsideSecretText } from './outside';

export const OUTSIDE_COMMANDS = {
  /** How a thing outside is used; its secret, where one is drawn anew, is in no event and in no answer. */
  'set-outside': command(
    'fleet',
    ['manager'],
    z.strictObject({
      thing: z.enum(OUTSIDE_THINGS),
      version: z.int().min(0),
      form: outsideFormSchema,
      secret: outsideSecretText.optional(),
    }),
    { touches: ['set-up'], logged: true },
  ),
} as const;
