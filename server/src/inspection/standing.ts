import { judgeReading, type Reading, readingKey, readingPlace, wheelEnd } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { fleetBook, type UnitRow } from '../fleet';
import type { Doing } from '../run';
import { currentReading } from './schema';

interface Taken {
  id: string;
  inspection: string;
  value: Reading;
  at: Date;
  supersedes?: string;
}

/** Keeps the standing reading of a place in step: the later one stands, and a correction stands in place of what it corrects. */
export async function keepStanding(
  { store, session }: Pick<Doing<'take-reading'>, 'store' | 'session'>,
  unit: UnitRow,
  { id, inspection, value, at, supersedes }: Taken,
): Promise<void> {
  const key = readingKey(value);
  const [standing] = await store
    .select({ readingId: currentReading.readingId, takenAt: currentReading.takenAt })
    .from(currentReading)
    .where(and(eq(currentReading.unitId, unit.id), eq(currentReading.key, key)))
    .for('update');
  if (standing && standing.readingId !== supersedes && standing.takenAt > at) return;
  const place = readingPlace(value);
  const end = place.axle && place.side ? wheelEnd(unit, place.axle, place.side) : null;
  const { verdict } = judgeReading(await fleetBook(store, session), end, value);
  const now = { readingId: id, inspectionId: inspection, value, verdict, takenAt: at };
  await store
    .insert(currentReading)
    .values({ fleetId: session.fleet.id, unitId: unit.id, key, ...now })
    .onConflictDoUpdate({ target: [currentReading.fleetId, currentReading.unitId, currentReading.key], set: now });
}
