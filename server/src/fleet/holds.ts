import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { person } from '../access';
import type { Doing } from '../run';
import { type FleetStore, prepared } from '../store';
import { hold, holdReleased } from './schema';

/** The holds that no release has ended. */
export async function openHolds(store: FleetStore, unitId: string) {
  const asked = prepared(store, 'open holds', () =>
    store
      .select({ id: hold.id, reason: hold.reason, by: person.name, at: hold.placedAt })
      .from(hold)
      .innerJoin(person, and(eq(person.fleetId, hold.fleetId), eq(person.id, hold.placedBy)))
      .leftJoin(holdReleased, and(eq(holdReleased.fleetId, hold.fleetId), eq(holdReleased.holdId, hold.id)))
      .where(and(eq(hold.unitId, sql.placeholder('unit')), isNull(holdReleased.releaseId)))
      .orderBy(asc(hold.placedAt)),
  );
  const rows = await asked.execute({ unit: unitId });
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}

type Holding = Pick<Doing<'hold-trailer'>, 'store' | 'session' | 'at'>;

/** Holds a unit under an id of its own. */
export const placeHold = ({ store, session, at }: Holding, unitId: string, reason: string, id: string = uuidv7()) =>
  store
    .insert(hold)
    .values({ fleetId: session.fleet.id, id, unitId, reason, placedBy: session.person.id, placedAt: at });

/** Holds a unit because of what was found, unless it is held for the same reason already. */
export async function holdFor(doing: Holding, unitId: string, reason: string): Promise<void> {
  const open = await openHolds(doing.store, unitId);
  if (!open.some((each) => each.reason === reason)) await placeHold(doing, unitId, reason);
}
