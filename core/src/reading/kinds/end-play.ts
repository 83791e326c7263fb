import { z } from 'zod';
import { lengthText } from '../../measure';
import { endOf, endPlace, kindOf } from '../kind';

const schema = z.strictObject({ kind: z.literal('end-play'), ...endPlace, value: lengthText });

export const endPlay = kindOf(schema)({
  kind: 'end-play',
  part: 'hub',
  words: 'Bearing end play',
  short: 'End play',
  at: 'end',
  bench: true,
  figures: ({ value }) => [value],
  plausible: [{ most: '1/2 in' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'end-play', ...endOf(at), value: '0.003 in' }),
});
