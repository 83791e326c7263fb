import { type KindPad, valueBody, valueField } from './kind';

export const endPlay: KindPad = {
  how: () => 'Dial indicator on the hub, wheel off the ground, pulled and pushed.',
  fields: () => [valueField('End play', 'thousandths')],
  body: valueBody(),
  limited: () => ({ reading: 'end-play' }),
};
