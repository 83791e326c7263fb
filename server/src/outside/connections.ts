import { NOT_SET_UP, OUTSIDE_THINGS, type OutsideList, type OutsideThing, type OutsideView } from '@zealous-axle/core';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { person } from '../access';
import { changed, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { outside, outsideMessage } from './schema';

export type Connection = typeof outside.$inferSelect;

/** How the fleet uses a thing; null where it never said. */
export async function connectionTo(store: FleetStore, thing: OutsideThing): Promise<Connection | null> {
  const [row] = await store.select().from(outside).where(eq(outside.thing, thing));
  return row ?? null;
}

/** What was not taken yet of what a thing was told last, and why. */
async function problemOf(store: FleetStore, thing: OutsideThing): Promise<string | null> {
  const [last] = await store
    .select({ problem: outsideMessage.problem })
    .from(outsideMessage)
    .where(and(eq(outsideMessage.thing, thing), isNull(outsideMessage.deliveredAt)))
    .orderBy(desc(outsideMessage.recordedAt))
    .limit(1);
  return last?.problem ?? null;
}

async function viewOf(store: FleetStore, thing: OutsideThing): Promise<OutsideView> {
  const [row] = await store
    .select({ outside, by: person.name })
    .from(outside)
    .innerJoin(person, and(eq(person.fleetId, outside.fleetId), eq(person.id, outside.setBy)))
    .where(eq(outside.thing, thing));
  if (!row) return { thing, ...NOT_SET_UP, signed: false, set: null, problem: null, version: 0 };
  const { way, phone, url, secret, setAt, version } = row.outside;
  return {
    thing,
    way,
    phone,
    url,
    signed: secret !== null,
    set: { by: row.by, at: setAt.toISOString() },
    problem: await problemOf(store, thing),
    version,
  };
}

/** Everything outside, as the fleet uses it. */
export const outsideOf = async (store: FleetStore, fleet: string): Promise<OutsideList> => ({
  fleet,
  things: await Promise.all(OUTSIDE_THINGS.map((thing) => viewOf(store, thing))),
});

/** Connects a thing, lets its stand-in play it, or neither. Its secret is in no event. */
export const setOutside: Handler<'set-outside'> = async ({ store, session, at, body }) => {
  const { thing, version, form, secret } = body;
  const row = await connectionTo(store, thing);
  await sameVersion({ version: row?.version ?? 0 }, version, () => viewOf(store, thing));
  const kept = { ...form, secret: secret ?? row?.secret ?? null, setBy: session.person.id, setAt: at };
  if (row)
    await store
      .update(outside)
      .set({ ...kept, version: row.version + 1 })
      .where(eq(outside.thing, thing));
  else await store.insert(outside).values({ fleetId: session.fleet.id, thing, ...kept });
  return {
    unitId: null,
    changed: [changed('fleet', session.fleet.id)],
    eventBody: { thing, version, form },
  };
};
