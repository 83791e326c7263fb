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
      .select({
        id: hold.id,
        reason: hold.reason,
        by: person.name,
        at: hold.placedAt,
        inspection: hold.inspectionId,
        open: sql<boolean>`exists (select 1 from inspection i where i.fleet_id = ${hold.fleetId}
          and i.id = ${hold.inspectionId} and i.closed_at is null and i.dropped_at is null)`,
      })
      .from(hold)
      .innerJoin(person, and(eq(person.fleetId, hold.fleetId), eq(person.id, hold.placedBy)))
      .leftJoin(holdReleased, ended)
      .where(and(eq(hold.unitId, sql.placeholder('unit')), isNull(holdReleased.holdId)))
      .orderBy(asc(hold.placedAt), asc(hold.id)),
  );
  const rows = await asked.execute({ unit: unitId });
  return rows.map(({ inspection, open, ...row }) => ({
    ...row,
    at: row.at.toISOString(),
    inspection: inspection ? { id: inspection, open } : null,
  }));
}

const ended = and(eq(holdReleased.fleetId, hold.fleetId), eq(holdReleased.holdId, hold.id));

/** The holds of an inspection that nothing has ended. */
export async function holdsOfInspection(store: FleetStore, inspection: string): Promise<string[]> {
  const rows = await store
    .select({ id: hold.id })
    .from(hold)
    .leftJoin(holdReleased, ended)
    .where(and(eq(hold.inspectionId, inspection), isNull(holdReleased.holdId)));
  return rows.map(({ id }) => id);
}

type Holding = Pick<Doing<'hold-trailer'>, 'store' | 'session' | 'at'>;

/** Holds a unit. Gives the hold's id. */
export async function placeHold(
  { store, session, at }: Holding,
  unitId: string,
  reason: string,
  { id = uuidv7(), inspection = null }: { id?: string; inspection?: string | null } = {},
): Promise<string> {
  const own = { fleetId: session.fleet.id, id, unitId, reason, inspectionId: inspection };
  await store.insert(hold).values({ ...own, placedBy: session.person.id, placedAt: at });
  return id;
}

/** Ends a hold: by a release, or because a corrected reading took back why it was placed. */
export const endHold = (
  { store, session }: Pick<Holding, 'store' | 'session'>,
  holdId: string,
  by: { release: string } | { reading: string },
) =>
  store.insert(holdReleased).values({
    fleetId: session.fleet.id,
    holdId,
    releaseId: 'release' in by ? by.release : null,
    readingId: 'reading' in by ? by.reading : null,
  });

/** Holds a unit because of what was found, unless it is held for the same reason already. */
export async function holdFor(doing: Holding, unitId: string, reason: string): Promise<void> {
  const open = await openHolds(doing.store, unitId);
  if (!open.some((each) => each.reason === reason)) await placeHold(doing, unitId, reason);
}
