import { z } from 'zod';
import { kindOf } from '../kind';

const schema = z.strictObject({
  kind: z.literal('slider-pins'),
  pins: z.int().min(1).max(12),
  seated: z.int().min(0).max(12),
});

export const sliderPins = kindOf(schema)({
  kind: 'slider-pins',
  part: 'frame',
  words: 'Slider pins',
  plural: true,
  at: 'unit',
  contradiction: ({ pins, seated }) =>
    seated > pins ? { path: 'seated', message: `Of ${pins} pins ${seated} cannot be seated` } : null,
  text: ({ pins, seated }) => `${seated} of ${pins} seated`,
  good: () => ({ kind: 'slider-pins', pins: 4, seated: 4 }),
});
