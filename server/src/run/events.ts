import type { CommandName } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { Behind, FleetStore } from '../store';
import { event } from './schema';
import { sealEvent } from './seal';

export const LIVE_CHANNEL = 'za_live';
/** Serialises a fleet's events, so that their ids are committed in order and `id > last` loses none. */
const EVENT_LOCK = 2;

/** Tells whoever listens that something moved: no event, since nobody did anything. */
export const tellLive = (
  store: FleetStore,
  fleet: string,
  type: 'plan' | 'read-again' | CommandName,
  unit: string | null = null,
): Promise<unknown> =>
  store
    .execute(
      sql`select pg_notify(${LIVE_CHANNEL}, json_build_object('fleet', ${fleet}::text, 'id', 0, 'type', ${type}::text,
        'unit', ${unit}::text)::text)`,
    )
    .execute();

/** Of more units at once it is told that everything is to be read again. */
const MOST_TOLD = 20;

/**
 * Writes what happened and tells the listeners its id with each unit it concerns, in the caller's transaction. All of it travels with the commit:
 * the fleet's lock is held for as long as PostgreSQL needs to write, and for no round trip.
 */
export function writeEvent(
  store: FleetStore,
  behind: Behind,
  row: typeof event.$inferInsert,
  units: readonly string[],
): void {
  const many = units.length > MOST_TOLD;
  const told = many || units.length === 0 ? [null] : units;
  behind(store.execute(sql`select pg_advisory_xact_lock(hashtextextended(${row.fleetId}, ${EVENT_LOCK}))`).execute());
  behind(store.insert(event).values(row).execute());
  behind(sealEvent(store, row));
  behind(
    store
      .execute(sql`select pg_notify(${LIVE_CHANNEL}, json_build_object('fleet', ${row.fleetId}::text,
      'id', lastval(), 'type', ${many ? 'read-again' : row.type}::text, 'unit', unit,
      'command', ${row.commandId}::text)::text) from unnest(${sql.param(told)}::text[]) as unit`)
      .execute(),
  );
}
