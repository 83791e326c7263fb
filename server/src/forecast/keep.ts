import { createHash } from 'node:crypto';
import { type Day, dayIn, forecastOf, type UnitFacts } from '@zealous-axle/core';
import { and, asc, eq, gt, inArray, isNull, sql } from 'drizzle-orm';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { unit } from '../units';
import { factsOf } from './facts';
import { forecast, forecastUnit } from './schema';

/** Units worked out in one transaction. */
const CHUNK = 100;
/** Of them so many at once. */
const LANES = 2;
/** Readings of one inspection come in a row: they are looked at together. Seconds. */
const SOON_SECONDS = 2;

function rowsOf(fleetId: string, unitId: string, facts: UnitFacts, today: Day): (typeof forecast.$inferInsert)[] {
  return forecastOf(facts).positions.flatMap(({ key, kind, axle, side, tyre, state, first }) => {
    if ((state !== 'foreseen' && state !== 'past') || !first) return [];
    const { reach, whose, value } = first;
    return [
      {
        fleetId,
        unitId,
        key,
        kind,
        axle,
        side,
        tyre,
        state,
        whose,
        value,
        dueOn: reach?.on ?? today,
        earliest: reach?.earliest ?? null,
        latest: reach?.latest ?? null,
      },
    ];
  });
}

/** Works some units out anew, from their readings, and writes down what reaches a limit. */
export async function keepForecasts(
  store: FleetStore,
  fleetId: string,
  ids: readonly string[],
  now: Date,
): Promise<void> {
  if (ids.length === 0) return;
  // Two that work on one unit do so one after the other: the later one has read what the earlier one had not.
  await store.execute(sql`select id from ${unit} where id = any(${sql.param([...ids])}::uuid[]) order by id for share`);
  const facts = await factsOf(store, ids);
  const rows = [...facts].flatMap(([id, own]) => rowsOf(fleetId, id, own, dayIn(own.zone, now)));
  await store.delete(forecast).where(inArray(forecast.unitId, [...ids]));
  // Written as one value: a parameter for each of some thousand columns costs more than the rows.
  if (rows.length)
    await store.execute(sql`insert into ${forecast} (fleet_id, unit_id, key, kind, axle, side, tyre, state, whose, value, due_on, earliest, latest)
      select "fleetId", "unitId", key, kind, axle, side, tyre, state, whose, value, "dueOn", earliest, latest
      from jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) as row("fleetId" uuid, "unitId" uuid, key text, kind text, axle int,
        side text, tyre text, state text, whose text, value text, "dueOn" date, earliest date, latest date)`);
  if (facts.size === 0) return;
  await store
    .insert(forecastUnit)
    .values([...facts.keys()].map((unitId) => ({ fleetId, unitId, madeAt: now })))
    .onConflictDoUpdate({ target: [forecastUnit.fleetId, forecastUnit.unitId], set: { madeAt: now } });
}

/** Units of a fleet in the order of their ids, after one of them; or only those that were never worked out. */
const unitsAfter = async (store: FleetStore, after: string | null, missing: boolean): Promise<string[]> => {
  const rows = await store
    .select({ id: unit.id })
    .from(unit)
    .leftJoin(forecastUnit, and(eq(forecastUnit.fleetId, unit.fleetId), eq(forecastUnit.unitId, unit.id)))
    .where(and(after ? gt(unit.id, after) : undefined, missing ? isNull(forecastUnit.unitId) : undefined))
    .orderBy(asc(unit.id))
    .limit(CHUNK * LANES);
  return rows.map(({ id }) => id);
};

/** The task: some units, or all of a fleet, chunks at a time: while the database reads one, another is worked out. */
export async function doForecast(
  { db, now }: { db: Database; now: () => Date },
  { fleet, units, after, missing = false }: Tasks['forecast'],
  closing: AbortSignal,
): Promise<void> {
  const keep = (ids: readonly string[]) => inFleet(db, fleet, (store) => keepForecasts(store, fleet, ids, now()));
  if (units) return keep(units);
  for (let from = after ?? null; ; ) {
    const ids = await inFleet(db, fleet, (store) => unitsAfter(store, from, missing));
    const lanes = Array.from({ length: LANES }, (_, n) => ids.slice(n * CHUNK, (n + 1) * CHUNK));
    await Promise.all(lanes.map(keep));
    const last = ids.at(-1);
    if (!last || ids.length < CHUNK * LANES) return;
    from = last;
    if (closing.aborted) {
      // The process ends: another one goes on from here.
      const rest = { fleet, units: null, after: last, missing };
      await inFleet(db, fleet, (store) => addTask(store, 'forecast', rest, `${fleet} all`, { queue: queueOf(fleet) }));
      return;
    }
  }
}

/** One fleet's forecasts are made one after the other: what was made just now is not made again beside it. */
const queueOf = (fleet: string): string => `forecast ${fleet}`;

/**
 * Has some units worked out soon, the whole fleet, or those of it that never were. What is asked for together once is one
 * task.
 */
export async function wishForecast(
  store: FleetStore,
  fleet: string,
  units: readonly string[] | 'all' | 'missing',
): Promise<void> {
  if (units.length === 0) return;
  const some = typeof units !== 'string' && units.length <= CHUNK ? [...units].sort() : null;
  const missing = units === 'missing';
  const key = some ? createHash('md5').update(some.join()).digest('hex') : missing ? 'missing' : 'all';
  await addTask(store, 'forecast', { fleet, units: some, missing }, `${fleet} ${key}`, {
    seconds: SOON_SECONDS,
    queue: queueOf(fleet),
  });
}
