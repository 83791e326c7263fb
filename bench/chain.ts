import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { checkFleet } from '../server/src/proof/check';
import { connect, serverUrl } from '../server/src/store';
import { cookieOf, LARGE } from './cluster';
import { middle, round, say } from './figures';

const ms = (value: number): string => `${round(value, 1)} ms`;

const ROUNDS = 6;
const COMMANDS = 120;

/** Commands one after the other, as one device sends them; milliseconds each. */
async function sendAll(url: string, headers: Record<string, string>, units: readonly string[]): Promise<number[]> {
  const took: number[] = [];
  for (let n = 0; n < COMMANDS; n++) {
    const body = {
      defect: uuidv7(),
      unit: units[n],
      code: 'lamp-out',
      place: { axle: null, side: null, tyre: null },
      words: 'Dark',
    };
    const begun = performance.now();
    const answer = await fetch(`${url}/api/v1/commands/report-defect`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'application/json' },
      body: JSON.stringify({ id: uuidv7(), at: new Date().toISOString(), body }),
    });
    if (!answer.ok) throw new Error(`a command was answered ${answer.status}`);
    await answer.arrayBuffer();
    took.push(performance.now() - begun);
  }
  return took;
}

/** What the chain costs a command, against the same commands without it; and how long all records of a large fleet are held against it. */
export async function benchChain(url: string, database: string): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query<{ id: string; fleet: string }>(
    'select u.id, u.fleet_id as fleet from unit u join fleet f using (fleet_id) where f.slug = $1 order by u.number limit $2',
    [LARGE, COMMANDS],
  );
  const fleet = rows[0]?.fleet ?? '';
  const { db, pool } = connect(serverUrl(database));
  const begun = performance.now();
  const { entries, rows: facts, problems } = await checkFleet(db, fleet);
  say(
    'all records held against the chain',
    `${ms(performance.now() - begun)}; ${entries} entries, ${facts} rows, ${problems.length} wrong`,
  );
  await pool.end();

  const { rows: seals } = await client.query<{ text: string }>(
    "select pg_get_functiondef(oid) as text from pg_proc where proname = 'za_seal' and pronamespace = 'public'::regnamespace",
  );
  const triggers = async (how: 'enable' | 'disable') => {
    const { rows: tabs } = await client.query<{ tab: string }>('select tab from za_facts()');
    for (const { tab } of tabs) await client.query(`alter table ${pg.escapeIdentifier(tab)} ${how} trigger note_rows`);
  };
  const without = async () => {
    await triggers('disable');
    await client.query(
      'create or replace function za_seal(fleet uuid, by_act uuid, made_by text, event bigint) returns void language plpgsql as $$ begin end $$',
    );
  };
  const again = async () => {
    await triggers('enable');
    await client.query(seals[0]?.text ?? '');
  };
  const headers = await cookieOf(url, 'driver');
  const units = rows.map(({ id }) => id);
  const sealed: number[] = [];
  const bare: number[] = [];
  await sendAll(url, headers, units);
  try {
    for (let n = 0; n < ROUNDS; n++) {
      sealed.push(...(await sendAll(url, headers, units)));
      await without();
      bare.push(...(await sendAll(url, headers, units)));
      await again();
    }
  } finally {
    await again();
    await client.end();
  }
  const ratio = round(middle(sealed) / middle(bare), 3);
  say('a command with the chain', `${ms(middle(sealed))}; without ${ms(middle(bare))}: ${ratio} ×`);
}
