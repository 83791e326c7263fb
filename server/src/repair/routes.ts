import {
  bayDaySchema,
  dayIn,
  foundRepairsSchema,
  jobPageSchema,
  jobsPageSchema,
  lapsedSchema,
  partsSchema,
  roadSchema,
  shopSchema,
  templatesSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { countDefects } from '../defects';
import { type App, ask, readKey, type Serving } from '../http';
import { bayDay } from './bay-day';
import { jobPage } from './page';
import { bayList, closedJobs, countOpenJobs, lapsedRetorques, openJobs } from './queries';
import { openCalls, roadOf } from './road';
import { searchRepairs } from './search';
import { partsOf, templatesShown } from './shop-data';
import { whyNotSigned } from './work';

const PAGE = 50;

/** How much the shop has before it. */
function loadRoutes(app: App, serving: Serving): void {
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
          help: await openCalls(store),
        };
      }),
  );

  app.get(
    '/bays/:id/day',
    {
      schema: {
        tags: ['shop'],
        summary: 'How much of a bay’s day is taken by other jobs than the asked one',
        params: z.object({ id: z.uuid() }),
        querystring: z.strictObject({ day: z.iso.date(), job: z.uuid() }),
        response: { 200: bayDaySchema },
      },
    },
    (request) =>
      ask(serving, request, (store, { fleet }) =>
        bayDay(store, fleet.zone, { bay: request.params.id, ...request.query }),
      ),
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
}

/** The jobs, page by page, and one of them. */
function jobRoutes(app: App, serving: Serving): void {
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
      ask(serving, request, async (store, session) => {
        const now = serving.now();
        const page = await jobPage(store, request.params.id, session.fleet.zone, now);
        if (!page) return null;
        const cannotSign = await whyNotSigned(store, { session, at: now, now }, page.work);
        return { ...page, cannotSign };
      }),
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

/** How repairs go and what they take. */
function dataRoutes(app: App, serving: Serving): void {
  app.get(
    '/templates',
    {
      schema: {
        tags: ['shop'],
        summary: 'How each kind of repair goes: steps, time, people, parts',
        response: { 200: templatesSchema },
      },
    },
    (request) => ask(serving, request, templatesShown),
  );

  app.get(
    '/parts',
    { schema: { tags: ['shop'], summary: 'The parts room', response: { 200: partsSchema } } },
    (request) => ask(serving, request, partsOf),
  );
}

/** What is looked up: the road, and repairs by their words. */
function lookUpRoutes(app: App, serving: Serving): void {
  app.get(
    '/units/:id/road',
    {
      schema: {
        tags: ['shop'],
        summary: 'What the road costs, and road services asked for one unit',
        params: z.object({ id: z.uuid() }),
        response: { 200: roadSchema },
      },
    },
    (request) => ask(serving, request, (store) => roadOf(store, request.params.id)),
  );

  app.get(
    '/repairs',
    {
      schema: {
        tags: ['shop'],
        summary: 'Defects and jobs that have these words in them, the newest first',
        querystring: z.strictObject({ text: z.string().trim().min(2).max(60) }),
        response: { 200: foundRepairsSchema },
      },
    },
    (request) => ask(serving, request, (store) => searchRepairs(store, request.query.text)),
  );
}

/** What the shop has before it: how much, the jobs, what it works by, and what was done. */
export function shopRoutes(app: App, serving: Serving): void {
  loadRoutes(app, serving);
  jobRoutes(app, serving);
  dataRoutes(app, serving);
  lookUpRoutes(app, serving);
}
