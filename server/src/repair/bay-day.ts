import { type BayDay, dayAfter, dayBegins, spansOf } from '@zealous-axle/core';
import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import { bay } from '../people';
import type { FleetStore } from '../store';
import { job } from './schema';

const MINUTE_MS = 60_000;

/** How much of a bay's day other jobs take, and how long it is open that day; null where there is no such bay. */
export async function bayDay(
  store: FleetStore,
  zone: string,
  { bay: id, day, job: but }: { bay: string; day: string; job: string },
): Promise<BayDay | null> {
  const [[its], [booked]] = await Promise.all([
    store.select().from(bay).where(eq(bay.id, id)),
    store
      .select({ minutes: sql<number>`coalesce(sum(${job.minutes}), 0)::int` })
      .from(job)
      .where(
        and(eq(job.bayId, id), eq(job.day, day), ne(job.id, but), inArray(job.state, ['placed', 'started', 'done'])),
      ),
  ]);
  if (!its) return null;
  const { hours, closed } = its.work;
  const begins = new Date(dayBegins(zone, day));
  const ends = new Date(dayBegins(zone, dayAfter(day, 1)));
  const shut = closed.some(({ from, until }) => from <= day && day <= until);
  const whole = shut ? 0 : (ends.getTime() - begins.getTime()) / MINUTE_MS;
  const spans = spansOf(zone, begins, 1, { hours, away: closed }).filter(([from]) => from < ends.toISOString());
  const open = spans.reduce((sum, [from, to]) => sum + (Date.parse(to) - Date.parse(from)) / MINUTE_MS, 0);
  return { booked: booked?.minutes ?? 0, open: Math.round(hours.length ? open : whole) };
}
