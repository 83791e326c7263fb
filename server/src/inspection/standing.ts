import { type Book, judgeReading, type Reading, readingKey, readingPlace, wheelEnd } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { UnitRow } from '../fleet';
import type { Doing } from '../run';
import { currentReading } from './schema';

interface Taken {
  id: string;
  inspection: string;
  value: Reading;
  at: Date;
  supersedes?: string;
}

type Now = typeof currentReading.$inferInsert;

function standing(unit: UnitRow, book: Book, { id, inspection, value, at }: Taken): Now {
  const place = readingPlace(value);
  const end = place.axle && place.side ? wheelEnd(unit, place.axle, place.side) : null;
  const { verdict } = judgeReading(book, end, value);
  const own = { fleetId: unit.fleetId, unitId: unit.id, key: readingKey(value) };
  return { ...own, readingId: id, inspectionId: inspection, value, verdict, takenAt: at };
}

/** Of several readings of one place, the one that stands: the latest, the last of those taken at one time. */
function latestOfEach(taken: readonly Taken[]): Taken[] {
  const latest = new Map<string, Taken>();
  for (const each of taken) {
    const key = readingKey(each.value);
    const known = latest.get(key);
    if (!known || each.at >= known.at) latest.set(key, each);
  }
  return [...latest.values()];
}

/**
 * Keeps the standing readings of a unit in step, in one statement: the later one stands, and a correction stands in
 * place of what it corrects. The unit's row is taken by the command that does this.
 */
export async function keepStanding(
  { store }: Pick<Doing<'take-reading'>, 'store'>,
  unit: UnitRow,
  book: Book,
  taken: readonly Taken[],
): Promise<void> {
  if (taken.length === 0) return;
  const corrected = taken.flatMap(({ supersedes }) => supersedes ?? []);
  await store
    .insert(currentReading)
    .values(latestOfEach(taken).map((each) => standing(unit, book, each)))
    .onConflictDoUpdate({
      target: [currentReading.fleetId, currentReading.unitId, currentReading.key],
      set: {
        readingId: sql`excluded.reading_id`,
        inspectionId: sql`excluded.inspection_id`,
        value: sql`excluded.value`,
        verdict: sql`excluded.verdict`,
        takenAt: sql`excluded.taken_at`,
      },
      setWhere: sql`${currentReading.takenAt} <= excluded.taken_at
        or ${currentReading.readingId} = any(${sql.param(corrected)}::uuid[])`,
    });
}
