import {
  allSigns,
  type BookId,
  bookIdOf,
  byDaylight,
  COME_BACK_DAYS,
  compareQueuePlaces,
  type Day,
  dayAfter,
  dayIn,
  OPEN_DEFECT_STATES,
  proposalFor,
  type QueuePlace,
  queueOf,
  type Repaired,
  type Reported,
  spokenWith,
  type TriagePage,
  type TriageReport,
  URGENCIES,
  urgencyOf,
} from '@zealous-axle/core';
import { and, asc, eq, gt, gte, inArray, lte, or, sql } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import type { Actor } from '../run';
import type { FleetStore } from '../store';
import { departure, unit } from '../units';
import { daylightUntil } from './dusk';
import { type DefectRow, viewsWhere } from './queries';
import { certificate, defect } from './schema';

/** Trailers of one page. */
const PAGE = 20;

/** What waits for an answer: reported, or put off until a day or a dusk that has come. */
const waiting = (today: Day, now: Date) =>
  or(
    eq(defect.state, 'reported'),
    and(eq(defect.state, 'deferred'), or(lte(defect.until, today), lte(defect.dusk, now))),
  );

/** What is known of a unit that has reports waiting, beside its place in the queue. */
interface Queue {
  places: QueuePlace[];
  total: number;
  leaves: Map<string, { at: string; to: string; madeUp: boolean }>;
}

/** The whole queue, from the columns its order follows from: only rows that wait are read. */
async function queueNow(store: FleetStore, { fleet }: Actor, now: Date, today: Day): Promise<Queue> {
  const signs = allSigns(fleet);
  const rows = await store
    .select({
      unit: defect.unitId,
      code: defect.code,
      words: defect.words,
      holds: defect.holds,
      measuredAt: defect.measuredAt,
      reportedAt: defect.reportedAt,
      book: sql<BookId | null>`${unit.features} ->> 'book'`,
      leavesAt: departure.leavesAt,
      leavesTo: departure.leavesTo,
      source: departure.source,
    })
    .from(defect)
    .innerJoin(unit, and(eq(unit.fleetId, defect.fleetId), eq(unit.id, defect.unitId)))
    .leftJoin(
      departure,
      and(eq(departure.fleetId, defect.fleetId), eq(departure.unitId, defect.unitId), gt(departure.leavesAt, now)),
    )
    .where(waiting(today, now));
  const leaves: Queue['leaves'] = new Map();
  const places = queueOf(
    rows.map(({ leavesAt, leavesTo, source, reportedAt, measuredAt, book, ...row }) => {
      if (leavesAt)
        leaves.set(row.unit, { at: leavesAt.toISOString(), to: leavesTo ?? '', madeUp: source === 'made-up' });
      return {
        unit: row.unit,
        holds: row.holds,
        severity: urgencyOf({ ...row, measured: measuredAt !== null }, { book: book ?? fleet.book, signs }).severity,
        reportedAt: reportedAt.toISOString(),
        leavesAt: leavesAt?.toISOString() ?? null,
      };
    }),
  );
  return { places, total: rows.length, leaves };
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

const rankOf = ({ proposal }: TriageReport): number => URGENCIES.indexOf(proposal.severity);

/** A page of the queue, by trailer, with what is proposed for each report, what presses most first. */
export async function triagePage(store: FleetStore, actor: Actor, now: Date, key: Key | null): Promise<TriagePage> {
  const { fleet } = actor;
  const signs = allSigns(fleet);
  const today = dayIn(fleet.zone, now);
  const queue = await queueNow(store, actor, now, today);
  const dusk = daylightUntil(fleet.zone, fleet.policies, now)?.toISOString() ?? null;
  const after = key ? queue.places.filter((place) => compareQueuePlaces(place, key as QueuePlace) > 0) : queue.places;
  const { rows: groups, next } = pageOf(after, PAGE, (place) => place);
  const units = groups.map(([, , , , id]) => id);
  const [views, open, repaired] = await Promise.all([
    units.length ? viewsWhere(store, and(inArray(defect.unitId, units), waiting(today, now))) : [],
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
    total: queue.total,
    groups: units.flatMap((unitId) => {
      const reports = views.filter(({ unit }) => unit.id === unitId);
      const [first] = reports;
      if (!first) return [];
      const context = {
        open: open.filter((row) => row.unitId === unitId).map(reportOf),
        repaired: repaired.filter((each) => each.unitId === unitId).map((each) => each.repaired),
        today,
      };
      const { features, ...head } = first.unit;
      return [
        {
          unit: head,
          leaves: queue.leaves.get(unitId) ?? null,
          held: open.some((row) => row.unitId === unitId && row.holds),
          reports: reports
            .flatMap((view) => {
              const row = rows.get(view.id);
              if (!row) return [];
              const proposal = proposalFor(reportOf(row), { book: bookIdOf(features, fleet), signs }, context);
              return [
                {
                  defect: view,
                  proposal: spokenWith(proposal),
                  daylight: byDaylight(row.code, bookIdOf(features, fleet)) && !row.holds ? dusk : null,
                },
              ];
            })
            .sort((one, other) => rankOf(one) - rankOf(other)),
        },
      ];
    }),
    next,
  };
}
