import { z } from 'zod';
import { command, SHOP } from '../life';

const proposal = {
  unit: z.uuid(),
  /** The part that asks for it, and the reading it is answered for. */
  key: z.string().min(1).max(80),
  seen: z.iso.datetime({ offset: true }),
};

export const FORECAST_COMMANDS = {
  /** Does it in this visit: a job by its template, from what the forecast says. */
  'bundle-work': command('unit', SHOP, z.strictObject({ ...proposal, job: z.uuid() }), {
    touches: ['shop', 'forecast'],
    movesPlan: 'There is a new job',
  }),
  /** Not now: it is not proposed again until the part was read anew. */
  'decline-work': command('unit', SHOP, z.strictObject(proposal), { touches: ['forecast'] }),
} as const;
