import { defectsPageSchema, triagePageSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, readKey, type Serving } from '../http';
import { defectsIn } from './queries';
import { triagePage } from './triage';

const PAGE = 50;

/** Reports and what was made of them, page by page. */
export function defectRoutes(app: App, serving: Serving): void {
  app.get(
    '/triage',
    {
      schema: {
        tags: ['shop'],
        summary: 'What waits for an answer, by trailer, with what is proposed',
        querystring: z.strictObject({ after: z.string().max(300).optional() }),
        response: { 200: triagePageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.after, 5);
      return ask(serving, request, (store, actor) => triagePage(store, actor, serving.now(), key));
    },
  );

  app.get(
    '/defects',
    {
      schema: {
        tags: ['shop'],
        summary: 'Defects that wait for an answer or for a job, newest first',
        querystring: z.strictObject({
          state: z.enum(['reported', 'triaged', 'measuring']),
          after: z.string().max(200).optional(),
        }),
        response: { 200: defectsPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.after, 2);
      return ask(serving, request, async (store) => {
        const { rows, next } = await defectsIn(store, request.query.state, key, PAGE);
        return { defects: rows, next };
      });
    },
  );
}
