import { defectsPageSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, readKey, type Serving } from '../http';
import { defectsIn } from './queries';

const PAGE = 50;

/** Reports and what was made of them, page by page. */
export function defectRoutes(app: App, serving: Serving): void {
  app.get(
    '/defects',
    {
      schema: {
        tags: ['shop'],
        summary: 'Defects that wait for an answer or for a job, newest first',
        querystring: z.strictObject({
          state: z.enum(['reported', 'triaged']),
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
