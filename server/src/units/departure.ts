import { eq } from 'drizzle-orm';
import { changed, found, type Handler } from '../run';
import { departure } from './schema';
import { findUnit } from './units';

/** When a unit leaves next, or that it is not known any more. */
export const setDeparture: Handler<'set-departure'> = async ({ store, session, at, body }) => {
  const row = found(await findUnit(store, body.unit));
  if (!body.departure) await store.delete(departure).where(eq(departure.unitId, row.id));
  else {
    const told = {
      leavesAt: new Date(body.departure.at),
      leavesTo: body.departure.to,
      toldBy: session.person.id,
      toldAt: at,
      source: body.source ?? ('hand' as const),
    };
    await store
      .insert(departure)
      .values({ fleetId: session.fleet.id, unitId: row.id, ...told })
      .onConflictDoUpdate({ target: [departure.fleetId, departure.unitId], set: told });
  }
  return { unitId: row.id, changed: [changed('unit', row.id)] };
};
