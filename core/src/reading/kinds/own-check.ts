import { z } from 'zod';
import { decimalText } from '../../measure';
import { SIDES } from '../../trailer';
import { axleNumber, kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('own-check'),
  /** The name of the fleet's own check. */
  check: z.string().trim().min(1).max(40),
  axle: axleNumber.optional(),
  side: z.enum(SIDES).optional(),
  /** The signs seen, in the words they were asked in; none where it looked good. */
  found: z.array(z.string().trim().min(1).max(60)).max(6),
  /** What was counted or read, in the unit it was asked in. */
  value: decimalText.optional(),
  unit: z.string().trim().max(12).optional(),
  words: z.string().trim().max(300).optional(),
});

/** Something a fleet looks at besides. What it asked stands in the reading: a check that is changed later changes no record. */
export const ownCheck = kindOf(schema)({
  kind: 'own-check',
  part: 'other',
  words: 'Own check',
  at: 'end',
  item: ({ check }) => check,
  text: ({ found, value, unit }) =>
    [...found, ...(value === undefined ? [] : [`${value} ${unit ?? ''}`.trim()])].join(', ') || 'good',
  good: ({ item = 'Own check', axle, side }) => ({
    kind: 'own-check',
    check: item,
    ...(axle ? { axle } : {}),
    ...(side ? { side } : {}),
    found: [],
  }),
});
