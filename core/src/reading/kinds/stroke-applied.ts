import { z } from 'zod';
import { lengthText, must, type Nanometres, parseLength, pressureText } from '../../measure';
import { hasPushrod } from '../../trailer';
import { type Contradiction, chockedSchema, endOf, endPlace, kindOf } from '../kind';
import { oddPressure } from '../plausible';

export const STROKE_METHODS = ['face-mark', 'pin-distance'] as const;

const schema = z.strictObject({
  kind: z.literal('stroke-applied'),
  ...endPlace,
  value: lengthText,
  /** Reservoir pressure at the full application; left out when it was not noted. */
  reservoir: pressureText.optional(),
  method: z.enum(STROKE_METHODS).optional(),
  /** Face to pin, released and applied: the value is their difference. */
  distances: z.tuple([lengthText, lengthText]).optional(),
  /** Full applications made before it was measured again. */
  presses: z.int().min(0).max(50).optional(),
  chocked: chockedSchema,
});

/** Rounding two distances may move their difference by this much, in nanometres. */
const ROUNDED: Nanometres = 20_000;

function contradiction({ value, distances }: z.infer<typeof schema>): Contradiction | null {
  if (!distances) return null;
  const [released, applied, stroke] = [...distances, value].map((text) => must(parseLength(text, 'none')));
  const apart = Math.abs((applied ?? 0) - (released ?? 0) - (stroke ?? 0));
  return apart <= ROUNDED ? null : { path: 'value', message: `${distances.join(' to ')} is not a stroke of ${value}` };
}

export const strokeApplied = kindOf(schema)({
  kind: 'stroke-applied',
  part: 'brake',
  words: 'Applied stroke',
  short: 'Stroke',
  at: 'end',
  chocked: true,
  fits: hasPushrod,
  bench: true,
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ least: '1/8 in', most: '4 in', orNone: true }],
  odd: ({ reservoir }) => (reservoir ? oddPressure(reservoir) : null),
  contradiction,
  text: ({ value }) => value,
  good: (at) => ({ kind: 'stroke-applied', ...endOf(at), value: '1 5/8 in', reservoir: '95 psi' }),
});
