import { EXAM_CODE, examSchema, practiceClassSchema, practiceSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving } from '../http';
import { found } from '../run';
import { examByCode, practiceClass, practiceOf } from './queries';

/** What is practised: one's own, a class as its teacher sees it, and an exam by its code. */
export function practiceRoutes(app: App, serving: Serving): void {
  app.get(
    '/practice',
    {
      schema: {
        tags: ['practice'],
        summary: 'What one is to practice, and what came of it',
        response: { 200: practiceSchema },
      },
    },
    (request) => ask(serving, request, practiceOf),
  );

  app.get(
    '/practice/class',
    {
      schema: {
        tags: ['practice'],
        summary: 'Everybody’s practice, by person and by item',
        response: { 200: practiceClassSchema },
      },
    },
    (request) =>
      ask(serving, request, (store, actor) => {
        return practiceClass(store, actor, serving.now());
      }),
  );

  app.get(
    '/practice/exams/:code',
    {
      schema: {
        tags: ['practice'],
        summary: 'A walk that is said to somebody else',
        params: z.object({ code: z.string().regex(EXAM_CODE) }),
        response: { 200: examSchema },
      },
      // A code is short: who tries one after another is stopped.
      config: { rateLimit: { max: 120, timeWindow: '1 minute' } },
    },
    (request) =>
      ask(serving, request, async (store, actor) =>
        found((await examByCode(store, actor, request.params.code, serving.now())) ?? undefined),
      ),
  );
}
