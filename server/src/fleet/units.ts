import { eq } from 'drizzle-orm';
import type { FleetStore } from '../store';
import { unit } from './schema';

export async function findUnit(store: FleetStore, unitId: string) {
  const [found] = await store.select().from(unit).where(eq(unit.id, unitId));
  return found ?? null;
}

export type UnitRow = NonNullable<Awaited<ReturnType<typeof findUnit>>>;
