import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { backUp } from '../server/src/backup/backup';
import { restore } from '../server/src/backup/restore';
import { pgTool } from '../server/src/backup/tools';
import { round, say } from './figures';

const MIGRATIONS = join(__dirname, '../server/src/store/migrations');
const NOT_OURS = ['--exclude-schema=graphile_worker', '--exclude-schema=za_queue'];

const seconds = async (work: () => Promise<unknown>): Promise<number> => {
  const from = performance.now();
  await work();
  return (performance.now() - from) / 1000;
};

/** A large database kept and brought back, beside PostgreSQL's own tools doing the same. */
export async function benchCopies(_: string, database: string): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'axle-copies-'));
  const [bare, ours] = [join(folder, 'bare.dump'), join(folder, 'ours.dump')];
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const into = async (name: string, work: (url: string) => Promise<unknown>): Promise<number> => {
    await client.query(`create database ${name} template template0`);
    try {
      return await seconds(() => work(Object.assign(new URL(database), { pathname: `/${name}` }).toString()));
    } finally {
      await client.query(`drop database ${name} with (force)`);
    }
  };
  try {
    const { rows } = await client.query<{ n: string }>('select count(*) as n from reading');
    const dump = () => pgTool('pg_dump', database, ['--format=custom', '--no-owner', ...NOT_OURS, `--file=${bare}`]);
    await dump();
    const dumped = await seconds(dump);
    const kept = await seconds(() => backUp(database, ours, new Date()));
    say(`${rows[0]?.n} readings kept`, `${round(kept, 1)} s; pg_dump ${round(dumped, 1)} s: ${round(kept / dumped)} ×`);
    const plain = await into('za_bench_plain', (url) =>
      pgTool('pg_restore', url, ['--no-owner', '--exit-on-error', '--single-transaction', bare]),
    );
    const back = await into('za_bench_ours', (url) => restore(url, ours, MIGRATIONS));
    say('and brought back', `${round(back, 1)} s; pg_restore ${round(plain, 1)} s: ${round(back / plain)} ×`);
  } finally {
    await client.end();
    await rm(folder, { recursive: true, force: true });
  }
}
