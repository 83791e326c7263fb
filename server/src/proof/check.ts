import { createHash } from 'node:crypto';
import type { RecordProblem } from '@zealous-axle/core';
import pg from 'pg';
import type { Database } from '../store';

/** What a check read, and what it found: the first few of each kind. */
export interface Checked {
  entries: number;
  rows: number;
  head: { nr: number; hash: string } | null;
  /** The sum of the entry that was asked for; absent where there is none. */
  known?: string | undefined;
  problems: RecordProblem[];
}

const BATCH = 5_000;
const MOST_NAMED = 20;
/** All of a large fleet is read: it takes as long as it takes, on a connection of its own. */
const PATIENCE_MS = 30 * 60_000;

type Ask = <Row extends pg.QueryResultRow>(text: string, values?: unknown[]) => Promise<Row[]>;

/** Asks on a connection of its own, as of the moment of `snapshot`, or of now. */
async function asking(db: Database, fleetId: string, snapshot?: string) {
  const client = await db.$client.connect();
  // The driver takes the patience of one question; its types do not know of it.
  const ask = async (text: string, values: unknown[] = []) =>
    (await client.query({ text, values, query_timeout: PATIENCE_MS } as pg.QueryConfig)).rows;
  const end = () =>
    client.query('rollback').then(
      () => client.release(),
      (error: Error) => client.release(error),
    );
  await client.query('begin isolation level repeatable read read only');
  if (snapshot) await client.query(`set transaction snapshot ${pg.escapeLiteral(snapshot)}`);
  await client.query(
    `set local statement_timeout = ${PATIENCE_MS}; set local idle_in_transaction_session_timeout = ${PATIENCE_MS};
     set local za.fleet = ${pg.escapeLiteral(fleetId)}`,
  );
  return { ask: ask as Ask, end };
}

/** Reads as of one moment, while others go on: on two connections, so that one goes through what the other has not begun. */
async function asOfNow<T>(db: Database, fleetId: string, work: (asks: readonly [Ask, Ask]) => Promise<T>): Promise<T> {
  const first = await asking(db, fleetId);
  try {
    const [moment] = await first.ask<{ id: string }>('select pg_export_snapshot() as id');
    const second = await asking(db, fleetId, moment?.id);
    try {
      return await work([first.ask, second.ask]);
    } finally {
      await second.end();
    }
  } finally {
    await first.end();
  }
}

interface Link extends pg.QueryResultRow {
  nr: string;
  what: string;
  event_id: string | null;
  missing: boolean;
  content: Buffer;
  facts: Buffer;
  hash: Buffer;
  /** As they are now. */
  content_now: Buffer | null;
  facts_now: Buffer;
}

const LINKS = `
  select c.nr, c.what, c.event_id, c.event_id is not null and e.id is null as missing, c.content, c.facts, c.hash,
    case when e.id is null then za_hash(c.what) else za_content(e, c.unit_before) end as content_now, za_facts_of(c.fleet_id, c.act) as facts_now
  from record_chain c left join event e on e.fleet_id = c.fleet_id and e.id = c.event_id
  where c.fleet_id = $1 and c.nr > $2 order by c.nr limit ${BATCH}`;

const NOTHING = Buffer.alloc(0);
const hashOf = (...sums: Buffer[]): Buffer => createHash('sha256').update(Buffer.concat(sums)).digest();
const backOf = (nr: number): number => nr - Number(BigInt(nr) & -BigInt(nr));

/**
 * The sums of the entries that later ones still name: of each entry those reached by taking away its lowest bit again and
 * again. However long the chain is, they are few.
 */
function rememberer() {
  const sums = new Map<number, Buffer>();
  return {
    of: (nr: number): Buffer => sums.get(nr) ?? NOTHING,
    keep(nr: number, hash: Buffer) {
      sums.set(nr, hash);
      const still = new Set([nr]);
      for (let at = nr; at > 0; at = backOf(at)) still.add(at).add(at - 1);
      for (const each of sums.keys()) if (!still.has(each)) sums.delete(each);
    },
  };
}

function wrongLink(link: Link, expected: number, before: Buffer, back: Buffer): RecordProblem | null {
  const nr = Number(link.nr);
  const entry = (wrong: RecordProblem['wrong']): RecordProblem => ({ wrong, what: 'entry', which: String(nr) });
  if (nr !== expected) return { wrong: 'removed', what: 'entry', which: String(expected) };
  if (link.missing) return { wrong: 'removed', what: 'event', which: String(link.event_id) };
  if (!link.content_now?.equals(link.content))
    return link.event_id ? { wrong: 'changed', what: 'event', which: String(link.event_id) } : entry('changed');
  if (!link.facts_now.equals(link.facts)) return entry('changed');
  // What it covers is as it was, and it does not fit where it stands.
  return hashOf(before, back, link.content, link.facts).equals(link.hash) ? null : entry('reordered');
}

