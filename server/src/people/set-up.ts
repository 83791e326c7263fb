import { type BayView, NO_BAY_WORK, type SetUp } from '@zealous-axle/core';
import { asc, count, eq, sql } from 'drizzle-orm';
import { fleet, person } from '../access';
import { changed, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { paper, unit } from '../units';
import { bay } from './schema';

/** The bays, in their order. */
export const baysOf = async (store: FleetStore): Promise<BayView[]> =>
  (await store.select().from(bay).orderBy(asc(bay.rank))).map(({ id, name, rank, work }) => ({
    id,
    name,
    rank,
    ...work,
  }));

/** A new bay, or another name for one, and what it is fit for and when. */
export const saveBay: Handler<'save-bay'> = async ({ store, session, body }) => {
  const [last] = await store.select({ rank: sql<number>`coalesce(max(${bay.rank}), -1)::int` }).from(bay);
  const work = body.work ? { work: body.work } : {};
  const own = await store
    .update(bay)
    .set({ name: body.name, ...work })
    .where(eq(bay.id, body.bay))
    .returning({ id: bay.id });
  if (own.length === 0)
    await store.insert(bay).values({
      fleetId: session.fleet.id,
      id: body.bay,
      name: body.name,
      rank: (last?.rank ?? -1) + 1,
      work: body.work ?? NO_BAY_WORK,
    });
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** Days on which the shop does not work. */
export const setHolidays: Handler<'set-holidays'> = async ({ store, session, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id));
  const now = found(row);
  await sameVersion(now, body.version, async () => ({ version: now.version, holidays: now.holidays }));
  const version = now.version + 1;
  await store.update(fleet).set({ holidays: body.holidays, version }).where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
};

/** What the fleet has of what it needs to begin. */
export async function setUpOf(store: FleetStore): Promise<SetUp> {
  const unknown = sql`jsonb_path_exists(${unit.axles}, '$[*] ? (@.brake == "s-cam" && (!exists(@.chamber) || @.chamber == null))')`;
  const [units, people, bays, papers, [ours]] = await Promise.all([
    store
      .select({ all: count(), unknown: sql<number>`count(*) filter (where ${unknown})`.mapWith(Number) })
      .from(unit)
      .where(eq(unit.state, 'in-use')),
    store
      .select({
        active: sql<number>`count(*) filter (where ${person.inviteUntil} is null)`.mapWith(Number),
        invited: sql<number>`count(*) filter (where ${person.inviteUntil} is not null)`.mapWith(Number),
      })
      .from(person)
      .where(eq(person.active, true)),
    baysOf(store),
    store.select({ all: count() }).from(paper),
    store.select({ holidays: fleet.holidays, version: fleet.version }).from(fleet),
  ]);
  return {
    units: units[0]?.all ?? 0,
    chambersUnknown: units[0]?.unknown ?? 0,
    people: people[0]?.active ?? 0,
    invited: people[0]?.invited ?? 0,
    bays,
    holidays: ours?.holidays ?? [],
    version: ours?.version ?? 1,
    papers: papers[0]?.all ?? 0,
  };
}
