import { type KindPad, valueBody, valueField } from './kind';

export const wheelTemperature: KindPad = {
  how: () =>
    'Infrared gauge close to the hub, square to it, right after a run: both ends of an axle one after the other.',
  fields: () => [valueField('Temperature', 'temperature')],
  body: valueBody(),
  limited: () => ({ reading: 'wheel-temperature' }),
  unruled: true,
};
