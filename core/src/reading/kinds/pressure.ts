import { z } from 'zod';
import { pressureText, temperatureText } from '../../measure';
import { kindOf, tyreOf, tyrePlace } from '../kind';
import { oddPressure } from '../plausible';

const schema = z.strictObject({
  kind: z.literal('pressure'),
  ...tyrePlace,
  value: pressureText,
  target: pressureText.optional(),
  sidewallMax: pressureText.optional(),
  hot: z.boolean().optional(),
  /** The tyre is rated above 4,000 lb; left out when that is not known. */
  heavy: z.boolean().optional(),
  /** Temperature of the tyre's air when it was read, and the one its target is meant for. */
  temperature: temperatureText.optional(),
  coldTemperature: temperatureText.optional(),
});

export const pressure = kindOf(schema)({
  kind: 'pressure',
  part: 'tyre',
  comparisons: { 'dual-pressure': { words: 'Duals too far apart in pressure', between: 'dual' } },
  words: 'Tire pressure',
  short: 'Pressure',
  at: 'tyre',
  odd: ({ value, target, sidewallMax }) => oddPressure(value, target, sidewallMax),
  text: ({ value }) => value,
  good: (at) => ({ kind: 'pressure', ...tyreOf(at), value: '101 psi', target: '100 psi', sidewallMax: '120 psi' }),
});
