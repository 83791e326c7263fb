import { z } from 'zod';
import { lengthText } from '../../measure';
import { kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('wheel-play'),
  /** How far the rim moves before the front wheels do, ahead and back. */
  value: lengthText,
  /** Across the steering wheel. */
  wheel: lengthText.optional(),
  power: z.boolean().optional(),
});

export const wheelPlay = kindOf(schema)({
  kind: 'wheel-play',
  part: 'steering',
  words: 'Steering wheel play',
  short: 'Wheel play',
  at: 'unit',
  figures: ({ value }) => [value],
  plausible: [{ most: '12 in' }],
  text: ({ value }) => value,
  good: () => ({ kind: 'wheel-play', value: '1 in', wheel: '20 in', power: true }),
});
