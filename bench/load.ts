import autocannon from 'autocannon';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { startProgram } from '../e2e/cluster';
import { cookieOf, LARGE } from './cluster';
import { round, say } from './figures';
import { quota } from './quota';

const SECONDS = 8;
const CONNECTIONS = 50;
/** Of one core, for each server process: the database and what asks need the rest of a small machine. */
const SHARE = 0.25;

async function unitsOf(database: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query<{ id: string }>(
    'select u.id from unit u join fleet f using (fleet_id) where f.slug = $1 order by u.number limit 2000',
    [LARGE],
  );
  await client.end();
  return rows.map(({ id }) => id);
}

/** Reads a second of servers asked at once: the yard's first page and trailers' pages. */
async function reads(urls: readonly string[], units: readonly string[]): Promise<number> {
  const asked = await Promise.all(
    urls.map(async (url) => {
      const headers = await cookieOf(url);
      let next = 0;
      const paths = () => (next++ % 4 === 0 ? '/api/v1/units' : `/api/v1/units/${units[next % units.length]}`);
      return autocannon({
        url,
        connections: 8,
        duration: SECONDS,
        headers: { ...headers, 'accept-encoding': 'identity' },
        requests: [{ setupRequest: (request) => ({ ...request, path: paths() }) }],
      });
    }),
  );
  for (const { non2xx, statusCodeStats } of asked)
    if (non2xx) throw new Error(`${non2xx} reads failed: ${JSON.stringify(statusCodeStats)}`);
  return asked.reduce((sum, { requests }) => sum + requests.average, 0);
}

/** Two server processes on one database, beside one of them. */
export async function benchTwo(_: string, database: string): Promise<void> {
  const units = await unitsOf(database);
  const servers = [await startProgram(database), await startProgram(database)];
  const limits = servers.map(({ pid }) => quota(pid, SHARE));
  const urls = servers.map(({ url }) => url);
  try {
    for (const url of urls) await reads([url], units);
    const [one, two] = [await reads(urls.slice(0, 1), units), await reads(urls, units)];
    const held = limits.every(Boolean)
      ? `each process held to ${SHARE} of a core`
      : 'on this whole machine: no right to hold them to a share of it';
    say(
      'two server processes',
      `${Math.round(two)} reads a second; one ${Math.round(one)}; ${round(two / one)} ×, ${held}`,
    );
  } finally {
    for (const server of servers) await server.stop();
    for (const release of limits) release?.();
  }
}

/** Rows written and committed one by one over many connections, with nothing of ours around them: what the disk gives. */
async function bareWrites(database: string): Promise<number> {
  const clients = Array.from({ length: CONNECTIONS }, () => new pg.Client({ connectionString: database }));
  for (const client of clients) await client.connect();
  await clients[0]?.query('create unlogged table if not exists bench_write (id uuid primary key, body jsonb)');
  await clients[0]?.query('alter table bench_write set logged');
  const until = Date.now() + SECONDS * 1000;
  let written = 0;
  const write = async (client: pg.Client) => {
    while (Date.now() < until) {
      await client.query({
        name: 'w',
        text: 'insert into bench_write values ($1, $2)',
        values: [uuidv7(), '{"a": 1}'],
      });
      written++;
    }
  };
  await Promise.all(clients.map(write));
  await clients[0]?.query('drop table bench_write');
  for (const client of clients) await client.end();
  return written / SECONDS;
}

/** Reports of defects sent at once by many: each a command with its fact, derived rows, event and answer. */
export async function benchWrites(url: string, database: string): Promise<void> {
  const units = await unitsOf(database);
  const headers = await cookieOf(url, 'driver');
  let next = 0;
  const body = () =>
    JSON.stringify({
      id: uuidv7(),
      at: new Date().toISOString(),
      body: {
        defect: uuidv7(),
        unit: units[next++ % units.length],
        code: 'lamp-out',
        place: { axle: null, side: null, tyre: null },
        words: 'Dark',
      },
    });
  const { requests, non2xx } = await autocannon({
    url,
    connections: CONNECTIONS,
    duration: SECONDS,
    requests: [
      {
        method: 'POST',
        path: '/api/v1/commands/report-defect',
        setupRequest: (request) => ({
          ...request,
          headers: { ...headers, 'content-type': 'application/json' },
          body: body(),
        }),
      },
    ],
  });
  if (non2xx) throw new Error(`${non2xx} writes failed`);
  const bare = await bareWrites(database);
  say(
    `writes at ${CONNECTIONS} connections`,
    `${Math.round(requests.average)} commands a second; ${Math.round(bare)} bare inserts; ${round(bare / requests.average, 1)} × as many`,
  );
}
