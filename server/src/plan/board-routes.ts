import { boardSchema, partsNeededSchema, unitPlanSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving } from '../http';
import { boardOf } from './board';
import { shopFacts } from './facts';
import { unitPlanOf } from './unit-plan';

/** The plan people work by, and what its jobs lack of the parts room. */
export function boardRoutes(app: App, serving: Serving): void {
  app.get(
    '/plan',
    {
      schema: {
        tags: ['plan'],
        summary: 'The plan people work by, as things stand, and what a search would be asked',
        response: { 200: boardSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store) => {
        return boardOf(store, serving.now());
      }),
  );

  app.get(
    '/units/:id/plan',
    {
      schema: {
        tags: ['plan'],
        summary: 'When a unit is expected back from the shop, and when it leaves next',
        params: z.object({ id: z.uuid() }),
        response: { 200: unitPlanSchema },
      },
    },
    (request) => ask(serving, request, (store) => unitPlanOf(store, request.params.id, serving.now())),
  );

  app.get(
    '/plan/parts',
    {
      schema: {
        tags: ['plan'],
        summary:
          'Parts that run short for open jobs, with the day they are here if they are ordered today; and what is on its way',
        response: { 200: partsNeededSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store) => {
        const { parts, coming, partNames, jobs } = await shopFacts(store, serving.now());
        const numbers = new Map(jobs.map(({ id, number }) => [id, number]));
        return {
          short: parts.shortages.map(({ part, missing, jobs: waiting, on }) => ({
            part,
            name: partNames.get(part) ?? part.replaceAll('-', ' '),
            missing,
            jobs: waiting.map((id) => ({ id, number: numbers.get(id) ?? '' })),
            on,
          })),
          coming: coming.map(({ part: _, ...each }) => each),
        };
      }),
  );
}
