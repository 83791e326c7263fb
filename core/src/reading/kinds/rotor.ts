import { z } from 'zod';
import { lengthText } from '../../measure';
import { isDisc } from '../../trailer';
import { endOf, endPlace, kindOf } from '../kind';

/** Thickness of a rotor; `marked` is the discard thickness cast on it. */
const schema = z.strictObject({
  kind: z.literal('rotor'),
  ...endPlace,
  value: lengthText,
  marked: lengthText.optional(),
});

export const rotor = kindOf(schema)({
  kind: 'rotor',
  part: 'brake',
  words: 'Rotor thickness',
  short: 'Rotor',
  at: 'end',
  fits: isDisc,
  bench: true,
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ least: '5 mm', most: '60 mm' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'rotor', ...endOf(at), value: '41.5 mm' }),
});
