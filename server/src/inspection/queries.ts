import {
  allFindings,
  type InspectionHead,
  isKeyOf,
  keptFinding,
  type OpenInspection,
  type Reading,
  readingPlace,
  type Sheet,
  type Standing,
  type Step,
  spokenJudgement,
  type Unit,
  type UnitChange,
  type Verdict,
  WEARING_KINDS,
} from '@zealous-axle/core';
import { and, asc, count, desc, eq, isNull, sql } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import { sealOf } from '../run';
import { type FleetStore, prepared } from '../store';
import { changesSince, unit } from '../units';
import { photosOf } from './photos';
import { currentReading, type InspectionRow, inspection, judgement, reading, skip } from './schema';
import { stepsAsked } from './steps';

export async function findInspection(store: FleetStore, id: string): Promise<InspectionRow | null> {
  const [found] = await store.select().from(inspection).where(eq(inspection.id, id));
  return found ?? null;
}

/** The readings of an inspection that no other supersedes. */
export async function liveReadings(store: FleetStore, inspectionId: string) {
  const rows = await store
    .select()
    .from(reading)
    .where(eq(reading.inspectionId, inspectionId))
    .orderBy(asc(reading.takenAt), asc(reading.id));
  const replaced = new Set(rows.map(({ supersedes }) => supersedes));
  return rows.filter(({ id }) => !replaced.has(id));
}

/** The judgement that stands of an inspection, with what was not read of the unit worked out beside what was. */
async function latestJudgement(
  store: FleetStore,
  inspectionId: string,
  unitOf: Unit,
  steps: readonly Step[],
): Promise<Sheet['judgement']> {
  const [row] = await store
    .select()
    .from(judgement)
    .where(eq(judgement.inspectionId, inspectionId))
    .orderBy(desc(judgement.seq))
    .limit(1);
  if (!row) return null;
  const { book, edition, verdict, complete, brakes } = row;
  const findings = allFindings(unitOf, row.findings.map(keptFinding), steps);
  return spokenJudgement({ book: { id: book, edition }, verdict, complete, brakes, findings });
}

/** Facts of the unit that were changed since an inspection began, until it was judged last: its verdict may rest on them. */
async function changesDuring(store: FleetStore, { id, unitId, startedAt }: InspectionRow): Promise<UnitChange[]> {
  const [last] = await store
    .select({ at: judgement.judgedAt })
    .from(judgement)
    .where(eq(judgement.inspectionId, id))
    .orderBy(desc(judgement.seq))
    .limit(1);
  return changesSince(store, unitId, startedAt, last?.at ?? null);
}

/**
 * What the places of an inspection read last before it began, for the kinds whose wear says something: one indexed row
 * for each place, however long the history.
 */
async function readingsBefore(store: FleetStore, head: InspectionRow, places: readonly string[]) {
  const keys = places.filter((key) => isKeyOf(key, WEARING_KINDS));
  const { rows } = await store.execute<{ value: Reading; at: string; inspection: string }>(sql`
    select last.value, last.taken_at as at, last.inspection_id as inspection
    from unnest(${sql.param(keys)}::text[]) as place(key)
    cross join lateral (
      select r.value, r.taken_at, r.inspection_id from reading r
      where r.fleet_id = ${head.fleetId} and r.unit_id = ${head.unitId} and r.key = place.key
        and r.taken_at < ${head.startedAt} and r.inspection_id <> ${head.id}
        and not exists (select 1 from reading s where s.fleet_id = r.fleet_id and s.supersedes = r.id)
      order by r.taken_at desc
      limit 1
    ) last
    order by place.key`);
  return rows.map(({ at, ...row }) => ({ ...row, at: new Date(at).toISOString() }));
}

const mine = (table: typeof reading | typeof skip, by: typeof reading.takenBy | typeof skip.skippedBy) =>
  and(eq(person.fleetId, table.fleetId), eq(person.id, by));

