import { jobPageSchema, shopSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { defectViews } from '../defects';
import { openHolds } from '../fleet';
import { type App, ask, dayIn, type Serving } from '../http';
import { standingReadings } from '../inspection';
import { bayList, jobViews } from './queries';

/** What the shop has before it: reports to triage, jobs, bays; and one job. */
export function shopRoutes(app: App, serving: Serving): void {
  app.get('/shop', { schema: { tags: ['shop'], response: { 200: shopSchema } } }, (request) =>
    ask(serving, request, async (store, { fleet }) => ({
      today: dayIn(fleet.zone, serving.now()),
      bays: await bayList(store),
      defects: await defectViews(store, { states: ['reported', 'triaged'] }),
      jobs: await jobViews(store, { states: ['open', 'placed', 'started', 'done'] }),
    })),
  );

  app.get(
    '/jobs/:id',
    { schema: { tags: ['shop'], params: z.object({ id: z.uuid() }), response: { 200: jobPageSchema } } },
    (request) =>
      ask(serving, request, async (store, { fleet }) => {
        const [job] = await jobViews(store, { id: request.params.id });
        if (!job) return null;
        return {
          job,
          bays: await bayList(store),
          today: dayIn(fleet.zone, serving.now()),
          held: (await openHolds(store, job.unit.id)).length > 0,
          defects: await defectViews(store, { jobId: job.id }),
          standing: await standingReadings(store, job.unit.id),
        };
      }),
  );
}
