import { z } from 'zod';
import { lengthText, thinnest } from '../../measure';
import { hasBrake } from '../../trailer';
import { endOf, endPlace, kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('lining'),
  ...endPlace,
  points: z.array(lengthText).min(1).max(16),
  /** How many of the shoes' or pads' points could not be seen: what is not seen is not passed. */
  unseen: z.int().min(1).max(15).optional(),
});

export const lining = kindOf(schema)({
  kind: 'lining',
  part: 'brake',
  words: 'Lining',
  short: 'Lining',
  at: 'end',
  fits: hasBrake,
  bench: true,
  scale: true,
  figures: ({ points }) => points,
  plausible: [{ most: '1 1/2 in' }],
  text: ({ points }) => thinnest(points).text,
  column: 'points',
  good: (at) => ({ kind: 'lining', ...endOf(at), points: ['1/2 in'] }),
});
