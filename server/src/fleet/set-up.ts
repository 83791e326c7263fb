import type { SetUp } from '@zealous-axle/core';
import { asc, count, eq, sql } from 'drizzle-orm';
import { person } from '../access';
import { changed, type Handler } from '../run';
import type { FleetStore } from '../store';
import { bay, paper, unit } from './schema';

/** A new bay, or another name for one. */
export const saveBay: Handler<'save-bay'> = async ({ store, session, body }) => {
  const [last] = await store.select({ rank: sql<number>`coalesce(max(${bay.rank}), -1)::int` }).from(bay);
  const own = await store.update(bay).set({ name: body.name }).where(eq(bay.id, body.bay)).returning({ id: bay.id });
  if (own.length === 0)
    await store
      .insert(bay)
      .values({ fleetId: session.fleet.id, id: body.bay, name: body.name, rank: (last?.rank ?? -1) + 1 });
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** What the fleet has of what it needs to begin. */
export async function setUpOf(store: FleetStore): Promise<SetUp> {
  const unknown = sql`jsonb_path_exists(${unit.axles}, '$[*] ? (@.brake == "s-cam" && (!exists(@.chamber) || @.chamber == null))')`;
  const [units, people, bays, papers] = await Promise.all([
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
    store.select({ id: bay.id, name: bay.name, rank: bay.rank }).from(bay).orderBy(asc(bay.rank)),
    store.select({ all: count() }).from(paper),
  ]);
  return {
    units: units[0]?.all ?? 0,
    chambersUnknown: units[0]?.unknown ?? 0,
    people: people[0]?.active ?? 0,
    invited: people[0]?.invited ?? 0,
    bays,
    papers: papers[0]?.all ?? 0,
  };
}
