import { z } from 'zod';
import { lengthText } from '../../measure';
import { endOf, endPlace, kindOf } from '../kind';
import { oddLength } from '../plausible';

const schema = z.strictObject({
  kind: z.literal('dual'),
  ...endPlace,
  touching: z.boolean().optional(),
  /** Outer diameters, inner tyre first. */
  diameters: z.tuple([lengthText, lengthText]).optional(),
  /** The size class of the tyres: 8.25 and smaller, or 9.00 and larger. */
  size: z.enum(['small', 'large']).optional(),
});

export const dual = kindOf(schema)({
  kind: 'dual',
  part: 'tyre',
  words: 'Dual spacing',
  at: 'end',
  fits: ({ tyres }) => tyres === 'dual',
  odd: ({ diameters = [] }) =>
    diameters.map((each) => oddLength('the diameter of a tire', each, '20 in', '60 in')).find((odd) => odd !== null) ??
    null,
  text: ({ touching, diameters }) => (touching ? 'touching' : (diameters?.join(' and ') ?? 'apart')),
  good: (at) => ({ kind: 'dual', ...endOf(at), touching: false }),
});
