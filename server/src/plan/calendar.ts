import { createHash } from 'node:crypto';
import type { KeptSlot } from '@zealous-axle/core';
import { and, asc, eq, isNull } from 'drizzle-orm';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { person } from '../access';
import { notNow } from '../problem';
import { changed, found, type Handler } from '../run';
import { type Database, type FleetStore, readInFleet } from '../store';
import { shopFacts } from './facts';
import { planVersion } from './runs';
import { calendarFeed } from './schema';

/** A calendar that is asked again after so long. */
const AGAIN_SECONDS = 15 * 60;
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** An address of a calendar: of one's own jobs, or of the whole shop. What is secret in it is never kept. */
export const openCalendar: Handler<'open-calendar'> = async ({ store, session, now, body }) => {
  await store.insert(calendarFeed).values({
    fleetId: session.fleet.id,
    id: body.calendar,
    secretHash: hashOf(body.secret),
    personId: body.whose === 'mine' ? session.person.id : null,
    madeBy: session.person.id,
    madeAt: now,
  });
  const { secret: _, ...kept } = body;
  return { unitId: null, changed: [changed('fleet', session.fleet.id)], eventBody: kept };
};

export const closeCalendar: Handler<'close-calendar'> = async ({ store, session, now, body }) => {
  const [row] = await store.select().from(calendarFeed).where(eq(calendarFeed.id, body.calendar)).for('update');
  if (found(row).madeBy !== session.person.id && session.person.role !== 'manager') throw notNow('not-your-calendar');
  await store.update(calendarFeed).set({ revokedAt: now }).where(eq(calendarFeed.id, body.calendar));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** Addresses that are open, one's own; a manager sees everybody's. */
export async function openCalendars(store: FleetStore, who: { id: string; role: string }) {
  const rows = await store
    .select({ feed: calendarFeed, by: person.name })
    .from(calendarFeed)
    .innerJoin(person, and(eq(person.fleetId, calendarFeed.fleetId), eq(person.id, calendarFeed.madeBy)))
    .where(and(isNull(calendarFeed.revokedAt), who.role === 'manager' ? undefined : eq(calendarFeed.madeBy, who.id)))
    .orderBy(asc(calendarFeed.madeAt));
  return rows.map(({ feed, by }) => ({
    id: feed.id,
    whose: feed.personId ? ('mine' as const) : ('shop' as const),
    by,
    at: feed.madeAt.toISOString(),
  }));
}

/** The plan as a calendar, for whoever has its address: null where the address opens nothing, or no longer. */
export async function calendarOf(db: Database, token: string, now: Date): Promise<string | null> {
  const [fleetId, secret] = token.split('.');
  if (!fleetId || !secret || !/^[0-9a-f-]{36}$/.test(fleetId)) return null;
  return readInFleet(db, fleetId, async (store) => {
    const [row] = await store
      .select({ feed: calendarFeed })
      .from(calendarFeed)
      // Who left reads nothing any more, whoever has their address.
      .innerJoin(
        person,
        and(eq(person.fleetId, calendarFeed.fleetId), eq(person.id, calendarFeed.madeBy), eq(person.active, true)),
      )
      .where(and(eq(calendarFeed.secretHash, hashOf(secret)), isNull(calendarFeed.revokedAt)));
    const feed = row?.feed;
    if (!feed) return null;
    const [facts, version] = await Promise.all([shopFacts(store, now), planVersion(store)]);
    const jobs = new Map(facts.jobs.map((job) => [job.id, job]));
    const bays = new Map(facts.bays.map(({ id, name }) => [id, name]));
    const names = new Map(facts.people.map(({ id, name }) => [id, name]));
    const own = ({ technicians }: KeptSlot) => feed.personId === null || technicians.includes(feed.personId);
    const calendar = ical({
      name: feed.personId ? `Jobs of ${names.get(feed.personId) ?? 'a technician'}` : 'Shop plan',
      method: ICalCalendarMethod.PUBLISH,
      prodId: { company: 'Zealous Axle', product: 'Shop plan' },
      ttl: AGAIN_SECONDS,
    });
    for (const slot of facts.slots.filter(own)) {
      const job = jobs.get(slot.job);
      if (!job) continue;
      calendar.createEvent({
        id: `${slot.job}@${fleetId}`,
        sequence: version,
        stamp: now,
        start: new Date(slot.start),
        end: new Date(slot.end),
        summary: `${job.number}: ${job.title}`,
        location: bays.get(slot.bay) ?? '',
        description: slot.technicians.map((id) => names.get(id) ?? '').join(', '),
      });
    }
    return calendar.toString();
  });
}
