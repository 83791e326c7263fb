import { planReplySchema, planRequestSchema } from '@zealous-axle/core';
import type { FastifyRequest } from 'fastify';
import { type App, budget, budgetOf, COOKIE, type Serving, signedIn } from '../http';
import type { Planner } from './planner';

/** A thousand jobs, with who and where. */
const MOST_BYTES = 1024 * 1024;
const BYTES_A_MINUTE = 8 * 1024 * 1024;
/** How long whoever is not signed in may have searched for them. */
const SEARCH_MS_A_MINUTE = 30_000;

/** Who plans for a fleet's own people, and who for everybody else: those never wait for these. */
export interface Planners {
  planner: Planner;
  strangers: Planner;
}

/** Jobs in, schedule out: public, and nothing is stored. */
export function planRoutes(app: App, parts: Serving & Planners): void {
  const search = budgetOf(SEARCH_MS_A_MINUTE);
  const isKnown = async (request: FastifyRequest) =>
    Boolean(request.cookies[COOKIE]) && (await signedIn(parts, request).then(Boolean, () => false));
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
      const known = await isKnown(request);
      if (!known) search(request, reply, request.body.timeLimitMs);
      const planner = known ? parts.planner : parts.strangers;
      const gone = new AbortController();
      reply.raw.once('close', () => gone.abort());
      const { slots, unplaced, objective, bound, boundSum, elapsedMs } = await planner.plan(request.body, gone.signal);
      return { slots, unplaced, objective, bound, boundSum, elapsedMs };
    },
  );
}
