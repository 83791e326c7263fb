import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';

const ROOT = join(__dirname, '..');
const UNITS = 10_000;
export const LARGE = 'tenparish';

const postgres = (act: string): string =>
  execFileSync(join(ROOT, 'scripts/postgres.sh'), [act], {
    env: { ...process.env, CLUSTER: join(ROOT, '.data/bench-cluster') },
    encoding: 'utf8',
  }).trim();

/** The cluster with the large fleet; made the first time, which takes some minutes, and kept for the next. */
export async function largeCluster(): Promise<{ url: string; stop: () => void }> {
  const url = postgres('start');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query("select to_regclass('fleet') is not null as made");
  const known = rows[0].made && (await client.query('select 1 from fleet where slug = $1', [LARGE])).rowCount;
  await client.end();
  if (!known)
    execFileSync('npx', ['tsx', 'server/src/cli/demo-large.ts', '--units', String(UNITS)], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: url },
      stdio: 'inherit',
    });
  return { url, stop: () => postgres('stop') };
}

/** A session of one of the large fleet's people, as the header that carries it. */
export async function cookieOf(url: string, who = 'foreman'): Promise<{ cookie: string }> {
  const answer = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: `${who}@${LARGE}`, password: 'walk-round' }),
  });
  if (!answer.ok) throw new Error(`nobody could sign in: ${answer.status}`);
  return { cookie: answer.headers.get('set-cookie')?.split(';')[0] ?? '' };
}
