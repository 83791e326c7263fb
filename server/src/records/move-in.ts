import type { MoveIn } from '@zealous-axle/core';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { person } from '../access';
import { invalid, notNow } from '../problem';
import { changed, found, type Handler } from '../run';
import type { FleetStore } from '../store';
import { meter, paper, unit, unitValues } from '../units';
import { moveIn } from './schema';

/** Rows written at once. */
const BATCH = 200;
/** Moves told of. */
const MOST_TOLD = 20;

async function inBatches<R>(rows: readonly R[], insert: (some: R[]) => Promise<unknown>): Promise<void> {
  for (let from = 0; from < rows.length; from += BATCH) await insert(rows.slice(from, from + BATCH));
}

/** Where a number of the list is one of the fleet's already, or stands twice. */
async function freeNumbers(store: FleetStore, numbers: readonly string[]): Promise<void> {
  const taken = new Set((await store.select({ number: unit.number }).from(unit)).map(({ number }) => number));
  for (const [at, number] of numbers.entries()) {
    if (taken.has(number)) throw invalid(`body.units.${at}.form.number`, 'number-taken', number);
    taken.add(number);
  }
}

/** Units of a shop's own list, with their papers and what their meters read: all of them, or none. */
export const moveInUnits: Handler<'move-in'> = async ({ store, session, at, body }) => {
  const fleetId = session.fleet.id;
  await freeNumbers(
    store,
    body.units.map(({ form }) => form.number),
  );
  const moved = body.units.map((each) => ({ ...each, id: uuidv7() }));
  await inBatches(moved, (some) =>
    store.insert(unit).values(some.map(({ id, form }) => unitValues(fleetId, id, form))),
  );
  const papers = moved.flatMap(({ id: unitId, papers: all }) =>
    all.map(({ name, until }) => ({ fleetId, id: uuidv7(), unitId, paper: name, dueOn: until })),
  );
  await inBatches(papers, (some) => store.insert(paper).values(some));
  const meters = moved.flatMap(({ id: unitId, meter: value }) =>
    value ? [{ fleetId, id: uuidv7(), unitId, value, readBy: session.person.id, readAt: at }] : [],
  );
  await inBatches(meters, (some) => store.insert(meter).values(some));
  const units = moved.map(({ id }) => id);
  await store
    .insert(moveIn)
    .values({ fleetId, id: body.move, name: body.name, units, movedBy: session.person.id, movedAt: at });
  return {
    unitId: null,
    unitIds: units,
    changed: [changed('move-in', body.move)],
    eventBody: { move: body.move, name: body.name, numbers: body.units.map(({ form }) => form.number) },
  };
};

/** Numbers of units something rests on: read, reported, held, planned, hooked, changed or driven since they moved in. */
async function restsOn(store: FleetStore, units: readonly string[], movedAt: Date): Promise<string[]> {
  const rests = ['inspection', 'defect', 'hold', 'job', 'photo', 'clean_report', 'unit_change', 'departure', 'release']
    .concat('fitted_part', 'retorque', 'road_call', 'coupling', 'forecast_declined')
    .map((table) => sql.raw(`exists (select 1 from ${table} t where t.fleet_id = u.fleet_id and t.unit_id = u.id)`));
  const { rows } = await store.execute<{ number: string }>(sql`
    select u.number from unit u
    where u.id in (select jsonb_array_elements_text(${JSON.stringify(units)}::jsonb)::uuid) and (
      u.version > 1
      or exists (select 1 from coupling c where c.fleet_id = u.fleet_id and c.pulled_id = u.id)
      or exists (select 1 from outside_message o where o.fleet_id = u.fleet_id and o.about = u.id)
      or exists (select 1 from meter m where m.fleet_id = u.fleet_id and m.unit_id = u.id and m.read_at <> ${movedAt.toISOString()}::timestamptz)
      or ${sql.join(rests, sql.raw(' or '))})
    order by u.number limit 4`);
  return rows.map(({ number }) => number);
}

/** Takes a whole move back, while nothing rests on any unit of it. The event of the move stays. */
export const undoMoveIn: Handler<'undo-move-in'> = async ({ store, session, at, body }) => {
  const [row] = await store.select().from(moveIn).where(eq(moveIn.id, body.move)).for('update');
  const move = found(row);
  if (move.undoneAt) throw notNow('move-undone');
  // Nobody begins anything on them meanwhile.
  for (let from = 0; from < move.units.length; from += BATCH)
    await store
      .select({ id: unit.id })
      .from(unit)
      .where(inArray(unit.id, move.units.slice(from, from + BATCH)))
      .orderBy(unit.id)
      .for('update');
  const [first, ...others] = await restsOn(store, move.units, move.movedAt);
  if (first) throw notNow('rests-on-move', [first, ...others]);
  await inBatches(move.units, async (some) => {
    for (const table of ['forecast', 'forecast_unit', 'yard_row', 'paper', 'meter'])
      await store.execute(
        sql`delete from ${sql.raw(table)} where unit_id in (select jsonb_array_elements_text(${JSON.stringify(some)}::jsonb)::uuid)`,
      );
    await store.delete(unit).where(inArray(unit.id, some));
  });
  await store.update(moveIn).set({ undoneBy: session.person.id, undoneAt: at }).where(eq(moveIn.id, move.id));
  return {
    unitId: null,
    // Whoever looks at the yard reads it again.
    unitIds: move.units,
    changed: [changed('move-in', move.id)],
    eventBody: { move: move.id, units: move.units.length },
  };
};

/** What moved in lately, the newest first. */
export async function movesIn(store: FleetStore): Promise<MoveIn[]> {
  const rows = await store
    .select({ move: moveIn, by: person.name })
    .from(moveIn)
    .innerJoin(person, eq(person.id, moveIn.movedBy))
    .orderBy(desc(moveIn.recordedAt))
    .limit(MOST_TOLD);
  return rows.map(({ move, by }) => ({
    id: move.id,
    name: move.name,
    units: move.units.length,
    by,
    at: move.movedAt.toISOString(),
    undoneAt: move.undoneAt?.toISOString() ?? null,
  }));
}
