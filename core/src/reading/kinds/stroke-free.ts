import { z } from 'zod';
import { lengthText } from '../../measure';
import { isAirDrum } from '../../trailer';
import { chockedSchema, endOf, endPlace, kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('stroke-free'),
  ...endPlace,
  value: lengthText,
  method: z.enum(['bar', 'hand']).optional(),
  chocked: chockedSchema,
});

export const strokeFree = kindOf(schema)({
  kind: 'stroke-free',
  part: 'brake',
  words: 'Free stroke',
  short: 'Free',
  at: 'end',
  chocked: true,
  fits: isAirDrum,
  bench: true,
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ most: '4 in' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'stroke-free', ...endOf(at), value: '5/8 in', method: 'bar' }),
});
