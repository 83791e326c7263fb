import type { FastifyRequest } from 'fastify';

/** Tries are counted by where they come from and by the name tried. */
export const byName = {
  max: 10,
  timeWindow: '1 minute',
  keyGenerator: ({ ip, body }: FastifyRequest) => `${ip} ${String((body as { name?: unknown })?.name).toLowerCase()}`,
  hook: 'preHandler',
} as const;
