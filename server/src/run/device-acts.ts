import { and, asc, desc, eq, gt, lt } from 'drizzle-orm';
import type { FleetStore } from '../store';
import { event } from './schema';
import { ALONE, type Neighbours } from './time';

/** A device, and which of its acts one is. */
export interface Counted {
  device: string;
  count: number;
}

/** When the nearest act of a device on one side of a count was done; null where none is known there. */
async function nearest(store: FleetStore, { device, count }: Counted, side: 'before' | 'after'): Promise<Date | null> {
  const [beyond, order] = side === 'before' ? [lt, desc] : [gt, asc];
  const [act] = await store
    .select({ at: event.at })
    .from(event)
    .where(and(eq(event.deviceId, device), beyond(event.deviceCount, count)))
    .orderBy(order(event.deviceCount))
    .limit(1)
    .execute();
  return act?.at ?? null;
}

/** When a device's acts just before and just after one were done, of those that are known. */
export async function actsBeside(store: FleetStore, counted: Counted | undefined): Promise<Neighbours> {
  if (!counted) return ALONE;
  const [before, after] = await Promise.all([nearest(store, counted, 'before'), nearest(store, counted, 'after')]);
  return { before, after };
}
