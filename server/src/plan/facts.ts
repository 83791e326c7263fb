import {
  allSigns,
  bookIdOf,
  type Day,
  DEFAULT_BOOK,
  dayIn,
  isOpenJob,
  type KeptSlot,
  OPEN_JOB_STATES,
  type PartsDays,
  PLAN_WEIGHTS,
  type Priority,
  partsDays,
  type ShopFacts,
  type ShopJob,
  type SignRules,
  sizeWords,
  type Urgency,
  urgencyOf,
} from '@zealous-axle/core';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { fleet, person } from '../access';
import { defect } from '../defects';
import { baysOf } from '../people';
import { comingParts, job, jobTime, part, partUse } from '../repair';
import type { FleetStore } from '../store';
import { departure, hold, holdReleased, unit } from '../units';
import { planSlot } from './schema';

/** A search where nobody said how long. Seconds. */
const SECONDS = 5;
const PLANNED_STATES = OPEN_JOB_STATES.filter((state) => state !== 'done' && isOpenJob(state));

const PRIORITY: Readonly<Record<Urgency, Priority>> = {
  hold: 'out-of-service',
  'before-use': 'violation',
  'measure-first': 'violation',
  'next-visit': 'shop-limit',
};
const RANK: readonly Priority[] = ['out-of-service', 'violation', 'shop-limit', 'planned'];
const mostPressing = (priorities: readonly Priority[]): Priority =>
  RANK.find((each) => priorities.includes(each)) ?? 'planned';

/** What the plan follows from, with what its screen says beside. */
export interface Facts extends ShopFacts {
  people: { id: string; name: string; work: ShopFacts['people'][number]['work'] }[];
  jobs: (ShopJob & {
    number: string;
    /** How high, wide and heavy the unit is. */
    size: string | null;
    title: string;
    state: string;
    held: boolean;
    leavesTo: string;
    leavesMadeUp: boolean;
    /** The day and bay it was put on by hand. */
    putOn: { day: string; bay: string } | null;
    working: string[];
  })[];
  parts: PartsDays;
  coming: Awaited<ReturnType<typeof comingParts>>;
  /** The version of the fleet's settings. */
  settings: number;
  partNames: Map<string, string>;
}

async function slotsOf(store: FleetStore): Promise<KeptSlot[]> {
  const rows = await store.select().from(planSlot);
  return rows.map(({ jobId, bayId, technicians, startsAt, endsAt, setupMinutes, pinned }) => ({
    job: jobId,
    bay: bayId,
    technicians,
    start: startsAt.toISOString(),
    end: endsAt.toISOString(),
    setupMinutes,
    pinned,
  }));
}

const openJobRows = (store: FleetStore) =>
  store
    .select({ job, unit, departure })
    .from(job)
    .innerJoin(unit, and(eq(unit.fleetId, job.fleetId), eq(unit.id, job.unitId)))
    .leftJoin(departure, and(eq(departure.fleetId, job.fleetId), eq(departure.unitId, job.unitId)))
    .where(inArray(job.state, PLANNED_STATES))
    .orderBy(job.id);

/** The rows the plan follows from, as the caller's transaction sees them. */
async function shopRows(store: FleetStore) {
  const openJobs = sql`select ${job.id} from ${job} where ${inArray(job.state, PLANNED_STATES)}`;
  const [[ours], bays, people, rows, defects, times, orders, uses, room, held, slots] = await Promise.all([
    store
      .select({
        zone: fleet.zone,
        book: fleet.book,
        signs: fleet.signs,
        checks: fleet.checks,
        holidays: fleet.holidays,
        weights: fleet.planWeights,
        settings: fleet.version,
      })
      .from(fleet),
    baysOf(store),
    store.select({ id: person.id, name: person.name, work: person.work }).from(person).where(eq(person.active, true)),
    openJobRows(store),
    store
      .select({ job: defect.jobId, code: defect.code, words: defect.words, holds: defect.holds, at: defect.measuredAt })
      .from(defect)
      .where(sql`${defect.jobId} in (${openJobs})`),
    store.select().from(jobTime).where(sql`${jobTime.jobId} in (${openJobs})`),
    comingParts(store),
    store.select().from(partUse).where(sql`${partUse.jobId} in (${openJobs})`),
    store.select().from(part),
    store
      .selectDistinct({ unit: hold.unitId })
      .from(hold)
      .leftJoin(holdReleased, and(eq(holdReleased.fleetId, hold.fleetId), eq(holdReleased.holdId, hold.id)))
      .where(isNull(holdReleased.holdId)),
    slotsOf(store),
  ]);
  return { ours, bays, people, rows, defects, times, orders, uses, room, held, slots };
}
type ShopRows = Awaited<ReturnType<typeof shopRows>>;

