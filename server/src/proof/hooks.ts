import type { Hook, ToldEvent } from '@zealous-axle/core';
import { and, eq, isNull, sql } from 'drizzle-orm';
import { person } from '../access';
import { postSigned } from '../outside';
import { invalid } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { eventsAfter } from './events';
import { hook, recordChain } from './schema';

/** For so long the secret before signs too: time to change it on the other side. */
const TURNS_OVER_MS = 7 * 86_400_000;
const EVENTS_AT_ONCE = 100;
const FIRST_WAIT = 5;
const LONGEST_WAIT = 3_600;

type Row = typeof hook.$inferSelect;

const wish = (store: FleetStore, fleet: string, id: string, seconds: number) =>
  addTask(store, 'tell-hook', { fleet, hook: id }, id, { seconds, queue: `hook ${id}` });

/** Asks for the fleet's systems to be told what happened, in the transaction in which it did. */
export const wishTold = (store: FleetStore, fleet: string): Promise<unknown> =>
  store
    .execute(
      sql`select za_queue.add('tell-hook', json_build_object('fleet', ${fleet}::text, 'hook', id), 'tell-hook ' || id,
        1 + least(${LONGEST_WAIT}, case when tries > 0 then ${FIRST_WAIT} * 2 ^ least(tries, 12) else 0 end), 'hook ' || id)
        from hook where ended_at is null`,
    )
    .execute();

const viewOf = ({ hook: row, by }: { hook: Row; by: string }, now: Date): Hook => ({
  id: row.id,
  url: row.url,
  set: { by, at: row.setAt.toISOString() },
  taken: row.taken,
  problem: row.problem,
  turnsOver: row.secretBefore && row.turnsOverAt && row.turnsOverAt > now ? row.turnsOverAt.toISOString() : null,
  version: row.version,
});

/** The fleet's own systems that hear of every event. */
export async function hooksOf(store: FleetStore, now: Date): Promise<Hook[]> {
  const rows = await store
    .select({ hook, by: person.name })
    .from(hook)
    .innerJoin(person, and(eq(person.fleetId, hook.fleetId), eq(person.id, hook.setBy)))
    .where(isNull(hook.endedAt))
    .orderBy(hook.id);
  return rows.map((row) => viewOf(row, now));
}

/** Connects a system, or changes its address or its secret. It hears of what happens from then on. */
export const setHook: Handler<'set-hook'> = async ({ store, session, now, body }) => {
  const [row] = await store.select().from(hook).where(eq(hook.id, body.hook)).for('update');
  await sameVersion({ version: row?.version ?? 0 }, body.version, async () => ({ version: row?.version ?? 0 }));
  const { url, secret } = body;
  const set = { url, setBy: session.person.id, setAt: now };
  if (!row) {
    if (!secret) throw invalid('body.secret', 'secret-needed');
    const [head] = await store
      .select({ nr: recordChain.nr })
      .from(recordChain)
      .orderBy(sql`${recordChain.nr} desc`)
      .limit(1);
    await store.insert(hook).values({ fleetId: session.fleet.id, id: body.hook, ...set, secret, taken: head?.nr ?? 0 });
  } else {
    const turned = secret
      ? { secret, secretBefore: row.secret, turnsOverAt: new Date(now.getTime() + TURNS_OVER_MS) }
      : {};
    await store
      .update(hook)
      .set({ ...set, ...turned, tries: 0, endedAt: null, version: row.version + 1 })
      .where(eq(hook.id, row.id));
  }
  return {
    unitId: null,
    changed: [changed('fleet', session.fleet.id)],
    eventBody: { hook: body.hook, version: body.version, url },
  };
};

export const endHook: Handler<'end-hook'> = async ({ store, session, now, body }) => {
  const [row] = await store.select().from(hook).where(eq(hook.id, body.hook)).for('update');
  const known = found(row);
  await sameVersion(known, body.version, async () => ({ version: known.version }));
  await store
    .update(hook)
    .set({ endedAt: now, version: known.version + 1 })
    .where(eq(hook.id, known.id));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** What a hook is told next; null where nothing waits, or it is no more. */
async function waiting(store: FleetStore, id: string): Promise<{ row: Row; events: ToldEvent[]; upTo: number } | null> {
  const [row] = await store.select().from(hook).where(eq(hook.id, id));
  if (!row || row.endedAt) return null;
  const events = await eventsAfter(store, row.taken, EVENTS_AT_ONCE);
  const last = events.at(-1);
  return last ? { row, events, upTo: last.nr } : null;
}

/**
 * The task: tells a system what it has not heard of yet, in order and as often as it takes: told again where the answer was lost,
 * so it knows an event by its number. What is not taken is told again later, ever more seldom, for as long as the hook stands.
 */
export async function tellHook(
  { db, now }: { db: Database; now: () => Date },
  { fleet, hook: id }: Tasks['tell-hook'],
): Promise<void> {
  const asked = await inFleet(db, fleet, (store) => waiting(store, id));
  if (!asked) return;
  const { row, events, upTo } = asked;
  const before = row.turnsOverAt && row.turnsOverAt > now() ? row.secretBefore : null;
  const problem = await postSigned(row.url, JSON.stringify({ fleet, events }), [row.secret, before], now());
  await inFleet(db, fleet, async (store) => {
    const tries = problem ? row.tries + 1 : 0;
    await store
      .update(hook)
      .set(problem ? { problem, tries } : { problem, tries, taken: upTo })
      .where(eq(hook.id, id));
    if (problem) await wish(store, fleet, id, Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** Math.min(tries, 12)));
    else if (events.length === EVENTS_AT_ONCE) await wish(store, fleet, id, 0);
  });
}
