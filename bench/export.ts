import { readFileSync } from 'node:fs';
import { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { to as copyTo } from 'pg-copy-streams';
import { startProgram } from '../e2e/cluster';
import { cookieOf, LARGE } from './cluster';
import { round, say } from './figures';

const SAMPLE_MS = 200;

const COPIED = `copy (
  select u.number, r.taken_at, p.name, r.value from reading r
  join unit u on u.fleet_id = r.fleet_id and u.id = r.unit_id
  join person p on p.fleet_id = r.fleet_id and p.id = r.taken_by
  where r.fleet_id = (select fleet_id from fleet where slug = '${LARGE}')
  order by u.number, r.taken_at, r.id) to stdout`;

/** Takes pieces away, counting lines. */
function counting() {
  let lines = 0;
  const sink = new Writable({
    write(piece: Buffer, _, done) {
      for (const byte of piece) if (byte === 10) lines++;
      done();
    },
  });
  return { sink, lines: () => lines };
}

/** Megabytes a process holds. */
const held = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

async function copied(database: string): Promise<number> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const from = performance.now();
  await pipeline(client.query(copyTo(COPIED)), counting().sink);
  await client.end();
  return performance.now() - from;
}

/** Every reading of the large fleet as a file, beside PostgreSQL's own COPY of the same rows; what the server holds meanwhile. */
export async function benchExport(_: string, database: string): Promise<void> {
  const server = await startProgram(database);
  try {
    const headers = { ...(await cookieOf(server.url)), 'accept-encoding': 'identity' };
    await copied(database);
    const bare = await copied(database);
    const before = held(server.pid);
    let most = before;
    const watch = setInterval(() => {
      most = Math.max(most, held(server.pid));
    }, SAMPLE_MS);
    const from = performance.now();
    const answer = await fetch(`${server.url}/api/v1/readings.csv`, { headers });
    if (!answer.ok || !answer.body) throw new Error(`no export: ${answer.status}`);
    const { sink, lines } = counting();
    await pipeline(answer.body, sink);
    const took = performance.now() - from;
    clearInterval(watch);
    say(
      'readings.csv, whole fleet',
      `${lines() - 1} rows in ${round(took / 1000, 1)} s; COPY TO ${round(bare / 1000, 1)} s; ${round(took / bare, 1)} ×; the server held ${Math.round(before)} MB before and ${Math.round(most)} MB at most`,
    );
  } finally {
    await server.stop();
  }
}
