import { sql } from 'drizzle-orm';
import type { FleetStore } from '../store';
import { event } from './schema';

export const LIVE_CHANNEL = 'za_live';
/** Serialises a fleet's events, so that their ids are committed in order and `id > last` loses none. */
const EVENT_LOCK = 2;

/** Writes what happened and tells the listeners its id, in the caller's transaction. */
export async function writeEvent(store: FleetStore, row: typeof event.$inferInsert): Promise<void> {
  await store.execute(sql`select pg_advisory_xact_lock(hashtextextended(${row.fleetId}, ${EVENT_LOCK}))`);
  const [written] = await store.insert(event).values(row).returning({ id: event.id });
  const told = JSON.stringify({ fleet: row.fleetId, id: written?.id, type: row.type, unit: row.unitId ?? null });
  await store.execute(sql`select pg_notify(${LIVE_CHANNEL}, ${told})`);
}
