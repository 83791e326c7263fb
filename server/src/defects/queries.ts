import {
  type DefectState,
  type DefectView,
  OPEN_DEFECT_STATES,
  positionCode,
  type Signed,
  type UnitPage,
} from '@zealous-axle/core';
import { and, asc, count, desc, eq, gte, inArray, or, type SQL, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import { type Before, type FleetStore, keptBefore, newestKept, prepared } from '../store';
import { unit } from '../units';
import { certificate, cleanReport, defect } from './schema';

export type DefectRow = typeof defect.$inferSelect;

export interface DefectQuestion {
  unitId?: string;
  jobId?: string;
  id?: string;
  states?: readonly DefectState[];
}

const reporter = alias(person, 'reporter');
const signer = alias(person, 'signer');

/** What was added to a report, the oldest first. */
const added = sql<DefectView['added']>`(
  select coalesce(json_agg(json_build_object('words', n.words, 'by', p.name, 'at', n.added_at) order by n.added_at, n.id), '[]')
  from report_note n join person p on p.fleet_id = n.fleet_id and p.id = n.added_by
  where n.fleet_id = ${defect.fleetId} and n.defect_id = ${defect.id})`;

/** The photos taken of it, the oldest first. */
const photos = sql<string[]>`(
  select coalesce(json_agg(o.id order by o.taken_at, o.id), '[]')
  from photo o where o.fleet_id = ${defect.fleetId} and o.defect_id = ${defect.id})`;

function select(store: FleetStore) {
  return store
    .select({ defect, unit, by: reporter.name, certificate, signer: signer.name, added, photos, inspecting })
    .from(defect)
    .innerJoin(unit, and(eq(unit.fleetId, defect.fleetId), eq(unit.id, defect.unitId)))
    .innerJoin(reporter, and(eq(reporter.fleetId, defect.fleetId), eq(reporter.id, defect.reportedBy)))
    .leftJoin(certificate, and(eq(certificate.fleetId, defect.fleetId), eq(certificate.jobId, defect.jobId)))
    .leftJoin(signer, and(eq(signer.fleetId, defect.fleetId), eq(signer.id, certificate.signedBy)));
}
type Row = Awaited<ReturnType<typeof select>>[number];

/** The inspection that found it, and whether it is still open. */
const inspecting = sql<DefectView['inspection']>`(
  select json_build_object('id', i.id, 'open', i.closed_at is null and i.dropped_at is null)
  from inspection i where i.fleet_id = ${defect.fleetId} and i.id = ${defect.inspectionId})`;

const viewOf = (row: Row): DefectView => ({
  id: row.defect.id,
  unit: {
    id: row.unit.id,
    number: row.unit.number,
    body: row.unit.body,
    kind: row.unit.kind,
    features: row.unit.features,
  },
  code: row.defect.code,
  axle: row.defect.axle,
  side: row.defect.side,
  tyre: row.defect.tyre,
  words: row.defect.words,
  state: row.defect.state,
  holds: row.defect.holds,
  origin: row.defect.origin,
  inspection: row.inspecting,
  reportedBy: row.by,
  reportedAt: row.defect.reportedAt.toISOString(),
  job: row.defect.jobId,
  joined: row.defect.joinedTo,
  comeBackOf: row.defect.comeBackOf,
  until: row.defect.until,
  untilMeter: row.defect.untilMeter,
  dusk: row.defect.dusk?.toISOString() ?? null,
  reason: row.defect.reason,
  added: row.added.map((each) => ({ ...each, at: new Date(each.at).toISOString() })),
  photos: row.photos,
  certified:
    row.certificate && row.signer
      ? { by: row.signer, at: row.certificate.signedAt.toISOString(), statement: row.certificate.statement }
      : null,
  version: row.defect.version,
});

/** Defects with their unit, reporter and certificate, newest first: all that were asked for. */
export async function defectViews(store: FleetStore, asked: DefectQuestion): Promise<DefectView[]> {
  const statement = prepared(store, `defects by ${Object.keys(asked).sort()}`, () =>
    select(store)
      .where(
        and(
          asked.unitId ? eq(defect.unitId, sql.placeholder('unitId')) : undefined,
          asked.jobId ? eq(defect.jobId, sql.placeholder('jobId')) : undefined,
          asked.id ? eq(defect.id, sql.placeholder('id')) : undefined,
          asked.states ? sql`${defect.state} = any(${sql.placeholder('states')}::text[])` : undefined,
        ),
      )
      .orderBy(desc(defect.reportedAt), desc(defect.id)),
  );
  return (await statement.execute({ ...asked })).map(viewOf);
}

/** Defects whose unit, words or reporter have `text` in them, or whose code is one of `codes`, the newest first: so many and one more. */
export async function defectsWith(
  store: FleetStore,
  text: string,
  codes: readonly string[],
  size: number,
): Promise<DefectView[]> {
  const rows = await select(store)
    .where(
      or(
        sql`${unit.number} || ' ' || ${defect.words} || ' ' || ${reporter.name} ilike ${text}`,
        codes.length ? inArray(defect.code, [...codes]) : undefined,
      ),
    )
    .orderBy(desc(defect.reportedAt), desc(defect.id))
    .limit(size + 1);
  return rows.map(viewOf);
}

/** Defects that a condition asks for, the oldest first. */
export const viewsWhere = async (store: FleetStore, where: SQL | undefined): Promise<DefectView[]> =>
  (await select(store).where(where).orderBy(asc(defect.reportedAt), asc(defect.id))).map(viewOf);

/** How long what was taken back is told of. */
const TOLD_BACK_MS = 30 * 86_400_000;

/** Reports that were taken back lately because their reading was corrected, the newest first. */
export async function takenBackLately(store: FleetStore, unitId: string, now: Date): Promise<UnitPage['takenBack']> {
  const rows = await store
    .select()
    .from(defect)
    .where(
      and(
        eq(defect.unitId, unitId),
        eq(defect.state, 'withdrawn'),
        gte(defect.answeredAt, new Date(now.getTime() - TOLD_BACK_MS)),
      ),
    )
    .orderBy(desc(defect.answeredAt), desc(defect.id));
  return rows.map(({ id, code, axle, side, tyre, reason, answeredAt, reportedAt }) => ({
    id,
    code,
    axle,
    side,
    tyre,
    reason: reason ?? '',
    at: (answeredAt ?? reportedAt).toISOString(),
  }));
}

/** The last signature of whoever walked round a unit; null when there is none. */
export async function lastSigned(store: FleetStore, unitId: string): Promise<Signed | null> {
  const asked = prepared(store, 'clean report', () =>
    store
      .select({ by: person.name, at: cleanReport.reportedAt, says: cleanReport.says, known: cleanReport.known })
      .from(cleanReport)
      .innerJoin(person, and(eq(person.fleetId, cleanReport.fleetId), eq(person.id, cleanReport.reportedBy)))
      .where(eq(cleanReport.unitId, sql.placeholder('unit')))
      .orderBy(desc(cleanReport.reportedAt))
      .limit(1),
  );
  const [row] = await asked.execute({ unit: unitId });
  return row ? { ...row, at: row.at.toISOString() } : null;
}

/** At most so many signatures of walks round a unit, the newest first, kept before an instant; each with when it was kept. */
export async function walksBefore(store: FleetStore, unitId: string, before: Before, most: number) {
  const asked = prepared(store, `walks ${before ? 'before' : ''}`, () =>
    store
      .select({ walk: cleanReport, by: person.name })
      .from(cleanReport)
      .innerJoin(person, and(eq(person.fleetId, cleanReport.fleetId), eq(person.id, cleanReport.reportedBy)))
      .where(
        and(
          eq(cleanReport.unitId, sql.placeholder('unit')),
          before ? keptBefore(cleanReport.recordedAt, cleanReport.id) : undefined,
        ),
      )
      .orderBy(...newestKept(cleanReport.recordedAt, cleanReport.id))
      .limit(sql.placeholder('most')),
  );
  const rows = await asked.execute({ unit: unitId, ...before, most });
  return rows.map(({ walk: { id, reportedAt, says, known, recordedAt }, by }) => ({
    view: { id, by, at: reportedAt.toISOString(), says, known },
    recordedAt,
  }));
}

/** A page of the defects in a state, newest first. */
export async function defectsIn(store: FleetStore, state: DefectState, key: Key | null, size: number) {
  const rows = await select(store)
    .where(
      and(
        eq(defect.state, state),
        key ? sql`(${defect.reportedAt}, ${defect.id}) < (${key[0]}, ${key[1]})` : undefined,
      ),
    )
    .orderBy(desc(defect.reportedAt), desc(defect.id))
    .limit(size + 1);
  return pageOf(rows.map(viewOf), size, ({ reportedAt, id }) => [reportedAt, id]);
}

/** How many defects each of these states has. */
export async function countDefects(store: FleetStore, states: readonly DefectState[]) {
  const rows = await store
    .select({ state: defect.state, n: count() })
    .from(defect)
    .where(inArray(defect.state, [...states]))
    .groupBy(defect.state);
  return new Map(rows.map(({ state, n }) => [state, n]));
}

/** That a defect is open. */
export const OPEN_DEFECTS = inArray(defect.state, [...OPEN_DEFECT_STATES]);

/** Every open defect of a unit, whole: what decides reads these, never a list made for a screen. */
export const openDefects = (store: FleetStore, unitId: string): Promise<DefectRow[]> =>
  store
    .select()
    .from(defect)
    .where(and(eq(defect.unitId, unitId), OPEN_DEFECTS))
    .orderBy(asc(defect.reportedAt), asc(defect.id));

/** The defects a job repairs, whole. */
export const defectsOfJob = (store: FleetStore, jobId: string): Promise<DefectRow[]> =>
  store.select().from(defect).where(eq(defect.jobId, jobId)).orderBy(asc(defect.id));

export async function findDefect(store: FleetStore, id: string): Promise<DefectRow | null> {
  const [found] = await store.select().from(defect).where(eq(defect.id, id));
  return found ?? null;
}

/** The place of a defect in short: `2L-out`, or the whole unit. */
export const defectPlace = ({ axle, side, tyre }: Pick<DefectRow, 'axle' | 'side' | 'tyre'>): string =>
  axle !== null && side !== null ? positionCode({ axle, side, tyre }) : 'Trailer';
