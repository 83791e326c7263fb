import { z } from 'zod';
import { thinnest, treadText } from '../../measure';
import { kindOf, tyreOf, tyrePlace } from '../kind';

export const WEAR_MARKS = ['both-shoulders', 'centre', 'one-shoulder', 'cupped', 'feathered', 'flat-spots'] as const;

const schema = z.strictObject({
  kind: z.literal('tread'),
  ...tyrePlace,
  /** One row for each spot round the tyre, each the major grooves from the inner to the outer shoulder. */
  grooves: z.array(z.array(treadText).min(1).max(12)).min(1).max(24),
  wear: z.array(z.enum(WEAR_MARKS)).max(WEAR_MARKS.length).optional(),
});

export const tread = kindOf(schema)({
  kind: 'tread',
  words: 'Tread',
  short: 'Tread',
  at: 'tyre',
  lengths: ({ grooves }) => grooves.flat(),
  plausible: [{ most: '40/32 in' }],
  text: ({ grooves }) => thinnest(...grooves).text.replace(/ in$/, ''),
  column: 'grooves',
  good: (at) => ({ kind: 'tread', ...tyreOf(at), grooves: [['9/32']] }),
});
