import { and, asc, desc, eq, gt, lt } from 'drizzle-orm';
import type { FleetStore } from '../store';
import { event } from './schema';
import { ALONE, type Neighbours } from './time';

/** A device, and which of its acts one is. */
export interface Counted {
  device: string;
  count: number;
}

/** When a device's acts just before and just after one were done, of those that are known. */
export async function actsBeside(store: FleetStore, counted: Counted | undefined): Promise<Neighbours> {
  if (!counted) return ALONE;
  const at = { at: event.at };
  const own = eq(event.deviceId, counted.device);
  const { deviceCount } = event;
  const [[before], [after]] = await Promise.all([
    store
      .select(at)
      .from(event)
      .where(and(own, lt(deviceCount, counted.count)))
      .orderBy(desc(deviceCount))
      .limit(1)
      .execute(),
    store
      .select(at)
      .from(event)
      .where(and(own, gt(deviceCount, counted.count)))
      .orderBy(asc(deviceCount))
      .limit(1)
      .execute(),
  ]);
  return { before: before?.at ?? null, after: after?.at ?? null };
}
