import { dayAfter, dayBegins, dayIn, type ShopDay } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { FleetStore } from '../store';

const FIRST = 5;
/** How far is looked ahead, and back. */
const DAYS = 30;

interface UnitRow {
  [column: string]: unknown;
  id: string;
  number: string;
  body: string;
}
const unitOf = ({ id, number, body }: UnitRow) => ({ id, number, body });
const instant = (at: string): string => new Date(at).toISOString();

async function heldNow(store: FleetStore): Promise<ShopDay['held']> {
  const { rows } = await store.execute<UnitRow & { why: string; since: string; n: number }>(sql`
    select u.id, u.number, u.body, first.reason as why, first.placed_at as since, count(*) over ()::int as n
    from yard_row y join unit u on u.fleet_id = y.fleet_id and u.id = y.unit_id
    join lateral (
      select h.reason, h.placed_at from hold h where h.fleet_id = y.fleet_id and h.unit_id = y.unit_id and not exists (
        select 1 from hold_released r where r.fleet_id = h.fleet_id and r.hold_id = h.id) order by h.placed_at limit 1) first on true
    where y.held order by first.placed_at, u.number limit ${FIRST}`);
  return {
    count: rows[0]?.n ?? 0,
    first: rows.map((row) => ({ unit: unitOf(row), why: row.why, since: instant(row.since) })),
  };
}

async function leavingUnready(store: FleetStore, from: string, until: string): Promise<ShopDay['leaving']> {
  const { rows } = await store.execute<
    UnitRow & { at: string; to: string; held: boolean; open_defects: number; n: number }
  >(sql`
    select u.id, u.number, u.body, d.leaves_at as at, d.leaves_to as to, y.held, y.open_defects, count(*) over ()::int as n
    from departure d join yard_row y on y.fleet_id = d.fleet_id and y.unit_id = d.unit_id
    join unit u on u.fleet_id = y.fleet_id and u.id = y.unit_id
    where d.leaves_at >= ${from}::timestamptz and d.leaves_at < ${until}::timestamptz and (y.held or y.open_defects > 0)
    order by d.leaves_at, u.number limit ${FIRST}`);
  return {
    count: rows[0]?.n ?? 0,
    first: rows.map((row) => ({
      unit: unitOf(row),
      at: instant(row.at),
      to: row.to,
      held: row.held,
      openDefects: row.open_defects,
    })),
  };
}

async function workingNow(store: FleetStore, now: Date): Promise<ShopDay['working']> {
  const { rows } = await store.execute<{
    person: string;
    job: string;
    title: string;
    number: string;
    since: string;
    minutes: number;
    spent: number;
  }>(sql`
    select p.name as person, j.id as job, j.title, u.number, t.started_at as since, j.minutes,
      (select round(sum(extract(epoch from coalesce(a.ended_at, ${now}::timestamptz) - a.started_at)) / 60)::int
        from job_time a where a.fleet_id = j.fleet_id and a.job_id = j.id) as spent
    from job_time t join person p on p.fleet_id = t.fleet_id and p.id = t.person_id
    join job j on j.fleet_id = t.fleet_id and j.id = t.job_id join unit u on u.fleet_id = j.fleet_id and u.id = j.unit_id
    where t.ended_at is null order by t.started_at`);
  return rows.map(({ person, job, title, number, since, minutes, spent }) => ({
    person,
    job: { id: job, title },
    unit: number,
    since: instant(since),
    minutes,
    spent,
  }));
}

interface Counts {
  [column: string]: unknown;
  waiting: number;
  over_a_day: number;
  oldest: string | null;
  help: number;
  awaited: number;
  late: number;
  papers_over: number;
  papers_soon: number;
  wear_past: number;
  wear_soon: number;
  come_backs: number;
  retorques: number;
}

/** What is only counted, in one question. */
const COUNTS = (today: string, now: Date) => sql`
  with reports as (select reported_at from defect where state = 'reported'),
    orders as (select due_on from part_order where received_at is null),
    papers as (select due_on from yard_row where due_on is not null and due_on <= ${today}::date + ${DAYS}::int),
    wear as (select distinct unit_id, state = 'past' as past from forecast
      where state = 'past' or due_on <= ${today}::date + ${DAYS}::int)
  select
    (select count(*)::int from reports) as waiting,
    (select count(*)::int from reports where reported_at < ${now}::timestamptz - interval '1 day') as over_a_day,
    (select min(reported_at) from reports) as oldest,
    (select count(*)::int from yard_row where help_since is not null) as help,
    (select count(*)::int from orders) as awaited,
    (select count(*)::int from orders where due_on < ${today}::date) as late,
    (select count(*)::int from papers where due_on < ${today}::date) as papers_over,
    (select count(*)::int from papers where due_on >= ${today}::date) as papers_soon,
    (select count(*)::int from wear where past) as wear_past,
    (select count(*)::int from wear where not past) as wear_soon,
    (select count(*)::int from defect where come_back_of is not null
      and reported_at >= ${now}::timestamptz - ${DAYS}::int * interval '1 day') as come_backs,
    (select count(*)::int from retorque where done_at is null and not lapsed and due_on < ${today}::date) as retorques`;

/** What the shop has before it today. */
export async function dayOf(store: FleetStore, zone: string, now: Date): Promise<ShopDay> {
  const today = dayIn(zone, now);
  const [held, leaving, working, { rows }] = await Promise.all([
    heldNow(store),
    leavingUnready(store, dayBegins(zone, today), dayBegins(zone, dayAfter(today, 2))),
    workingNow(store, now),
    store.execute<Counts>(COUNTS(today, now)),
  ]);
  const [counts] = rows;
  if (!counts) throw new Error('a question without an answer');
  return {
    today,
    days: DAYS,
    held,
    leaving,
    working,
    reports: {
      waiting: counts.waiting,
      overADay: counts.over_a_day,
      oldest: counts.oldest ? instant(counts.oldest) : null,
    },
    help: counts.help,
    parts: { awaited: counts.awaited, late: counts.late },
    papers: { over: counts.papers_over, soon: counts.papers_soon },
    wear: { past: counts.wear_past, soon: counts.wear_soon },
    comeBacks: counts.come_backs,
    retorques: counts.retorques,
  };
}
