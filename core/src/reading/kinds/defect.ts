import { z } from 'zod';
import { catalogueEntry } from '../../catalogue';
import { SIDES, TYRES } from '../../trailer';
import { axleNumber, kindOf } from '../kind';
import { codeText } from './check';

/** A defect seen, told as a reading: it counts in a judgement like one. No step of a route asks for it. */
const schema = z.strictObject({
  kind: z.literal('defect'),
  axle: axleNumber.optional(),
  side: z.enum(SIDES).optional(),
  tyre: z.enum(TYRES).optional(),
  code: codeText,
});

export const defect = kindOf(schema)({
  kind: 'defect',
  part: 'other',
  words: 'Defect',
  at: 'end',
  item: ({ code }) => code,
  text: ({ code }) => catalogueEntry(code)?.words ?? code,
  good: ({ item = '' }) => ({ kind: 'defect', code: item }),
});
