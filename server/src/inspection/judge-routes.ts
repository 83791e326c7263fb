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
  spoken,
} from '@zealous-axle/core';
import { z } from 'zod';
import { type App, budget } from '../http';

const MOST_BYTES = 256 * 1024;
/** Thousands of a trailer's readings, so that an outsider can check our arithmetic; a flood of the largest fails at once. */
const BYTES_A_MINUTE = 4 * 1024 * 1024;

/** Readings in, findings out: public, and nothing is stored. */
export function judgeRoutes(app: App): void {
  app.post(
    '/judge',
    {
      bodyLimit: MOST_BYTES,
      onRequest: budget(BYTES_A_MINUTE),
      schema: {
        tags: ['judge'],
        summary: 'Judge readings against a limit book',
        description: `For example:\n\n\`\`\`json\n${JSON.stringify(JUDGE_SAMPLE, null, 1)}\n\`\`\``,
        body: judgeRequestSchema,
        response: { 200: judgeAnswerSchema },
      },
    },
    async (request) => spoken(judge(request.body)),
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
