import { type KindPad, valueBody, valueField } from './kind';

export const mudFlap: KindPad = {
  how: () => 'From the ground to the lower edge of the flap.',
  fields: () => [valueField('Ground to flap', 'fraction')],
  body: valueBody(),
  limited: () => ({ reading: 'mud-flap' }),
  wholes: { keys: [4, 5, 6, 7, 8, 9], usual: 7 },
};
