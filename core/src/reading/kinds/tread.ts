import { z } from 'zod';
import { thinnest, treadText } from '../../measure';
import { type Contradiction, kindOf, tyreOf, tyrePlace } from '../kind';

export const WEAR_MARKS = ['both-shoulders', 'centre', 'one-shoulder', 'cupped', 'feathered', 'flat-spots'] as const;

const schema = z.strictObject({
  kind: z.literal('tread'),
  ...tyrePlace,
  /** One row for each spot round the tyre, each the major grooves from the inner to the outer shoulder. */
  grooves: z.array(z.array(treadText).min(1).max(12)).min(1).max(24),
  wear: z.array(z.enum(WEAR_MARKS)).max(WEAR_MARKS.length).optional(),
});

const MOST_POINTS = 64;
const contradiction = ({ grooves }: z.infer<typeof schema>): Contradiction | null =>
  grooves.flat().length > MOST_POINTS
    ? { path: 'grooves', message: `At most ${MOST_POINTS} points of one tire` }
    : null;

export const tread = kindOf(schema)({
  kind: 'tread',
  part: 'tyre',
  comparisons: {
    'dual-tread': { words: 'Duals too far apart in tread', between: 'dual' },
    'dual-pair': { words: 'Mate of a failing tire', between: 'dual', rests: ['tread', 'pressure'] },
  },
  words: 'Tread',
  short: 'Tread',
  at: 'tyre',
  scale: true,
  // Asked for every tyre of every unit: flat() is ten times as slow.
  figures: ({ grooves }) => ([] as string[]).concat(...grooves),
  plausible: [{ most: '40/32 in' }],
  text: ({ grooves }) => thinnest(...grooves).text.replace(/ in$/, ''),
  contradiction,
  column: 'grooves',
  good: (at) => ({ kind: 'tread', ...tyreOf(at), grooves: [['9/32']] }),
});
