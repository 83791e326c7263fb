import {
  dayIn,
  jobPageSchema,
  jobsPageSchema,
  lapsedSchema,
  partsSchema,
  shopSchema,
  templatesSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { countDefects, defectViews } from '../defects';
import { openHolds } from '../fleet';
import { type App, ask, readKey, type Serving } from '../http';
import { standingReadings } from '../inspection';
import { bayList, closedJobs, countOpenJobs, jobViews, lapsedRetorques, openJobs, workOn } from './queries';
import { partsOf, templatesOf } from './shop-data';

const PAGE = 50;

/** What the shop has before it: how much, the jobs page by page, and one job. */
export function shopRoutes(app: App, serving: Serving): void {
  app.get(
    '/shop',
    { schema: { tags: ['shop'], summary: 'The shop: its bays, and how much waits', response: { 200: shopSchema } } },
    (request) =>
      ask(serving, request, async (store, { fleet }) => {
        const defects = await countDefects(store, ['reported', 'triaged']);
        return {
          today: dayIn(fleet.zone, serving.now()),
          bays: await bayList(store),
          totals: {
            reported: defects.get('reported') ?? 0,
            triaged: defects.get('triaged') ?? 0,
            jobs: await countOpenJobs(store),
          },
        };
      }),
  );

  app.get(
    '/jobs',
    {
      schema: {
        tags: ['shop'],
        summary: 'Open jobs: what is on no day yet, then day after day',
        querystring: z.strictObject({ after: z.string().max(200).optional() }),
        response: { 200: jobsPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.after, 2);
      return ask(serving, request, async (store) => {
        const { rows, next } = await openJobs(store, key, PAGE);
        return { jobs: rows, next };
      });
    },
  );

  app.get(
    '/jobs/:id',
    {
      schema: {
        tags: ['shop'],
        summary: 'One job, from its bay and day to its certificate',
        params: z.object({ id: z.uuid() }),
        response: { 200: jobPageSchema },
      },
    },
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
          ...(await workOn(store, job.id)),
        };
      }),
  );

  app.get(
    '/retorques/lapsed',
    {
      schema: {
        tags: ['shop'],
        summary: 'Re-torques whose day has passed, and that are no report yet',
        response: { 200: lapsedSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store, { fleet }) => ({
        lapsed: await lapsedRetorques(store, dayIn(fleet.zone, serving.now())),
      })),
  );

  app.get(
    '/templates',
    {
      schema: {
        tags: ['shop'],
        summary: 'How each kind of repair goes: steps, time, people, parts',
        response: { 200: templatesSchema },
      },
    },
    (request) => ask(serving, request, async (store) => ({ templates: await templatesOf(store) })),
  );

  app.get(
    '/parts',
    { schema: { tags: ['shop'], summary: 'The parts room', response: { 200: partsSchema } } },
    (request) => ask(serving, request, partsOf),
  );

  app.get(
    '/units/:id/jobs',
    {
      schema: {
        tags: ['shop'],
        summary: 'Closed jobs of one unit, the newest first',
        params: z.object({ id: z.uuid() }),
        querystring: z.strictObject({ after: z.string().max(200).optional() }),
        response: { 200: jobsPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.after, 1);
      return ask(serving, request, async (store) => {
        const { rows, next } = await closedJobs(store, request.params.id, key, PAGE);
        return { jobs: rows, next };
      });
    },
  );
}
