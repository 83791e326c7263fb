import { asc, gt, sql } from 'drizzle-orm';
import { event } from '../run';
import type { FleetStore } from '../store';
import type { Notice } from './live';

/** More than this is read again as a whole sooner than one by one. */
const MOST = 200;

/** What happened in a fleet after an event of this id, oldest first; or that it was too much to tell. */
export async function missedSince(store: FleetStore, id: number): Promise<Notice[] | 'too much'> {
  const rows = await store
    .select({
      fleet: sql<string>`${event.fleetId}`,
      id: event.id,
      type: event.type,
      unit: event.unitId,
      command: event.commandId,
    })
    .from(event)
    .where(gt(event.id, id))
    .orderBy(asc(event.id))
    .limit(MOST + 1);
  return rows.length > MOST ? 'too much' : rows;
}
