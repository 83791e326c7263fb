import { z } from 'zod';
import { lengthText } from '../../measure';
import { SIDES } from '../../trailer';
import { kindOf } from '../kind';

const schema = z.strictObject({ kind: z.literal('mud-flap'), side: z.enum(SIDES), value: lengthText });

export const mudFlap = kindOf(schema)({
  kind: 'mud-flap',
  part: 'body',
  words: 'Mud flap clearance',
  at: 'side',
  figures: ({ value }) => [value],
  plausible: [{ most: '48 in' }],
  text: ({ value }) => value,
  good: ({ side }) => ({ kind: 'mud-flap', side: side ?? 'left', value: '6 1/2 in' }),
});
