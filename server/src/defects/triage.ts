import {
  COME_BACK_DAYS,
  type Day,
  dayAfter,
  dayIn,
  OPEN_DEFECT_STATES,
  proposalFor,
  type Repaired,
  type Reported,
  type TriagePage,
} from '@zealous-axle/core';
import { and, asc, eq, gte, inArray, lte, or, sql } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import type { Actor } from '../run';
import type { FleetStore } from '../store';
import { type DefectRow, viewsWhere } from './queries';
import { certificate, defect } from './schema';

/** Trailers of one page. */
const PAGE = 20;

/** What waits for an answer: reported, or put off until a day that has come. */
const waiting = (today: Day) =>
  or(eq(defect.state, 'reported'), and(eq(defect.state, 'deferred'), lte(defect.until, today)));

interface Group {
  unitId: string;
  calm: boolean;
  /** An instant as the database writes it, to the microsecond. */
  oldest: string;
}

async function groupsAfter(store: FleetStore, today: Day, key: Key | null): Promise<Group[]> {
  const calm = sql<boolean>`not bool_or(${defect.holds})`;
  const oldest = sql<string>`min(${defect.reportedAt})`;
  return store
    .select({ unitId: defect.unitId, calm, oldest: sql<string>`${oldest}::text` })
    .from(defect)
    .where(waiting(today))
    .groupBy(defect.unitId)
    .having(
      key
        ? sql`(${calm}, ${oldest}, ${defect.unitId}) > (${key[0]}::boolean, ${key[1]}::timestamptz, ${key[2]}::uuid)`
        : sql`true`,
    )
    .orderBy(calm, oldest, defect.unitId)
    .limit(PAGE + 1);
}

const reportOf = ({ id, code, axle, side, tyre, words, holds, measuredAt }: DefectRow): Reported => ({
  id,
  code,
  axle,
  side,
  tyre,
  words,
  holds,
  measured: measuredAt !== null,
});

/** Repairs certified lately on these units, the newest first. */
async function repairedOn(store: FleetStore, units: readonly string[], zone: string, today: Day) {
  // A day more: the shop's day begins elsewhere than UTC's.
  const since = new Date(`${dayAfter(today, -COME_BACK_DAYS - 1)}T00:00:00Z`);
  const rows = await store
    .select({ defect, by: person.name, at: certificate.signedAt })
    .from(defect)
    .innerJoin(certificate, and(eq(certificate.fleetId, defect.fleetId), eq(certificate.jobId, defect.jobId)))
    .innerJoin(person, and(eq(person.fleetId, certificate.fleetId), eq(person.id, certificate.signedBy)))
    .where(
      and(
        inArray(defect.unitId, [...units]),
        inArray(defect.state, ['certified', 'acknowledged']),
        gte(certificate.signedAt, since),
      ),
    )
    .orderBy(sql`${certificate.signedAt} desc`);
  return rows.map(({ defect: row, by, at }) => ({
    unitId: row.unitId,
    repaired: {
      id: row.id,
      code: row.code,
      axle: row.axle,
      side: row.side,
      tyre: row.tyre,
      job: row.jobId ?? '',
      by,
      on: dayIn(zone, at),
    } satisfies Repaired,
  }));
}

/** A page of the queue, by trailer, with what is proposed for each report. Rows read: those of its trailers alone. */
export async function triagePage(store: FleetStore, { fleet }: Actor, now: Date, key: Key | null): Promise<TriagePage> {
  const today = dayIn(fleet.zone, now);
  const { rows: groups, next } = pageOf(await groupsAfter(store, today, key), PAGE, ({ calm, oldest, unitId }) => [
    calm ? 'true' : 'false',
    oldest,
    unitId,
  ]);
  const units = groups.map(({ unitId }) => unitId);
  const [[counted], views, open, repaired] = await Promise.all([
    store
      .select({ all: sql<number>`count(*)`.mapWith(Number) })
      .from(defect)
      .where(waiting(today)),
    units.length ? viewsWhere(store, and(inArray(defect.unitId, units), waiting(today))) : [],
    units.length
      ? store
          .select()
          .from(defect)
          .where(and(inArray(defect.unitId, units), inArray(defect.state, [...OPEN_DEFECT_STATES])))
          .orderBy(asc(defect.id))
      : [],
    units.length ? repairedOn(store, units, fleet.zone, today) : [],
  ]);
  const rows = new Map(open.map((row) => [row.id, row]));
  return {
    total: counted?.all ?? 0,
    groups: groups.flatMap(({ unitId }) => {
      const reports = views.filter(({ unit }) => unit.id === unitId);
      const [first] = reports;
      if (!first) return [];
      const context = {
        open: open.filter((row) => row.unitId === unitId).map(reportOf),
        repaired: repaired.filter((each) => each.unitId === unitId).map((each) => each.repaired),
        today,
      };
      const { features, ...unit } = first.unit;
      return [
        {
          unit,
          held: open.some((row) => row.unitId === unitId && row.holds),
          reports: reports.flatMap((view) => {
            const row = rows.get(view.id);
            return row
              ? [{ defect: view, proposal: proposalFor(reportOf(row), features.book ?? fleet.book, context) }]
              : [];
          }),
        },
      ];
    }),
    next,
  };
}