/** Goes through the chain from its first entry; gives its problems, how long it is and its newest entry. */
async function checkChain(ask: Ask, fleetId: string) {
  const problems: RecordProblem[] = [];
  const known = rememberer();
  let last = 0;
  let hash: Buffer = NOTHING;
  for (;;) {
    const links = await ask<Link>(LINKS, [fleetId, last]);
    for (const link of links) {
      const nr = Number(link.nr);
      const wrong = wrongLink(link, last + 1, hash, known.of(backOf(nr)));
      if (wrong && problems.length < MOST_NAMED) problems.push(wrong);
      hash = link.hash;
      known.keep(nr, hash);
      last = nr;
    }
    if (links.length < BATCH) break;
  }
  return { problems, entries: last, head: last ? { nr: last, hash: hash.toString('hex') } : null };
}

/** Events that no entry covers, and rows that no act of the chain wrote. */
async function checkUncovered(ask: Ask, fleetId: string): Promise<RecordProblem[]> {
  const events = await ask<{ id: string }>(
    `select e.id from event e where e.fleet_id = $1 and not exists (
       select 1 from record_chain c where c.fleet_id = e.fleet_id and c.event_id = e.id) order by e.id limit ${MOST_NAMED}`,
    [fleetId],
  );
  const rows = await ask<{ tab: string; row_key: string }>(
    `select k.tab, k.row_key from record_row k left join record_chain c on c.fleet_id = k.fleet_id and c.act = k.act
     where k.fleet_id = $1 and c.act is null order by 1, 2 limit ${MOST_NAMED}`,
    [fleetId],
  );
  return [
    ...events.map(({ id }): RecordProblem => ({ wrong: 'inserted', what: 'event', which: id })),
    ...rows.map(({ tab, row_key }): RecordProblem => ({ wrong: 'inserted', what: 'row', which: `${tab} ${row_key}` })),
  ];
}

/** Holds every row of a fact against its sum of then. */
async function checkRows(asks: readonly [Ask, Ask], fleetId: string) {
  const [ask] = asks;
  const problems: RecordProblem[] = [];
  // The longest first: what is left is shared out while it is gone through.
  const tabs = await ask<{ tab: string }>(
    `select f.tab from za_facts() f join pg_class c on c.oid = f.tab::regclass order by c.reltuples desc, f.tab`,
  );
  const goThrough = async (each: Ask): Promise<void> => {
    for (let next = tabs.shift(); next; next = tabs.shift()) {
      const { tab } = next;
      const wrong = await each<{ row_key: string; wrong: RecordProblem['wrong'] }>(
        'select * from za_wrong_rows($1, $2, $3)',
        [fleetId, tab, MOST_NAMED],
      );
      problems.push(
        ...wrong.map((row): RecordProblem => ({ wrong: row.wrong, what: 'row', which: `${tab} ${row.row_key}` })),
      );
    }
  };
  // Both end before either is closed, whichever fails.
  const gone = await Promise.allSettled(asks.map(goThrough));
  for (const each of gone) if (each.status === 'rejected') throw each.reason;
  problems.sort((one, other) => (one.which < other.which ? -1 : 1));
  const [count] = await ask<{ n: string }>('select count(*) as n from record_row where fleet_id = $1', [fleetId]);
  return { problems, rows: Number(count?.n ?? 0) };
}

/**
 * Holds a fleet's whole record against what was written of it, as of one moment: the chain from its first entry, every event
 * and every row of a fact; `known` also asks for the sum of an entry known from elsewhere. What somebody wrote past the program is told apart: changed, removed, inserted, reordered.
 */
export const checkFleet = (db: Database, fleetId: string, known?: string): Promise<Checked> =>
  asOfNow(db, fleetId, async (asks) => {
    const [ask] = asks;
    const chain = await checkChain(ask, fleetId);
    const uncovered = await checkUncovered(ask, fleetId);
    const { problems, rows } = await checkRows(asks, fleetId);
    const [asked] = known
      ? await ask<{ hash: Buffer }>('select hash from record_chain where fleet_id = $1 and nr = $2', [fleetId, known])
      : [];
    const named = new Set(problems.map(({ which }) => which));
    return {
      entries: chain.entries,
      head: chain.head,
      known: asked?.hash.toString('hex'),
      rows,
      problems: [...chain.problems, ...uncovered.filter(({ which }) => !named.has(which)), ...problems],
    };
  });
