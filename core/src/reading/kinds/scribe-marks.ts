import { z } from 'zod';
import { lengthText } from '../../measure';
import { isWedge } from '../../trailer';
import { endOf, endPlace, kindOf } from '../kind';

/** How far the scribe mark of each lining moves on a full application: what a stroke is to a wedge brake. */
const schema = z.strictObject({
  kind: z.literal('scribe-marks'),
  ...endPlace,
  marks: z.tuple([lengthText, lengthText]),
});

export const scribeMarks = kindOf(schema)({
  kind: 'scribe-marks',
  part: 'brake',
  words: 'Scribe marks',
  plural: true,
  short: 'Marks',
  at: 'end',
  fits: isWedge,
  bench: true,
  figures: ({ marks }) => marks,
  plausible: [{ most: '1 in' }],
  text: ({ marks }) => marks.join(' and '),
  column: 'marks',
  good: (at) => ({ kind: 'scribe-marks', ...endOf(at), marks: ['1/32 in', '1/32 in'] }),
});
