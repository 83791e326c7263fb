import { OPEN_DEFECT_STATES, VERDICTS } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { FleetStore } from '../store';

const OPEN = sql.param([...OPEN_DEFECT_STATES]);
const WORST_FIRST = sql.param([...VERDICTS]);

/** The yard's rows as the facts have them, one for each unit `of` a condition. */
const fromFacts = (of: ReturnType<typeof sql>) => sql`
  select u.fleet_id, u.id as unit_id, u.number, u.body, u.kind, u.site,
    h.held, case when h.held then 0 when d.open > 0 then 1 else 2 end as urgency,
    coalesce(d.open, 0)::int as open_defects, coalesce(d.certified, 0)::int as to_acknowledge,
    i.closed_at as last_measured, i.verdict,
    coalesce(array_position(${WORST_FIRST}::text[], i.verdict), ${VERDICTS.length + 1}) as verdict_rank,
    p.paper as due_paper, p.due_on
  from unit u
  cross join lateral (select exists (select 1 from hold where fleet_id = u.fleet_id and unit_id = u.id and not exists
    (select 1 from hold_released r where r.fleet_id = hold.fleet_id and r.hold_id = hold.id)) as held) h
  left join lateral (select
      count(*) filter (where state = any(${OPEN}::text[])) as open,
      count(*) filter (where state = 'certified') as certified
    from defect where fleet_id = u.fleet_id and unit_id = u.id) d on true
  left join lateral (select closed_at, verdict from inspection
    where fleet_id = u.fleet_id and unit_id = u.id and closed_at is not null and verdict is not null
    order by started_at desc, id desc limit 1) i on true
  left join lateral (select paper, due_on from paper
    where fleet_id = u.fleet_id and unit_id = u.id order by due_on, paper limit 1) p on true
  where u.state = 'in-use' and (${of})`;

const KEPT = ['number', 'body', 'kind', 'site', 'held', 'urgency', 'open_defects', 'to_acknowledge', 'last_measured'];
const COLUMNS = [...KEPT, 'verdict', 'verdict_rank', 'due_paper', 'due_on'];
const now = sql.raw(COLUMNS.map((name) => `${name} = excluded.${name}`).join(', '));

const write = (rows: ReturnType<typeof sql>) => sql`
  insert into yard_row (fleet_id, unit_id, ${sql.raw(COLUMNS.join(', '))})
  ${rows}
  on conflict (fleet_id, unit_id) do update set ${now}`;

/** Brings the yard's rows of these units up to date with the facts; what is not in use has none. */
export async function keepYard(store: FleetStore, unitIds: readonly string[]): Promise<void> {
  if (unitIds.length === 0) return;
  const ids = sql`any(${sql.param([...unitIds])}::uuid[])`;
  await store.execute(sql`
    with gone as (delete from yard_row y where y.unit_id = ${ids} and exists
      (select 1 from unit u where u.fleet_id = y.fleet_id and u.id = y.unit_id and u.state <> 'in-use'))
    ${write(fromFacts(sql`u.id = ${ids}`))}`);
}

/** Makes a fleet's yard anew from the facts. Gives how many rows it has. */
export async function rebuildYard(store: FleetStore, fleetId: string): Promise<number> {
  await store.execute(sql`delete from yard_row where fleet_id = ${fleetId}`);
  const { rowCount } = await store.execute(write(fromFacts(sql`u.fleet_id = ${fleetId}`)));
  return rowCount ?? 0;
}

/** Rows of the yard that are not what the facts say: none, unless a command forgot its unit. */
export async function yardFaults(store: FleetStore): Promise<string[]> {
  const { rows } = await store.execute<{ unit_id: string }>(sql`
    with facts as (${fromFacts(sql`true`)}), kept as (select * from yard_row)
    select coalesce(f.unit_id, k.unit_id) as unit_id
    from facts f full join kept k on k.fleet_id = f.fleet_id and k.unit_id = f.unit_id
    where (f.*) is distinct from (k.*)`);
  return rows.map((row) => row.unit_id);
}
