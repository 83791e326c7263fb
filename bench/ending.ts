import { setTimeout as delay } from 'node:timers/promises';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { startProgram } from '../e2e/cluster';
import { cookieOf, LARGE } from './cluster';
import { round, say } from './figures';

const IN_FLIGHT = 1_000;
/** By then all are sent, and few answered. */
const ON_THEIR_WAY_MS = 500;

/** A server told to end while a thousand commands are on their way: what becomes of each, and how it ends. */
export async function benchEnding(_: string, database: string): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query<{ id: string }>(
    'select u.id from unit u join fleet f using (fleet_id) where f.slug = $1 order by u.number limit 1000',
    [LARGE],
  );
  const server = await startProgram(database);
  const headers = { ...(await cookieOf(server.url, 'driver')), 'content-type': 'application/json' };
  const place = { axle: null, side: null, tyre: null };
  const sent = rows
    .slice(0, IN_FLIGHT)
    .map(({ id: unit }) => ({ defect: uuidv7(), unit, code: 'lamp-out', place, words: '' }));
  // Lines that stand already, as devices have them: what only knocks is not on its way yet.
  await Promise.all(sent.map(async () => (await fetch(`${server.url}/healthz`)).text()));
  const told = Promise.all(
    sent.map(async (body) => {
      const answer = await fetch(`${server.url}/api/v1/commands/report-defect`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ id: uuidv7(), at: new Date().toISOString(), body }),
      }).catch(() => null);
      return { defect: body.defect, status: answer?.status ?? 0 };
    }),
  );
  await delay(ON_THEIR_WAY_MS);
  const from = performance.now();
  const code = await server.stop();
  const took = (performance.now() - from) / 1000;
  const statuses = new Map<number, number>();
  const answers = await told;
  for (const { status } of answers) statuses.set(status, (statuses.get(status) ?? 0) + 1);
  const done = answers.filter(({ status }) => status === 200).map(({ defect }) => defect);
  const { rows: kept } = await client.query('select id from defect where id = any($1)', [done]);
  await client.end();
  say(
    'told to end with 1,000 on their way',
    `${[...statuses].map(([status, count]) => `${count} × ${status || 'cut off'}`).join(', ')}; ended with ${code} in ${round(took, 1)} s; ${done.length - kept.length} of the answered lost`,
  );
}
