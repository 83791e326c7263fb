import { z } from 'zod';
import { lengthText } from '../../measure';
import { kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('guard-height'),
  /** From the ground to the lower edge of the rear guard, empty and level. */
  value: lengthText,
  /** The year on the unit's plate: its figure goes by it. */
  built: z.int().min(1900).max(2200).optional(),
});

export const guardHeight = kindOf(schema)({
  kind: 'guard-height',
  part: 'body',
  words: 'Rear impact guard height',
  at: 'unit',
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ most: '60 in' }],
  text: ({ value }) => value,
  good: () => ({ kind: 'guard-height', value: '21 1/2 in', built: 2019 }),
});
