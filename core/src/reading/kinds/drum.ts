import { z } from 'zod';
import { lengthText } from '../../measure';
import { isDrum } from '../../trailer';
import { endOf, endPlace, kindOf } from '../kind';

/** Inside diameter of a drum; `marked` is the discard diameter cast on it. */
const schema = z.strictObject({
  kind: z.literal('drum'),
  ...endPlace,
  value: lengthText,
  marked: lengthText.optional(),
});

export const drum = kindOf(schema)({
  kind: 'drum',
  part: 'brake',
  words: 'Drum diameter',
  short: 'Drum',
  at: 'end',
  fits: isDrum,
  bench: true,
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ least: '6 in', most: '20 in' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'drum', ...endOf(at), value: '16.55 in' }),
});
