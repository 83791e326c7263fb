import {
  dayIn,
  forecastAskedSchema,
  forecastPageSchema,
  unitForecastSchema,
  weeksAheadSchema,
  whileThereSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, readKey, type Serving } from '../http';
import { inFleet } from '../store';
import { whileThere } from './bundle';
import { wishForecast } from './keep';
import { forecastPage, unitForecast, weeksOf } from './queries';

/** What reaches its limit by when: over the fleet, week by week, and of one unit with all it follows from. */
export function forecastRoutes(app: App, serving: Serving): void {
  app.get(
    '/forecast',
    {
      schema: {
        tags: ['forecast'],
        summary: 'What reaches its limit by when, the first before',
        querystring: forecastAskedSchema,
        response: { 200: forecastPageSchema },
      },
    },
    async (request) => {
      const key = readKey(request.query.after, 3);
      const { fleet, page } = await ask(serving, request, async (store, actor) => ({
        fleet: actor.fleet.id,
        page: await forecastPage(store, request.query, dayIn(actor.fleet.zone, serving.now()), key),
      }));
      // A fleet whose units were never worked out, or not all of them: asked for once, however many look.
      if (page.known < page.units) await inFleet(serving.db, fleet, (store) => wishForecast(store, fleet, 'missing'));
      return page;
    },
  );

  app.get(
    '/forecast/weeks',
    {
      schema: {
        tags: ['forecast'],
        summary: 'Hours and parts that the weeks ahead ask for, by what is foreseen',
        querystring: forecastAskedSchema.omit({ after: true }),
        response: { 200: weeksAheadSchema },
      },
    },
    (request) =>
      ask(serving, request, (store, { fleet }) => weeksOf(store, request.query, dayIn(fleet.zone, serving.now()))),
  );

  app.get(
    '/units/:id/while-there',
    {
      schema: {
        tags: ['forecast'],
        summary: 'What else could be done while a unit is in the shop, with what it saves and throws away',
        params: z.object({ id: z.uuid() }),
        response: { 200: whileThereSchema },
      },
    },
    (request) => ask(serving, request, (store) => whileThere(store, request.params.id, serving.now())),
  );

  app.get(
    '/units/:id/forecast',
    {
      schema: {
        tags: ['forecast'],
        summary:
          'Every wearing part of one unit: its readings and who took them, its lives, and when each limit is reached',
        params: z.object({ id: z.uuid() }),
        response: { 200: unitForecastSchema },
      },
    },
    (request) =>
      ask(serving, request, (store, { fleet }) =>
        unitForecast(store, request.params.id, dayIn(fleet.zone, serving.now())),
      ),
  );
}
