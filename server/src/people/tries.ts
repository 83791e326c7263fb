import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Coming } from '../access';
import { budgetOf, type Serving } from '../http';

/** Tries are counted by where they come from and by the name tried. */
export const byName = {
  max: 10,
  timeWindow: '1 minute',
  keyGenerator: ({ ip, body }: FastifyRequest) => `${ip} ${String((body as { name?: unknown })?.name).toLowerCase()}`,
  hook: 'preHandler',
} as const;

/** One address may try so many names a minute: whoever tries name after name is stopped, and nobody else. */
const MOST_A_MINUTE = 60;
export function triesOfAnyName() {
  const tried = budgetOf(MOST_A_MINUTE);
  return async (request: FastifyRequest, reply: FastifyReply): Promise<void> => tried(request, reply, 1);
}

/** When and from where somebody comes in. */
export const coming = ({ now, closedFleet }: Serving, { ip }: FastifyRequest): Coming => ({
  now: now(),
  from: ip,
  closedFleet,
});
