import { z } from 'zod';
import { lengthText } from '../../measure';
import { chockedSchema, endOf, endPlace, kindOf } from '../kind';

/** How far the slack adjuster moves when it is pulled by hand, chocked and released. */
const schema = z.strictObject({
  kind: z.literal('slack-pull'),
  ...endPlace,
  value: lengthText,
  chocked: chockedSchema,
});

export const slackPull = kindOf(schema)({
  kind: 'slack-pull',
  part: 'brake',
  words: 'Slack pull by hand',
  short: 'Pull',
  at: 'end',
  chocked: true,
  fits: ({ brake }) => brake === 's-cam',
  scale: true,
  figures: ({ value }) => [value],
  plausible: [{ most: '4 in' }],
  text: ({ value }) => value,
  good: (at) => ({ kind: 'slack-pull', ...endOf(at), value: '3/4 in' }),
});