/** The entry of the fleet's chain that covers the judgement that stands of an inspection; null while there is none. */
export async function judgementSeal(store: FleetStore, inspectionId: string) {
  const [newest] = await store
    .select({ id: judgement.id })
    .from(judgement)
    .where(eq(judgement.inspectionId, inspectionId))
    .orderBy(desc(judgement.seq))
    .limit(1);
  return newest ? sealOf(store, 'judgement', newest.id) : null;
}

/** Everything of one inspection: readings with what replaced them, skips, and the judgement that stands. */
export async function sheetOf(store: FleetStore, id: string): Promise<Sheet | null> {
  const [head] = await store
    .select({ inspection, unit, by: person.name })
    .from(inspection)
    .innerJoin(unit, and(eq(unit.fleetId, inspection.fleetId), eq(unit.id, inspection.unitId)))
    .innerJoin(person, and(eq(person.fleetId, inspection.fleetId), eq(person.id, inspection.startedBy)))
    .where(eq(inspection.id, id));
  if (!head) return null;
  const taken = await store
    .select({ reading, by: person.name })
    .from(reading)
    .innerJoin(person, mine(reading, reading.takenBy))
    .where(eq(reading.inspectionId, id))
    .orderBy(asc(reading.takenAt), asc(reading.id));
  const skipped = await store
    .select({ skip, by: person.name })
    .from(skip)
    .innerJoin(person, mine(skip, skip.skippedBy))
    .where(eq(skip.inspectionId, id))
    .orderBy(asc(skip.skippedAt));
  const steps = await stepsAsked(store, head.inspection);
  const replacedBy = new Map(taken.map((row) => [row.reading.supersedes, row.reading.id]));
  return {
    ...inspectionHead(head.inspection, head.by),
    unit: {
      id: head.unit.id,
      number: head.unit.number,
      body: head.unit.body,
      kind: head.unit.kind,
      axles: head.unit.axles,
    },
    readings: taken.map((row) => ({
      id: row.reading.id,
      value: row.reading.value as Reading,
      by: row.by,
      at: row.reading.takenAt.toISOString(),
      said: row.reading.saidAt?.toISOString() ?? null,
      gauge: row.reading.gauge,
      supersedes: row.reading.supersedes,
      supersededBy: replacedBy.get(row.reading.id) ?? null,
    })),
    before: await readingsBefore(store, head.inspection, [...new Set(taken.map((row) => row.reading.key))]),
    skips: skipped.map((row) => ({
      key: row.skip.key,
      reason: row.skip.reason,
      by: row.by,
      at: row.skip.skippedAt.toISOString(),
    })),
    steps,
    sections: head.inspection.sections,
    photos: await photosOf(store, id),
    unitChanges: await changesDuring(store, head.inspection),
    judgement: await latestJudgement(store, id, head.unit, steps ?? []),
  };
}

/** The readings that stand on a unit: one indexed read of `current_reading`. */
export async function standingReadings(store: FleetStore, unitId: string): Promise<Standing[]> {
  const asked = prepared(store, 'standing readings', () =>
    store
      .select()
      .from(currentReading)
      .where(eq(currentReading.unitId, sql.placeholder('unit')))
      .orderBy(asc(currentReading.key)),
  );
  return (await asked.execute({ unit: unitId })).map(({ value, ...row }) => ({
    reading: row.readingId,
    inspection: row.inspectionId,
    key: row.key,
    ...readingPlace(value),
    kind: value.kind as Standing['kind'],
    verdict: row.verdict,
    value,
    at: row.takenAt.toISOString(),
    by: row.takenBy,
    recordedAt: row.recordedAt.toISOString(),
    doubtful: row.doubtful,
  }));
}

/** A reading that stands, with who took it. */
export interface StandsBy extends Pick<Standing, 'key' | 'kind' | 'value' | 'verdict' | 'at'> {
  by: string;
}

