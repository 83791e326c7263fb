import {
  type Book,
  type Claim,
  judgeReading,
  type Reading,
  readingKey,
  readingPlace,
  type Standing,
  standingVerdict,
  wheelEnd,
  whichStands,
} from '@zealous-axle/core';
import { and, eq, sql } from 'drizzle-orm';
import type { Doing } from '../run';
import type { FleetStore } from '../store';
import type { UnitRow } from '../units';
import { standingReadings } from './queries';
import { currentReading } from './schema';

interface Taken {
  id: string;
  inspection: string;
  value: Reading;
  at: Date;
  by: string;
  supersedes?: string | undefined;
  /** Between which moments it was taken, where that is not known. */
  from?: Date | undefined;
  until?: Date | undefined;
}

type Now = typeof currentReading.$inferInsert;

function verdictOf(unit: UnitRow, book: Book, value: Reading) {
  const place = readingPlace(value);
  const end = place.axle && place.side ? wheelEnd(unit, place.axle, place.side) : null;
  return standingVerdict(judgeReading(book, end, value));
}

/** The readings that stand on a unit, with the verdicts of the rules that now hold: what decides reads these. */
export async function standingJudged(store: FleetStore, unit: UnitRow, book: Book): Promise<Standing[]> {
  const rows = await standingReadings(store, unit.id);
  return rows.map((row) => ({ ...row, verdict: verdictOf(unit, book, row.value) }));
}

/** Judges what stands again, by what is now known to be fitted. */
export async function judgeStandingAgain(store: FleetStore, unit: UnitRow, book: Book): Promise<void> {
  const rows = await store.select().from(currentReading).where(eq(currentReading.unitId, unit.id));
  for (const { key, value, verdict: before } of rows) {
    const verdict = verdictOf(unit, book, value);
    if (verdict !== before)
      await store
        .update(currentReading)
        .set({ verdict })
        .where(and(eq(currentReading.unitId, unit.id), eq(currentReading.key, key)));
  }
}

function standing(unit: UnitRow, book: Book, recordedAt: Date, taken: Taken): Now {
  const { id, inspection, value, at, by } = taken;
  const verdict = verdictOf(unit, book, value);
  const own = { fleetId: unit.fleetId, unitId: unit.id, key: readingKey(value) };
  const between = { takenFrom: taken.from ?? null, takenUntil: taken.until ?? null };
  const said = { takenAt: at, takenBy: by, ...between, recordedAt };
  return { ...own, readingId: id, inspectionId: inspection, value, verdict, ...said };
}

type Claiming = Pick<Now, 'readingId' | 'verdict' | 'takenAt' | 'takenFrom' | 'takenUntil'>;

/** A reading as it claims its place. */
const claimOf = ({ readingId, verdict, takenAt, takenFrom, takenUntil }: Claiming): Claim => ({
  id: readingId,
  verdict,
  from: (takenFrom ?? takenAt).getTime(),
  until: (takenUntil ?? takenAt).getTime(),
});

/** What stands of two, where a fresh one comes; nothing where what stands goes on standing as it did. */
function stood(old: Now, fresh: Now, corrects: string | undefined): Now | null {
  const [was, is] = [claimOf(old), claimOf(fresh)];
  const stands = whichStands(was, { ...is, corrects });
  const row = stands.fresh ? fresh : old;
  if (!stands.doubtful) return stands.fresh ? { ...fresh, doubtful: false } : null;
  // The next one takes its place only where it is later than both.
  const takenFrom = new Date(Math.min(was.from, is.from));
  const takenUntil = new Date(Math.max(was.until, is.until));
  return { ...row, takenFrom, takenUntil, doubtful: true };
}

/** Of several readings of one place that come at once, the latest, the last of those taken at one time. */
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
 * Keeps the standing readings of a unit in step. The unit's row is taken by the command that does this: nobody else
 * changes them meanwhile.
 */
export async function keepStanding(
  { store, now }: Pick<Doing<'take-reading'>, 'store' | 'now'>,
  unit: UnitRow,
  book: Book,
  taken: readonly Taken[],
): Promise<void> {
  if (taken.length === 0) return;
  const fresh = latestOfEach(taken).map((each) => ({ each, row: standing(unit, book, now, each) }));
  const keys = fresh.map(({ row }) => row.key);
  const before = await store
    .select()
    .from(currentReading)
    .where(and(eq(currentReading.unitId, unit.id), sql`${currentReading.key} = any(${sql.param(keys)}::text[])`));
  const known = new Map(before.map((row) => [row.key, row]));
  const rows = fresh.flatMap(({ each, row }): Now[] => {
    const old = known.get(row.key);
    if (!old) return [row];
    const stands = stood(old, row, each.supersedes);
    return stands ? [stands] : [];
  });
  if (rows.length === 0) return;
  await store
    .insert(currentReading)
    .values(rows)
    .onConflictDoUpdate({
      target: [currentReading.fleetId, currentReading.unitId, currentReading.key],
      set: {
        readingId: sql`excluded.reading_id`,
        inspectionId: sql`excluded.inspection_id`,
        value: sql`excluded.value`,
        verdict: sql`excluded.verdict`,
        takenAt: sql`excluded.taken_at`,
        takenBy: sql`excluded.taken_by`,
        takenFrom: sql`excluded.taken_from`,
        takenUntil: sql`excluded.taken_until`,
        recordedAt: sql`excluded.recorded_at`,
        doubtful: sql`excluded.doubtful`,
      },
    });
}
