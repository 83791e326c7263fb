import {
  CATALOGUE,
  CHECKS,
  catalogueEntrySchema,
  checkSchema,
  JUDGE_SAMPLE,
  judge,
  judgeAnswerSchema,
  judgeRequestSchema,
  ROUTES,
  routeSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import type { App } from '../http';

const MOST_BYTES = 512 * 1024;
/** A judgement takes about a millisecond: an outsider may check our arithmetic by the thousand, and cannot hold the server up. */
const MOST_A_MINUTE = 6_000;

/** Readings in, findings out: public, and nothing is stored. */
export function judgeRoutes(app: App): void {
  app.post(
    '/judge',
    {
      bodyLimit: MOST_BYTES,
      config: { rateLimit: { max: MOST_A_MINUTE, timeWindow: '1 minute' } },
      schema: {
        tags: ['judge'],
        summary: 'Judge readings against a limit book',
        description: `For example:\n\n\`\`\`json\n${JSON.stringify(JUDGE_SAMPLE, null, 1)}\n\`\`\``,
        body: judgeRequestSchema,
        response: { 200: judgeAnswerSchema },
      },
    },
    async (request) => judge(request.body),
  );

  app.get(
    '/checks',
    { schema: { tags: ['judge'], summary: 'What is looked at by eye', response: { 200: z.array(checkSchema) } } },
    async () => [...CHECKS],
  );
  app.get(
    '/routes',
    { schema: { tags: ['judge'], summary: 'The routes that ship', response: { 200: z.array(routeSchema) } } },
    async () => [...ROUTES],
  );
  app.get(
    '/catalogue',
    { schema: { tags: ['judge'], summary: 'Defects found by eye', response: { 200: z.array(catalogueEntrySchema) } } },
    async () => [...CATALOGUE],
  );
}
