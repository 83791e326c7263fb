import { type KindPad, valueBody, valueField } from './kind';

export const slackPull: KindPad = {
  how: () =>
    'Wheels chocked, brakes released: pull the slack adjuster by hand at the pushrod, and see how far it moves.',
  fields: () => [valueField('Moves', 'fraction')],
  body: valueBody(),
  limited: () => ({ reading: 'slack-pull' }),
  wholes: { keys: [0, 1, 2, 3], usual: 0 },
};
