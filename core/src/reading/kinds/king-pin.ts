import { z } from 'zod';
import { lengthText, must, parseLength, thinnest } from '../../measure';
import { kindOf, type Range } from '../kind';

/** Pins of 2 and of 3 1/2 in, worn and with the play of a new one; none is thicker than new. */
const PINS: readonly Range[] = [
  { least: '1 1/2 in', most: '2.01 in' },
  { least: '3 in', most: '3.51 in' },
];
const NEW_COLLAR = '2.88 in';

const schema = z.strictObject({
  kind: z.literal('king-pin'),
  /** At the wear band, in two directions. */
  pin: z.tuple([lengthText, lengthText]),
  collar: z.tuple([lengthText, lengthText]).optional(),
});

export const kingPin = kindOf(schema)({
  kind: 'king-pin',
  part: 'coupling',
  words: 'Kingpin',
  at: 'unit',
  bench: true,
  scale: true,
  figures: ({ pin }) => pin,
  plausible: PINS,
  odd: ({ collar = [] }) => {
    const thick = collar.find((each) => must(parseLength(each, 'none')) > must(parseLength(NEW_COLLAR, 'none')));
    return thick ? `A collar of ${thick} is thicker than a new one, ${NEW_COLLAR}: measure again.` : null;
  },
  text: ({ pin }) => thinnest(pin).text,
  good: () => ({ kind: 'king-pin', pin: ['1.982 in', '1.979 in'] }),
});
