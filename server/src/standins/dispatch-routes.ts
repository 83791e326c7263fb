import { dispatchSchema, SHOP } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { type App, ask, type Serving } from '../http';
import { KnownProblem } from '../problem';
import { dispatchLines } from './dispatch';

/** The simulated dispatch system: what it says now, in lines of its protocol. */
export function dispatchRoutes(app: App, serving: Serving): void {
  app.get(
    '/dispatch',
    {
      schema: {
        tags: ['dispatch'],
        summary: 'Departures, as the simulated dispatch system tells them',
        response: { 200: dispatchSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store, { person }) => {
        if (!SHOP.includes(person.role)) throw new KnownProblem('not-allowed');
        const { rows } = await store.execute<{ number: string }>(
          sql`select number from unit where state = 'in-use' and kind <> 'dolly' order by number limit 60`,
        );
        return {
          lines: dispatchLines(
            rows.map(({ number }) => number),
            serving.now(),
          ),
        };
      }),
  );
}
