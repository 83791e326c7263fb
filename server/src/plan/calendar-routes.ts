import { calendarsSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving } from '../http';
import { KnownProblem } from '../problem';
import { calendarOf, openCalendars } from './calendar';

/** Calendars by their address, and the addresses that are open. */
export function calendarRoutes(app: App, serving: Serving): void {
  app.get(
    '/calendar/:token.ics',
    {
      schema: {
        tags: ['plan'],
        summary: 'The shop plan as a calendar: whoever has the address may read it, until it is closed',
        params: z.object({ token: z.string().max(200) }),
      },
    },
    async (request, reply) => {
      const calendar = await calendarOf(serving.db, request.params.token, serving.now());
      if (!calendar) throw new KnownProblem('not-found');
      return reply
        .header('content-type', 'text/calendar; charset=utf-8')
        .header('cache-control', 'no-cache')
        .send(calendar);
    },
  );
}

export function ownCalendarRoutes(app: App, serving: Serving): void {
  app.get(
    '/calendars',
    {
      schema: { tags: ['plan'], summary: 'Calendar addresses that are open', response: { 200: calendarsSchema } },
    },
    (request) =>
      ask(serving, request, async (store, { person }) => ({ calendars: await openCalendars(store, person) })),
  );
}
