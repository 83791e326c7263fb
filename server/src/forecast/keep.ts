import { createHash } from 'node:crypto';
import { type Day, dayIn, forecastOf, type UnitFacts } from '@zealous-axle/core';
import { asc, gt, inArray, sql } from 'drizzle-orm';
import { unit } from '../fleet';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { factsOf } from './facts';
import { forecast, forecastUnit } from './schema';

/** Units worked out in one transaction. */
const CHUNK = 100;
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
  if (rows.length) await store.insert(forecast).values(rows);
  if (facts.size === 0) return;
  await store
    .insert(forecastUnit)
    .values([...facts.keys()].map((unitId) => ({ fleetId, unitId, madeAt: now })))
    .onConflictDoUpdate({ target: [forecastUnit.fleetId, forecastUnit.unitId], set: { madeAt: now } });
}

/** The task: some units, or all of a fleet, a chunk at a time. */
export async function doForecast(
  { db, now }: { db: Database; now: () => Date },
  { fleet, units, after }: Tasks['forecast'],
  closing: AbortSignal,
): Promise<void> {
  if (units) return inFleet(db, fleet, (store) => keepForecasts(store, fleet, units, now()));
  for (let from = after ?? null; ; ) {
    const last: string | null = await inFleet(db, fleet, async (store) => {
      const rows = await store
        .select({ id: unit.id })
        .from(unit)
        .where(from ? gt(unit.id, from) : undefined)
        .orderBy(asc(unit.id))
        .limit(CHUNK);
      const ids = rows.map(({ id }) => id);
      await keepForecasts(store, fleet, ids, now());
      return ids.length === CHUNK ? (ids.at(-1) ?? null) : null;
    });
    if (last === null) return;
    from = last;
    if (closing.aborted) {
      // The process ends: another one goes on from here.
      await inFleet(db, fleet, (store) =>
        addTask(store, 'forecast', { fleet, units: null, after: last }, `${fleet} all`),
      );
      return;
    }
  }
}

/** Has some units worked out soon, or the whole fleet. Those that are asked for together once are one task. */
export async function wishForecast(store: FleetStore, fleet: string, units: readonly string[] | null): Promise<void> {
  if (units?.length === 0) return;
  const some = units && units.length <= CHUNK ? [...units].sort() : null;
  const key = some ? createHash('md5').update(some.join()).digest('hex') : 'all';
  await addTask(store, 'forecast', { fleet, units: some }, `${fleet} ${key}`, SOON_SECONDS);
}
