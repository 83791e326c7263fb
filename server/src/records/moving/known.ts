import type { KnownThings } from '@zealous-axle/core';
import { inArray } from 'drizzle-orm';
import { person } from '../../access';
import { part } from '../../repair';
import type { FleetStore } from '../../store';
import { type UnitRow, unit } from '../../units';

/** The units of the fleet so numbered. */
export async function unitsByNumber(store: FleetStore, numbers: readonly string[]): Promise<Map<string, UnitRow>> {
  const asked = [...new Set(numbers)];
  if (asked.length === 0) return new Map();
  const rows = await store.select().from(unit).where(inArray(unit.number, asked));
  return new Map(rows.map((row) => [row.number, row]));
}

/** Of what a list names, what the fleet has. */
export async function knownOf(
  store: FleetStore,
  asked: { units: string[]; parts: string[]; signIns: string[] },
): Promise<KnownThings> {
  const units = await unitsByNumber(store, asked.units);
  const parts = asked.parts.length
    ? await store.select({ id: part.id }).from(part).where(inArray(part.id, asked.parts))
    : [];
  const people = asked.signIns.length
    ? await store.select({ signIn: person.signIn }).from(person).where(inArray(person.signIn, asked.signIns))
    : [];
  return {
    units: [...units.values()].map(({ number, kind, axles }) => ({ number, kind, axles })),
    parts: parts.map(({ id }) => id),
    signIns: people.map(({ signIn }) => signIn),
  };
}
