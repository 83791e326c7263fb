import type { UnitForm } from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { invalid } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { noteFacts } from './changes';
import { unit } from './schema';
import { findUnit, type UnitRow, unitNumbered } from './units';

/** Refuses a number that another unit of the fleet has. */
export async function freeNumber(store: FleetStore, number: string, own: string): Promise<void> {
  const other = await unitNumbered(store, number);
  if (other && other !== own) throw invalid('body.form.number', 'number-taken', number);
}

/** A unit's row as its form says. */
export const unitValues = (fleetId: string, id: string, form: UnitForm): typeof unit.$inferInsert => ({
  fleetId,
  id,
  ...form,
});

export const addUnit: Handler<'add-unit'> = async ({ store, session, body }) => {
  await freeNumber(store, body.form.number, body.unit);
  await store.insert(unit).values(unitValues(session.fleet.id, body.unit, body.form));
  return { unitId: body.unit, changed: [changed('unit', body.unit, 1)] };
};

/** The unit as it now is, where nobody changed it since `version`. */
export async function unitAt(store: FleetStore, id: string, version: number): Promise<UnitRow> {
  const row = found(await findUnit(store, id));
  const { number, body, kind, site, axles, features } = row;
  await sameVersion(row, version, async () => ({ number, body, kind, site, axles, features, version: row.version }));
  return row;
}

/** Sold, scrapped, or back in use: it leaves the yard or comes back to it, and its records stay. */
export const setUnitState: Handler<'set-unit-state'> = async (doing) => {
  const { store, at, body } = doing;
  const row = await unitAt(store, body.unit, body.version);
  const version = row.version + 1;
  const { state, reason } = body;
  const fact = { fact: 'state' as const, axle: null, side: null, from: row.state, to: state };
  if (state !== row.state) await noteFacts(doing, row.id, [fact], { reason });
  await store.update(unit).set({ state, stateReason: reason, stateAt: at, version }).where(eq(unit.id, row.id));
  return { unitId: row.id, changed: [changed('unit', row.id, version)] };
};
