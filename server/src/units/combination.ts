import { type CoupledUnit, type Meter, PROPOSE_DAYS, whyNotBehind } from '@zealous-axle/core';
import { and, desc, eq, gte, isNull, or, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import { person } from '../access';
import { invalid, invalidWith, notNow } from '../problem';
import { changed, type Doing, found, type Handler } from '../run';
import { type FleetStore, prepared } from '../store';
import { coupling, meter, unit } from './schema';
import { findUnit } from './units';

/** Longer than any combination: a chain that goes on beyond is a fault of the data. */
const MOST_UNITS = 12;

const behind = async (store: FleetStore, unitId: string) =>
  (
    await store
      .select()
      .from(coupling)
      .where(and(eq(coupling.unitId, unitId), isNull(coupling.droppedAt)))
  )[0] ?? null;
const before = async (store: FleetStore, unitId: string) =>
  (
    await store
      .select()
      .from(coupling)
      .where(and(eq(coupling.pulledId, unitId), isNull(coupling.droppedAt)))
  )[0] ?? null;

/** The units it runs with now, itself among them, from front to rear: their ids, and what hooks each to the one before. */
async function chainOf(store: FleetStore, unitId: string): Promise<{ id: string; coupling: string | null }[]> {
  let front = unitId;
  for (let n = 0; n < MOST_UNITS; n++) {
    const ahead = await before(store, front);
    if (!ahead) break;
    front = ahead.unitId;
  }
  const chain: { id: string; coupling: string | null }[] = [{ id: front, coupling: null }];
  for (let n = 0; n < MOST_UNITS; n++) {
    const next = await behind(store, chain.at(-1)?.id ?? '');
    if (!next) break;
    chain.push({ id: next.pulledId, coupling: next.id });
  }
  return chain;
}

/** What a unit runs with, from front to rear, each as it stands; empty when it stands alone. */
export async function combinationOf(store: FleetStore, unitId: string): Promise<CoupledUnit[]> {
  const asked = prepared(store, 'coupled', () =>
    store
      .select({ id: coupling.id })
      .from(coupling)
      .where(
        and(
          or(eq(coupling.unitId, sql.placeholder('unit')), eq(coupling.pulledId, sql.placeholder('unit'))),
          isNull(coupling.droppedAt),
        ),
      )
      .limit(1),
  );
  if ((await asked.execute({ unit: unitId })).length === 0) return [];
  const chain = await chainOf(store, unitId);
  const { rows } = await store.execute<{ id: string; held: boolean; open: number }>(sql`
    select unit_id as id, held, open_defects as open from yard_row
    where unit_id = any(${sql.param(chain.map(({ id }) => id))}::uuid[])`);
  const units: CoupledUnit[] = [];
  for (const { id, coupling: hook } of chain) {
    const row = found(await findUnit(store, id));
    const stands = rows.find((each) => each.id === id);
    const { number, body, kind } = row;
    units.push({ id, number, body, kind, held: stands?.held ?? false, openDefects: stands?.open ?? 0, coupling: hook });
  }
  return units;
}

/** What a unit last ran directly behind, not long ago. */
export async function lastBehind(store: FleetStore, unitId: string, now: Date) {
  const asked = prepared(store, 'last behind', () =>
    store
      .select({ id: unit.id, number: unit.number, body: unit.body, kind: unit.kind })
      .from(coupling)
      .innerJoin(unit, and(eq(unit.fleetId, coupling.fleetId), eq(unit.id, coupling.unitId)))
      .where(
        and(
          eq(coupling.pulledId, sql.placeholder('unit')),
          gte(coupling.droppedAt, sql.placeholder('since')),
          eq(unit.state, 'in-use'),
        ),
      )
      .orderBy(desc(coupling.hookedAt))
      .limit(1),
  );
  const since = new Date(now.getTime() - PROPOSE_DAYS * 86_400_000);
  const [last] = await asked.execute({ unit: unitId, since });
  return last ?? null;
}

/** The meter as it was last read. */
export async function lastMeter(store: FleetStore, unitId: string): Promise<Meter | null> {
  const asked = prepared(store, 'last meter', () =>
    store
      .select({ value: meter.value, at: meter.readAt, by: person.name })
      .from(meter)
      .innerJoin(person, and(eq(person.fleetId, meter.fleetId), eq(person.id, meter.readBy)))
      .where(eq(meter.unitId, sql.placeholder('unit')))
      .orderBy(desc(meter.readAt), desc(meter.recordedAt))
      .limit(1),
  );
  const [row] = await asked.execute({ unit: unitId });
  return row ? { value: row.value, at: row.at.toISOString(), by: row.by } : null;
}

/** What the meter of a row's unit last read, beside that row. */
export const readsNow = (fleetId: AnyPgColumn, unitId: AnyPgColumn) =>
  sql<string | null>`(select m.value from meter m where m.fleet_id = ${fleetId} and m.unit_id = ${unitId}
    order by m.read_at desc, m.recorded_at desc limit 1)`;

export const hook: Handler<'hook'> = async ({ store, session, at, body }) => {
  const [puller, pulled] = [found(await findUnit(store, body.unit)), found(await findUnit(store, body.pulled))];
  for (const each of [puller, pulled]) if (each.state !== 'in-use') throw notNow('not-in-use', each.number, each.state);
  const why = puller.id === pulled.id ? `${puller.number} cannot be pulled alone.` : whyNotBehind(puller, pulled);
  if (why) throw invalidWith('body.pulled', why);
  const ahead = await before(store, pulled.id);
  if (ahead) throw notNow('hooked-already', pulled.number, found(await findUnit(store, ahead.unitId)).number);
  const own = await behind(store, puller.id);
  if (own) throw notNow('pulls-already', puller.number, found(await findUnit(store, own.pulledId)).number);
  if ((await chainOf(store, puller.id)).some(({ id }) => id === pulled.id))
    throw notNow('hooked-already', pulled.number, puller.number);
  await store.insert(coupling).values({
    fleetId: session.fleet.id,
    id: body.coupling,
    unitId: puller.id,
    pulledId: pulled.id,
    hookedPlace: body.place,
    hookedBy: session.person.id,
    hookedAt: at,
  });
  return { unitId: pulled.id, unitIds: [puller.id], changed: [changed('unit', puller.id), changed('unit', pulled.id)] };
};

export const drop: Handler<'drop'> = async ({ store, session, at, body }) => {
  const [row] = await store
    .select()
    .from(coupling)
    .where(and(eq(coupling.id, body.coupling), eq(coupling.unitId, body.unit), eq(coupling.pulledId, body.pulled)));
  const own = found(row);
  if (own.droppedAt) throw notNow('dropped-already');
  await store
    .update(coupling)
    .set({ droppedAt: at < own.hookedAt ? own.hookedAt : at, droppedBy: session.person.id, droppedPlace: body.place })
    .where(eq(coupling.id, own.id));
  const { unitId, pulledId } = own;
  return { unitId: pulledId, unitIds: [unitId], changed: [changed('unit', unitId), changed('unit', pulledId)] };
};

/** Keeps a meter as it was read. */
export async function keepMeter({ store, session, at, now, body }: Doing<'record-meter'>): Promise<void> {
  found(await findUnit(store, body.unit));
  if (body.readAt && new Date(body.readAt) > now) throw invalid('body.readAt', 'meter-ahead');
  await store.insert(meter).values({
    fleetId: session.fleet.id,
    id: body.meter,
    unitId: body.unit,
    value: body.value,
    readBy: session.person.id,
    readAt: body.readAt ? new Date(body.readAt) : at,
    source: body.source ?? 'hand',
  });
}
