import { OPEN_DEFECT_STATES, VERDICTS } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { FleetStore } from '../store';
import { type Judged, judgedUnits, unitsAfter } from './judged';

const OPEN = sql.param([...OPEN_DEFECT_STATES]);
const WORST_FIRST = sql.param([...VERDICTS]);
/** The route that measures and looks at nothing: it is no walk. */
const MEASURING = 'measure';

type Sql = ReturnType<typeof sql>;

/** The yard's rows as the facts have them, of units that were judged. */
const fromFacts = (judged: readonly Judged[]): Sql => sql`
  select u.fleet_id, u.id as unit_id, u.number, u.body, u.kind, u.site,
    h.held, case when h.held then 0 when d.open > 0 then 1 else 2 end as urgency,
    coalesce(d.open, 0)::int as open_defects, coalesce(d.certified, 0)::int as to_acknowledge,
    (select min((each ->> 'oldest')::timestamptz) from jsonb_array_elements(j.looked) each
      where each ->> 'area' = 'ends') as last_measured,
    j.verdict, coalesce(array_position(${WORST_FIRST}::text[], j.verdict), ${VERDICTS.length + 1}) as verdict_rank,
    p.paper as due_paper, p.due_on, j.looked, w.at as walked_at, w.by as walked_by,
    o.since as inspecting_since, o.by as inspecting_by,
    (select min(c.asked_at) from road_call c where c.fleet_id = u.fleet_id and c.unit_id = u.id and not exists
      (select 1 from road_answer a where a.fleet_id = c.fleet_id and a.call_id = c.id)) as help_since
  from jsonb_to_recordset(${JSON.stringify(judged)}::jsonb) as j (unit uuid, verdict text, looked jsonb)
  join unit u on u.id = j.unit
  cross join lateral (select exists (select 1 from hold where fleet_id = u.fleet_id and unit_id = u.id and not exists
    (select 1 from hold_released r where r.fleet_id = hold.fleet_id and r.hold_id = hold.id)) as held) h
  left join lateral (select
      count(*) filter (where state = any(${OPEN}::text[])) as open,
      count(*) filter (where state = 'certified') as certified
    from defect where fleet_id = u.fleet_id and unit_id = u.id) d on true
  left join lateral (select paper, due_on from paper
    where fleet_id = u.fleet_id and unit_id = u.id order by due_on, paper limit 1) p on true
  left join lateral (select walk.at, person.name as by from (
      select c.reported_at as at, c.reported_by as who from clean_report c
        where c.fleet_id = u.fleet_id and c.unit_id = u.id and c.says = 'nothing-found'
      union all
      select i.closed_at, i.started_by from inspection i
        where i.fleet_id = u.fleet_id and i.unit_id = u.id and i.outcome = 'complete'
          and (i.purpose = 'walk' or (i.purpose = 'full' and coalesce(i.route ->> 'id', ${MEASURING}) <> ${MEASURING}))
    ) walk join person on person.fleet_id = u.fleet_id and person.id = walk.who
    order by walk.at desc limit 1) w on true
  left join lateral (select i.started_at as since, person.name as by from inspection i
    join person on person.fleet_id = i.fleet_id and person.id = i.started_by
    where i.fleet_id = u.fleet_id and i.unit_id = u.id and i.closed_at is null and i.dropped_at is null
      and exists (select 1 from reading r where r.fleet_id = i.fleet_id and r.inspection_id = i.id)
    order by i.started_at desc, i.id desc limit 1) o on true
  where u.state = 'in-use'`;

const COLUMNS = [
  'number',
  'body',
  'kind',
  'site',
  'held',
  'urgency',
  'open_defects',
  'to_acknowledge',
  'last_measured',
  'verdict',
  'verdict_rank',
  'due_paper',
  'due_on',
  'looked',
  'walked_at',
  'walked_by',
  'inspecting_since',
  'inspecting_by',
  'help_since',
];
const now = sql.raw(COLUMNS.map((name) => `${name} = excluded.${name}`).join(', '));

const write = (rows: Sql) => sql`
  insert into yard_row (fleet_id, unit_id, ${sql.raw(COLUMNS.join(', '))})
  ${rows}
  on conflict (fleet_id, unit_id) do update set ${now}`;

/** A unit that is held since just now, or no longer. */
export interface HeldChange {
  id: string;
  number: string;
  held: boolean;
}

/** Units judged in one go, where all of a fleet are. */
const BATCH = 200;

async function keepSome(store: FleetStore, unitIds: readonly string[]): Promise<HeldChange[]> {
  const ids = sql`any(${sql.param([...unitIds])}::uuid[])`;
  const judged = await judgedUnits(store, unitIds);
  const { rows } = await store.execute<{ id: string; number: string; held: boolean }>(sql`
    with gone as (delete from yard_row y where y.unit_id = ${ids} and exists
        (select 1 from unit u where u.fleet_id = y.fleet_id and u.id = y.unit_id and u.state <> 'in-use')),
      old as (select unit_id, held from yard_row where unit_id = ${ids}),
      kept as (${write(fromFacts(judged))} returning unit_id, number, held)
    select kept.unit_id as id, kept.number, kept.held from kept left join old on old.unit_id = kept.unit_id
    where kept.held <> coalesce(old.held, false)`);
  return rows;
}

/**
 * Brings the yard's rows of these units up to date with the facts; what is not in use has none. Gives those that are held
 * now and were not, or the other way round.
 */
export async function keepYard(store: FleetStore, unitIds: readonly string[]): Promise<HeldChange[]> {
  const changes: HeldChange[] = [];
  for (let from = 0; from < unitIds.length; from += BATCH)
    changes.push(...(await keepSome(store, unitIds.slice(from, from + BATCH))));
  return changes;
}

async function* allJudged(store: FleetStore): AsyncGenerator<Judged[]> {
  for (let after: string | null = null; ; ) {
    const ids = await unitsAfter(store, after, BATCH);
    if (ids.length === 0) return;
    yield await judgedUnits(store, ids);
    after = ids.at(-1) ?? null;
  }
}

/** Makes a fleet's yard anew from the facts. Gives how many rows it has. */
export async function rebuildYard(store: FleetStore, fleetId: string): Promise<number> {
  await store.execute(sql`delete from yard_row where fleet_id = ${fleetId}`);
  let rows = 0;
  for await (const judged of allJudged(store)) rows += (await store.execute(write(fromFacts(judged)))).rowCount ?? 0;
  return rows;
}

/** Rows of the yard that are not what the facts say: none, unless a command forgot its unit. */
export async function yardFaults(store: FleetStore): Promise<string[]> {
  const wrong: string[] = [];
  const columns = sql.raw(['unit_id', ...COLUMNS].join(', '));
  for await (const judged of allJudged(store)) {
    const { rows } = await store.execute<{ unit_id: string }>(sql`
      with facts as (select ${columns} from (${fromFacts(judged)}) f),
        kept as (select ${columns} from yard_row where unit_id = any(${sql.param(judged.map(({ unit }) => unit))}::uuid[]))
      select coalesce(f.unit_id, k.unit_id) as unit_id
      from facts f full join kept k on k.unit_id = f.unit_id
      where (f.*) is distinct from (k.*)`);
    wrong.push(...rows.map((row) => row.unit_id));
  }
  return wrong;
}
