import { z } from 'zod';
import { temperatureText } from '../../measure';
import { endOf, endPlace, kindOf } from '../kind';

/** At the hub or drum of one axle end, by an infrared gauge, after a run. */
const schema = z.strictObject({ kind: z.literal('wheel-temperature'), ...endPlace, value: temperatureText });

export const wheelTemperature = kindOf(schema)({
  kind: 'wheel-temperature',
  part: 'hub',
  comparisons: {
    'wheel-temperature-apart': { words: 'Much hotter than the other end of its axle', between: 'axle' },
  },
  words: 'Wheel-end temperature',
  short: 'Heat',
  at: 'end',
  bench: true,
  figures: ({ value }) => [value],
  plausible: [{ least: '-60 °F', most: '1200 °F' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'wheel-temperature', ...endOf(at), value: '150 °F' }),
});