/** The readings that stand on some units. */
export async function standingOfUnits(store: FleetStore, units: readonly string[]): Promise<Map<string, StandsBy[]>> {
  const { rows } = await store.execute<{
    unit: string;
    key: string;
    value: Reading;
    verdict: Verdict;
    at: string;
    by: string;
  }>(sql`
    select c.unit_id as unit, c.key, c.value, c.verdict, p.name as by,
      to_char(c.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at
    from current_reading c join person p on p.fleet_id = c.fleet_id and p.id = c.taken_by
    where c.unit_id = any(${sql.param([...units])}::uuid[]) order by c.unit_id, c.key`);
  const stands = new Map<string, StandsBy[]>();
  for (const { unit: of, value, ...row } of rows) {
    const each = { ...row, value, kind: value.kind as Standing['kind'] };
    const own = stands.get(of);
    if (own) own.push(each);
    else stands.set(of, [each]);
  }
  return stands;
}

/** Inspections that are open on a unit, the newest first, with how much was read. */
export async function openInspections(store: FleetStore, unitId: string): Promise<OpenInspection[]> {
  const rows = await store
    .select({
      id: inspection.id,
      purpose: inspection.purpose,
      route: sql<string | null>`${inspection.route} ->> 'name'`,
      by: person.name,
      person: person.id,
      startedAt: inspection.startedAt,
      read: sql<number>`(select count(*) from reading r where r.fleet_id = ${inspection.fleetId}
        and r.inspection_id = ${inspection.id})`.mapWith(Number),
    })
    .from(inspection)
    .innerJoin(person, and(eq(person.fleetId, inspection.fleetId), eq(person.id, inspection.startedBy)))
    .where(and(eq(inspection.unitId, unitId), isNull(inspection.closedAt), isNull(inspection.droppedAt)))
    .orderBy(desc(inspection.startedAt), desc(inspection.id))
    .limit(MOST_OPEN);
  return rows.map(({ startedAt, ...row }) => ({ ...row, startedAt: startedAt.toISOString() }));
}

/** More are of long ago, begun and left. */
const MOST_OPEN = 12;

/** What was dropped before anything was read is not among what was inspected. */
const LEFT_A_TRACE = sql`(${inspection.droppedAt} is null or ${inspection.droppedBecause} is not null)`;

/** Inspections of a unit, newest first; those before a key of the page before. */
export async function inspectionsBefore(store: FleetStore, unitId: string, key: Key | null, size: number) {
  const { startedAt, id } = inspection;
  const before = sql`(${startedAt}, ${id}) < (${sql.placeholder('at')}, ${sql.placeholder('id')})`;
  const asked = prepared(store, `inspections ${key ? 'before' : ''}`, () =>
    store
      .select({ inspection, by: person.name })
      .from(inspection)
      .innerJoin(person, and(eq(person.fleetId, inspection.fleetId), eq(person.id, inspection.startedBy)))
      .where(and(eq(inspection.unitId, sql.placeholder('unit')), LEFT_A_TRACE, key ? before : undefined))
      .orderBy(desc(startedAt), desc(id))
      .limit(sql.placeholder('size')),
  );
  const rows = await asked.execute({ unit: unitId, size: size + 1, at: key?.[0], id: key?.[1] });
  const heads = rows.map((row) => inspectionHead(row.inspection, row.by));
  return pageOf(heads, size, (head) => [head.startedAt, head.id]);
}

export async function countInspections(store: FleetStore, unitId: string): Promise<number> {
  const [row] = await store
    .select({ n: count() })
    .from(inspection)
    .where(and(eq(inspection.unitId, unitId), LEFT_A_TRACE));
  return row?.n ?? 0;
}

const inspectionHead = (row: typeof inspection.$inferSelect, by: string): InspectionHead => ({
  id: row.id,
  purpose: row.purpose,
  route: row.route?.name ?? null,
  job: row.jobId,
  by,
  startedAt: row.startedAt.toISOString(),
  closedAt: row.closedAt?.toISOString() ?? null,
  outcome: row.outcome,
  because: row.because,
  verdict: row.verdict,
  dropped: row.droppedAt ? (row.droppedBecause ?? '') : null,
});
