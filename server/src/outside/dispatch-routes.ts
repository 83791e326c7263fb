import { dispatchSchema } from '@zealous-axle/core';
import { asc, sql } from 'drizzle-orm';
import { type App, ask, type Serving } from '../http';
import type { FleetStore } from '../store';
import { connectionTo } from './connections';
import { dispatchLines } from './made-up-dispatch';
import { dispatchLine } from './schema';

/** More are asked for again once these were taken. */
const MOST = 500;
/** Units that the stand-in makes something up for. */
const MADE_UP_UNITS = 60;

/** What a stand-in makes up now, for the first units of the fleet. */
async function madeUpLines(store: FleetStore, now: Date): Promise<string[]> {
  const { rows } = await store.execute<{ number: string; value: string | null; at: string | null }>(
    sql`select u.number, m.value, m.read_at as at from unit u
      left join lateral (
        select value, read_at from meter where fleet_id = u.fleet_id and unit_id = u.id
        order by read_at desc, recorded_at desc limit 1) m on true
      where u.state = 'in-use' and u.kind <> 'dolly' order by u.number limit ${MADE_UP_UNITS}`,
  );
  const units = rows.map(({ number, value, at }) => ({
    number,
    meter: value && at ? { value, at: new Date(at) } : null,
  }));
  return dispatchLines(units, now);
}

/** What dispatch tells: of a connected system the newest lines, of a stand-in what it makes up; nothing where neither is. */
export function dispatchRoutes(app: App, serving: Serving): void {
  app.get(
    '/dispatch',
    {
      schema: {
        tags: ['dispatch'],
        summary: 'Departures and meters as dispatch tells them, in lines of its protocol, and who tells them',
        response: { 200: dispatchSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store) => {
        const way = (await connectionTo(store, 'dispatch'))?.way ?? 'none';
        if (way === 'none') return { way, lines: [] };
        if (way === 'made-up') return { way, lines: await madeUpLines(store, serving.now()) };
        const rows = await store
          .select({ line: dispatchLine.line })
          .from(dispatchLine)
          .orderBy(asc(dispatchLine.unitNumber), asc(dispatchLine.verb))
          .limit(MOST);
        return { way, lines: rows.map(({ line }) => line) };
      }),
  );
}
