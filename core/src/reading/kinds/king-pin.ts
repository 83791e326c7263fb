import { z } from 'zod';
import { lengthText, thinnest } from '../../measure';
import { kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('king-pin'),
  /** At the wear band, in two directions. */
  pin: z.tuple([lengthText, lengthText]),
  collar: z.tuple([lengthText, lengthText]).optional(),
});

export const kingPin = kindOf(schema)({
  kind: 'king-pin',
  words: 'King pin',
  at: 'unit',
  bench: true,
  lengths: ({ pin }) => pin,
  text: ({ pin }) => thinnest(pin).text,
  good: () => ({ kind: 'king-pin', pin: ['1.982 in', '1.979 in'] }),
});
