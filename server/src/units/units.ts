import { eq, sql } from 'drizzle-orm';
import { type FleetStore, prepared } from '../store';
import { unit } from './schema';

export async function findUnit(store: FleetStore, unitId: string) {
  const asked = prepared(store, 'unit', () =>
    store
      .select()
      .from(unit)
      .where(eq(unit.id, sql.placeholder('id'))),
  );
  const [found] = await asked.execute({ id: unitId });
  return found ?? null;
}

/** A unit, its row taken until the transaction ends: nobody else decides about it meanwhile. */
export async function takeUnit(store: FleetStore, unitId: string): Promise<UnitRow | null> {
  const [row] = await store.select().from(unit).where(eq(unit.id, unitId)).for('update');
  return row ?? null;
}

/** The unit that bears a number; null where none does. */
export async function unitNumbered(store: FleetStore, number: string): Promise<string | null> {
  const [found] = await store.select({ id: unit.id }).from(unit).where(eq(unit.number, number));
  return found?.id ?? null;
}

export type UnitRow = NonNullable<Awaited<ReturnType<typeof findUnit>>>;
