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
        summary: 'Departures and meters, as the simulated dispatch system tells them',
        response: { 200: dispatchSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store, { person }) => {
        if (!SHOP.includes(person.role)) throw new KnownProblem('not-allowed');
        const { rows } = await store.execute<{ number: string; value: string | null; at: string | null }>(
          sql`select u.number, m.value, m.read_at as at from unit u
            left join lateral (
              select value, read_at from meter where fleet_id = u.fleet_id and unit_id = u.id
              order by read_at desc, recorded_at desc limit 1) m on true
            where u.state = 'in-use' and u.kind <> 'dolly' order by u.number limit 60`,
        );
        const units = rows.map(({ number, value, at }) => ({
          number,
          meter: value && at ? { value, at: new Date(at) } : null,
        }));
        return { lines: dispatchLines(units, serving.now()) };
      }),
  );
}
