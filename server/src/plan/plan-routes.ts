import { planReplySchema, planRequestSchema } from '@zealous-axle/core';
import { type App, budget } from '../http';
import type { Planner } from './planner';

/** A thousand jobs, with who and where. */
const MOST_BYTES = 1024 * 1024;
const BYTES_A_MINUTE = 8 * 1024 * 1024;

/** Jobs in, schedule out: public, and nothing is stored. */
export function planRoutes(app: App, planner: Planner): void {
  app.post(
    '/plan',
    {
      bodyLimit: MOST_BYTES,
      onRequest: budget(BYTES_A_MINUTE),
      schema: {
        tags: ['plan'],
        summary: 'Plan a shop: a start, a bay and people for each job',
        description:
          'Searches for `timeLimitMs`, and answers with the best plan found, bounds that are proven – where its weighted sum is `boundSum`, no plan is better –, and why what has no place has none. 503 with Retry-After while every thread is at work.',
        body: planRequestSchema,
        response: { 200: planReplySchema },
      },
    },
    async (request, reply) => {
      const gone = new AbortController();
      reply.raw.once('close', () => gone.abort());
      const { slots, unplaced, objective, bound, boundSum, elapsedMs } = await planner.plan(request.body, gone.signal);
      return { slots, unplaced, objective, bound, boundSum, elapsedMs };
    },
  );
}
