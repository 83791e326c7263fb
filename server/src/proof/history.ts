import { HISTORY_FORM, type HistoryEntry, pathTo, type UnitHistory } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { Actor } from '../run';
import type { FleetStore } from '../store';

/** An act that wrote more rows than this tells only those of the unit. */
const MOST_ROWS = 2_000;

/** Facts that name their unit themselves. */
const OF_UNIT = [
  'clean_report',
  'fitted_part',
  'hold',
  'judgement',
  'meter',
  'photo',
  'reading',
  'release',
  'unit_change',
];

interface Link {
  [column: string]: unknown;
  nr: string;
  what: string;
  before: string;
  back: string;
  content: string;
  facts: string;
  hash: string;
  event: string | null;
  unit_before: string | null;
  own: boolean;
  act: string;
  rows: string;
}

/** Which entries of the chain are about a unit: by their event, or by a row they wrote. */
async function entriesOf(store: FleetStore, unit: string): Promise<number[]> {
  const acts = OF_UNIT.map(
    (tab) => sql`select k.act from ${sql.identifier(tab)} t join record_row k
      on k.fleet_id = t.fleet_id and k.tab = ${tab} and k.row_key = t.id::text where t.unit_id = ${unit}`,
  );
  const { rows } = await store.execute<{ nr: string }>(sql`
    select c.nr from record_chain c join event e on e.fleet_id = c.fleet_id and e.id = c.event_id where e.unit_id = ${unit}
    union select c.nr from record_chain c where c.act in (${sql.join(acts, sql` union all `)})`);
  return rows.map(({ nr }) => Number(nr));
}

const LINKS = (nrs: readonly number[], own: readonly number[]) => sql`
  select c.nr, c.what, c.act, c.unit_before,
    coalesce(encode(p.hash, 'hex'), '') as before, coalesce(encode(b.hash, 'hex'), '') as back,
    encode(c.content, 'hex') as content, encode(c.facts, 'hex') as facts, encode(c.hash, 'hex') as hash,
    c.nr = any(${sql.param(own)}::bigint[]) as own, za_event_text(e) as event,
    case when c.nr = any(${sql.param(own)}::bigint[])
      then (select count(*) from (select from record_row k
        where k.fleet_id = c.fleet_id and k.act = c.act limit ${MOST_ROWS + 1}) few) else 0 end as rows
  from record_chain c
  left join record_chain p on p.fleet_id = c.fleet_id and p.nr = c.nr - 1
  left join record_chain b on b.fleet_id = c.fleet_id and b.nr = c.nr - (c.nr & -c.nr)
  left join event e on e.fleet_id = c.fleet_id and e.id = c.event_id
  where c.nr = any(${sql.param(nrs)}::bigint[]) order by c.nr desc`;

interface RowOf {
  [column: string]: unknown;
  act: string;
  tab: string;
  key: string;
  hash: string;
  text: string | null;
}

/** What acts wrote, in the order of the chain's sums, word by word where it is of the unit; or of that alone. */
async function rowsOf(store: FleetStore, acts: readonly string[], unit: string, alone: boolean): Promise<RowOf[]> {
  const { rows: facts } = await store.execute<{ tab: string; key: string }>(sql`select tab, key from za_facts()`);
  const rows: RowOf[] = [];
  if (acts.length === 0) return rows;
  for (const { tab, key } of facts) {
    const ofUnit = OF_UNIT.includes(tab);
    if (alone && !ofUnit) continue;
    const [table, column] = [sql.identifier(tab), sql.identifier(key)];
    // Looked up by the key of the side that there are more rows of: of an act's few rows the table's, of a unit's few the notes'.
    const same = alone
      ? sql`k.row_key = t.${column}::text`
      : sql`t.${column} = ${key === 'hash' ? sql`k.row_key` : sql`k.row_key::uuid`}`;
    const found = await store.execute<RowOf>(sql`
      select k.act, k.tab, k.row_key as key, encode(k.hash, 'hex') as hash,
        case when ${ofUnit ? sql`t.unit_id = ${unit}` : sql`true`} then za_row_text(${tab}, to_jsonb(t)) end as text
      from record_row k ${alone ? sql`join` : sql`left join`} ${table} t on t.fleet_id = k.fleet_id and ${same}
      where k.tab = ${tab} and k.act = any(${sql.param(acts)}::uuid[]) ${alone ? sql`and t.unit_id = ${unit}` : sql``}`);
    rows.push(...found.rows);
  }
  // As the database orders them where it makes the sum: by bytes.
  const order = (one: string, other: string) => Buffer.compare(Buffer.from(one), Buffer.from(other));
  rows.sort((one, other) => order(one.tab, other.tab) || order(one.key, other.key));
  return rows;
}

/** Everything recorded of a unit with what shows that it is as it was written; null where there is no such unit. */
export async function unitHistory(
  store: FleetStore,
  { fleet }: Actor,
  unit: string,
  now: Date,
): Promise<UnitHistory | null> {
  await store.execute(sql`set local timezone = 'UTC'`);
  const [{ rows: units }, { rows: heads }] = await Promise.all([
    store.execute<{ number: string }>(sql`select number from unit where id = ${unit}`),
    store.execute<{ nr: string }>(sql`select nr from record_chain order by nr desc limit 1`),
  ]);
  const [named] = units;
  const newest = Number(heads[0]?.nr ?? 0);
  if (!named || newest === 0) return null;
  const own = await entriesOf(store, unit);
  const { rows: links } = await store.execute<Link>(LINKS(pathTo(newest, own), own));
  const isLarge = ({ rows }: Link) => Number(rows) > MOST_ROWS;
  const actsOf = (some: readonly Link[]) => some.map(({ act }) => act);
  const ownLinks = links.filter((each) => each.own);
  const written = new Map<string, RowOf[]>();
  for (const row of [
    ...(await rowsOf(store, actsOf(ownLinks.filter((each) => !isLarge(each))), unit, false)),
    ...(await rowsOf(store, actsOf(ownLinks.filter(isLarge)), unit, true)),
  ])
    written.set(row.act, [...(written.get(row.act) ?? []), row]);
  const entries = links.map((link): HistoryEntry => {
    const { nr, what, before, back, content, facts, hash, event, act } = link;
    const sums = { nr: Number(nr), before, back, content, facts, hash };
    if (!link.own) return sums;
    return {
      ...sums,
      what,
      ...(event === null ? {} : { event }),
      ...(link.unit_before === null ? {} : { unitBefore: Number(link.unit_before) }),
      rows: (written.get(act) ?? []).map(({ tab, key, hash: sum, text }) => ({
        tab,
        key,
        hash: sum,
        ...(text === null ? {} : { text }),
      })),
      ...(isLarge(link) ? { partly: true as const } : {}),
    };
  });
  const [head] = entries;
  return {
    form: HISTORY_FORM,
    fleet: { id: fleet.id, name: fleet.name },
    unit: { id: unit, number: named.number },
    made: now.toISOString(),
    head: { nr: head?.nr ?? 0, hash: head?.hash ?? '' },
    entries,
  };
}
