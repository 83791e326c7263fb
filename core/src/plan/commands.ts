import { z } from 'zod';
import { BENCH, command, SHOP, whoMay } from '../life';
import { PLAN_RUN_LIFE } from './run-life';
import { keptSlotSchema } from './views';
import { planWeightsSchema } from './weights-form';

const id = z.uuid();
/** How long a search may take. Seconds. */
export const LONGEST_SEARCH = 60;

/** What is secret in a calendar's address: made by the client, kept by nobody but as a hash. */
const secretText = z.string().regex(/^[A-Za-z0-9_-]{32,64}$/, 'a secret has 32 to 64 letters and digits');

export const PLAN_COMMANDS = {
  /** A search for a plan, by whichever worker is free. `version` is that of the plan it starts from. */
  'ask-plan': command(
    'fleet',
    whoMay(PLAN_RUN_LIFE, 'ask for'),
    z.strictObject({
      run: id,
      how: z.enum(['anew', 'again']),
      seconds: z.int().min(1).max(LONGEST_SEARCH),
    }),
    { touches: ['plan'] },
  ),
  'cancel-plan': command('fleet', whoMay(PLAN_RUN_LIFE, 'cancel'), z.strictObject({ run: id }), { touches: ['plan'] }),
  'put-plan-aside': command('fleet', whoMay(PLAN_RUN_LIFE, 'put aside'), z.strictObject({ run: id }), {
    touches: ['plan'],
  }),
  /** The plan people work by from now on. Whoever changed an older `version` is shown the newer one. */
  'publish-plan': command(
    'fleet',
    SHOP,
    z.strictObject({
      version: z.int().min(0),
      slots: z.array(keptSlotSchema.extend({ job: id, bay: id, technicians: z.array(id).max(20) })).max(1_000),
      /** The search it was taken from. */
      run: id.optional(),
    }),
    { touches: ['shop', 'plan'], names: ({ slots }) => ({ jobs: slots.map((slot) => slot.job) }) },
  ),
  /** What the plan is wanted by. `version` is that of the fleet's settings. */
  'set-plan-weights': command('fleet', SHOP, z.strictObject({ version: z.int(), weights: planWeightsSchema }), {
    touches: ['plan'],
    movesPlan: 'Plan priorities changed',
  }),
  /** An address for a calendar program: of one's own jobs, or of the whole plan. */
  'open-calendar': command(
    'self',
    BENCH,
    z.strictObject({ calendar: id, whose: z.enum(['mine', 'shop']), secret: secretText }),
    { touches: ['plan'], logged: true },
  ),
  /** The address opens nothing any more. */
  'close-calendar': command('self', BENCH, z.strictObject({ calendar: id }), { touches: ['plan'], logged: true }),
} as const;