/** How much each job presses, by the defects it mends. */
const priorities = ({ defects, ours, rows }: ShopRows) => {
  const signs = ours ? allSigns(ours) : [];
  const book = ours?.book ?? DEFAULT_BOOK;
  // A unit under other law is weighed by its own book.
  const books = new Map(rows.map(({ job: { id }, unit: { features } }) => [id, bookIdOf(features, { book })]));
  return (id: string): Priority => {
    const rules: SignRules = { book: books.get(id) ?? book, signs };
    return mostPressing(
      defects
        .filter((each) => each.job === id)
        .map(({ code, words, holds, at }) =>
          holds ? 'out-of-service' : PRIORITY[urgencyOf({ code, words, holds, measured: at !== null }, rules).severity],
        ),
    );
  };
};

/** When each job has its parts: what is there and on its way, shared out. */
function partsOf({ rows, uses, orders, room }: ShopRows, priorityOf: (id: string) => Priority, today: Day): PartsDays {
  return partsDays(
    rows.map(({ job: { id, work, without } }) => ({
      job: id,
      priority: priorityOf(id),
      needs: work.parts
        .filter(({ part: name }) => !without.some((each) => each.part === name))
        .map(({ part: name, count }) => ({
          part: name,
          count:
            count - uses.filter((use) => use.jobId === id && use.partId === name).reduce((n, use) => n + use.count, 0),
        }))
        .filter(({ count }) => count > 0),
      ordered: orders
        .filter((order) => order.job === id)
        .map(({ part: name, count, due }) => ({ part: name, count, due })),
    })),
    room.map(({ id, stock, leadDays }) => ({
      part: id,
      stock,
      leadDays,
      spare: orders.filter((order) => order.over && order.part === id),
    })),
    today,
  );
}

/** When work on a job began, where and by whom; null while it has not. */
function begunOf(row: typeof job.$inferSelect, own: ShopRows['times'], known: readonly string[]) {
  if (row.state !== 'started' || !row.startedAt) return null;
  return {
    at: row.startedAt.toISOString(),
    bay: row.bayId,
    people: [...new Set(own.map(({ personId }) => personId))].filter((id) => known.includes(id)),
  };
}

/** The open jobs, as the plan takes them. */
function jobsOf(read: ShopRows, priorityOf: (id: string) => Priority, parts: PartsDays, now: Date): Facts['jobs'] {
  const holding = new Set(read.held.map((each) => each.unit));
  const known = read.people.map(({ id }) => id);
  return read.rows.map(({ job: row, unit: its, departure: leaves }) => {
    const own = read.times.filter(({ jobId }) => jobId === row.id);
    return {
      id: row.id,
      unit: row.unitId,
      number: its.number,
      size: sizeWords(its.features),
      title: row.title,
      state: row.state,
      work: row.work,
      minutes: row.minutes,
      priority: priorityOf(row.id),
      partsOn: parts.days.get(row.id) ?? null,
      leaves: leaves && leaves.leavesAt > now ? leaves.leavesAt.toISOString() : null,
      leavesTo: leaves?.leavesTo ?? '',
      leavesMadeUp: leaves?.source === 'made-up',
      held: holding.has(row.unitId),
      working: own.filter(({ endedAt }) => endedAt === null).map(({ personId }) => personId),
      begun: begunOf(row, own, known),
      putOn: row.state === 'placed' && row.bayId && row.day ? { day: row.day, bay: row.bayId } : null,
    };
  });
}

/** Everything the plan follows from, read whole, as the caller's transaction sees it. */
export async function shopFacts(store: FleetStore, now: Date, seconds = SECONDS): Promise<Facts> {
  const read = await shopRows(store);
  const { ours, room } = read;
  const zone = ours?.zone ?? 'UTC';
  const priorityOf = priorities(read);
  const parts = partsOf(read, priorityOf, dayIn(zone, now));
  return {
    now,
    zone,
    seconds,
    bays: read.bays,
    people: read.people.filter(({ work }) => work.shifts.length > 0),
    holidays: ours?.holidays ?? [],
    weights: ours?.weights ?? PLAN_WEIGHTS,
    settings: ours?.settings ?? 0,
    slots: read.slots,
    parts,
    coming: read.orders,
    partNames: new Map(room.map(({ id, name }) => [id, name])),
    jobs: jobsOf(read, priorityOf, parts, now),
  };
}
