import {
  type Book,
  type Correction,
  defectWords,
  type FoundDefect,
  isOpenDefect,
  type Settled,
  type SettledReading,
  sentences,
  settle,
  type ToldDefect,
  takenBack,
} from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { certificate, defect, defectPlace, findDefect, moveDefect, reportNote } from '../defects';
import { type Changed, changed, type Doing, found } from '../run';
import type { FleetStore } from '../store';
import { endHold, holdsOfInspection, placeHold, type UnitRow } from '../units';
import { currentReading, inspection } from './schema';

export type Settling = Pick<Doing<'close-inspection'>, 'store' | 'session' | 'at' | 'now'>;

/** Every report of a unit, whatever became of it. */
async function toldOf(store: FleetStore, unitId: string): Promise<ToldDefect[]> {
  const rows = await store
    .select({ defect, signedAt: certificate.signedAt })
    .from(defect)
    .leftJoin(certificate, and(eq(certificate.fleetId, defect.fleetId), eq(certificate.jobId, defect.jobId)))
    .where(eq(defect.unitId, unitId));
  return rows.map(
    ({ defect: { id, code, axle, side, tyre, state, holds, verdict, inspectionId, answeredAt }, signedAt }) => ({
      id,
      code,
      axle,
      side,
      tyre,
      state,
      holds,
      verdict,
      inspection: inspectionId,
      endedAt: isOpenDefect(state) ? null : ((signedAt ?? answeredAt)?.toISOString() ?? null),
    }),
  );
}

/** The readings that stand on a unit, with whether their inspections are still open. */
async function standingOf(store: FleetStore, unitId: string): Promise<SettledReading[]> {
  const rows = await store
    .select({
      key: currentReading.key,
      value: currentReading.value,
      at: currentReading.takenAt,
      inspection: currentReading.inspectionId,
      closedAt: inspection.closedAt,
      droppedAt: inspection.droppedAt,
    })
    .from(currentReading)
    .innerJoin(
      inspection,
      and(eq(inspection.fleetId, currentReading.fleetId), eq(inspection.id, currentReading.inspectionId)),
    )
    .where(eq(currentReading.unitId, unitId));
  return rows.map(({ at, closedAt, droppedAt, value, ...row }) => ({
    ...row,
    value,
    kind: value.kind,
    at: at.toISOString(),
    open: closedAt === null && droppedAt === null,
  }));
}

const words = (each: Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>): string =>
  `${defectPlace(each)}: ${defectWords(each.code)}`;

/** Reports what nobody was told of yet. A sign a driver saw is that driver's report. */
async function report({ store, session, at }: Settling, unit: UnitRow, fresh: Settled['report']): Promise<Changed[]> {
  if (fresh.length === 0) return [];
  const rows = fresh.map(({ inspection: of, said, ...each }) => ({
    ...each,
    words: sentences(said),
    fleetId: session.fleet.id,
    id: uuidv7(),
    unitId: unit.id,
    origin: session.person.role === 'driver' ? ('driver' as const) : ('inspection' as const),
    inspectionId: of,
    reportedBy: session.person.id,
    reportedAt: at,
    state: 'reported' as const,
  }));
  await store.insert(defect).values(rows);
  return rows.map(({ id }) => changed('defect', id, 1));
}

const note = ({ store, session, at }: Settling, defectId: string, said: string) =>
  store.insert(reportNote).values({
    fleetId: session.fleet.id,
    id: uuidv7(),
    defectId,
    words: said,
    addedBy: session.person.id,
    addedAt: at,
  });

/** A report that is graver than it says holds from now on, and says why. */
async function worsen(doing: Settling, { id, said: why, verdict }: Settled['worsened'][number]): Promise<Changed> {
  const row = found(await findDefect(doing.store, id));
  const version = row.version + 1;
  await doing.store.update(defect).set({ holds: true, verdict, version }).where(eq(defect.id, id));
  await note(doing, id, sentences(why));
  return changed('defect', id, version);
}

/** Holds the unit for what was found: once for each inspection that found something. */
async function holdForFound(
  doing: Settling,
  unit: UnitRow,
  holding: readonly (FoundDefect & { inspection?: string | null })[],
) {
  const placed: Changed[] = [];
  for (const of of new Set(holding.map(({ inspection: id }) => id ?? null))) {
    if (of && (await holdsOfInspection(doing.store, of)).length) continue;
    const [first, ...others] = holding.filter(({ inspection: id }) => (id ?? null) === of);
    if (!first) continue;
    const more = others.length ? `, and ${others.length} more` : '';
    placed.push(changed('hold', await placeHold(doing, unit.id, `${words(first)}${more}`, { inspection: of })));
  }
  return placed;
}

/** What the correction of a reading takes back, and whom it tells. */
async function takeBack(
  doing: Settling,
  { reading, because, ...correction }: Correcting,
  told: readonly ToldDefect[],
  faults: readonly FoundDefect[],
): Promise<Changed[]> {
  const { withdraw, tell } = takenBack(correction, told, faults);
  const back: Changed[] = [];
  for (const { id } of withdraw) {
    const row = found(await findDefect(doing.store, id));
    const more = { holds: false, reason: because, answeredAt: doing.at };
    back.push(changed('defect', id, await moveDefect(doing, row, 'withdraw', more, { 'a reason': true })));
  }
  for (const { id } of tell) await note(doing, id, because);
  const gone = new Set(withdraw.map(({ id }) => id));
  const stillHolds = told.some(
    ({ id, inspection: of, holds, state }) =>
      of === correction.inspection && holds && isOpenDefect(state) && !gone.has(id),
  );
  if (withdraw.length && !stillHolds)
    for (const hold of await holdsOfInspection(doing.store, correction.inspection)) {
      await endHold(doing, hold, { reading });
      back.push(changed('hold', hold));
    }
  return back;
}

/** A reading that corrects another of its inspection, and what is said of that. */
export interface Correcting extends Correction {
  reading: string;
  because: string;
}

/**
 * Does what follows from how a unit stands now: reports what nobody was told of, holds it for what holds, takes back
 * what rested on a reading that was corrected. Asked by everything that changes what is judged, or what it is judged by; the
 * unit's row is taken by whoever asks.
 */
export async function settleUnit(
  doing: Settling,
  unit: UnitRow,
  book: Book,
  correcting?: Correcting,
): Promise<Changed[]> {
  const { store } = doing;
  const [standing, told] = [await standingOf(store, unit.id), await toldOf(store, unit.id)];
  const { faults, report: fresh, worsened } = settle(book, unit, { standing, told });
  const back = correcting ? await takeBack(doing, correcting, told, faults) : [];
  const reported = await report(doing, unit, fresh);
  const graver: Changed[] = [];
  for (const each of worsened) graver.push(await worsen(doing, each));
  const holding = [...fresh.filter(({ holds }) => holds), ...worsened];
  const held = await holdForFound(doing, unit, holding);
  return [...back, ...reported, ...graver, ...held];
}
