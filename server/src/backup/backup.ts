import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdtemp, readFile, rename, rm, writeFile } from 'node:fs/promises';

import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { queueUrl } from '../store';
import { type Counts, countsIn, seeingAll } from './counts';
import { pgTool } from './tools';

/** A task that waited when the backup was made. */
export interface KeptTask {
  task: string;
  payload: unknown;
  queue: string | null;
  key: string | null;
  runAt: string;
}

/** What stands beside a backup: what it is of, and what it holds. */
export interface Manifest {
  form: 'zealous-axle/backup/1';
  madeAt: string;
  /** How many changes of the database's shape it has, and the last of them. */
  changes: number;
  lastChange: number;
  sha256: string;
  tables: Counts;
  tasks: KeptTask[];
}

/** The queue's tables are a role's own, and made anew: what waits in them is kept beside. */
const NOT_OURS = ['--exclude-schema=graphile_worker', '--exclude-schema=za_queue'];

const manifestOf = (file: string): string => `${file}.json`;

export async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

async function waitingTasks(owner: pg.Client, ownerUrl: string): Promise<KeptTask[]> {
  const { rows: there } = await owner.query("select to_regnamespace('graphile_worker') is not null as queue");
  if (!there[0]?.queue) return [];
  const client = new pg.Client({ connectionString: queueUrl(ownerUrl) });
  await client.connect();
  try {
    const { rows } = await client.query<KeptTask>(`
      select t.identifier as task, j.payload, q.queue_name as queue, j.key, j.run_at::text as "runAt"
      from graphile_worker._private_jobs j
      join graphile_worker._private_tasks t on t.id = j.task_id
      left join graphile_worker._private_job_queues q on q.id = j.job_queue_id
      order by j.id`);
    return rows;
  } finally {
    await client.end();
  }
}

/**
 * Writes everything a database holds into a file, and what it is beside it: as of one moment, while others go on. A file
 * that was there is replaced only once the new one is whole. Throws a sentence naming what went wrong.
 */
export async function backUp(ownerUrl: string, file: string, now: Date): Promise<Manifest> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const folder = await mkdtemp(join(dirname(file), '.backup-'));
  const written = join(folder, 'dump');
  try {
    return await seeingAll(client, async () => {
      const tasks = await waitingTasks(client, ownerUrl);
      await client.query('begin isolation level repeatable read read only');
      const { rows } = await client.query<{ id: string }>('select pg_export_snapshot() as id');
      const { rows: shape } = await client.query<{ changes: number; last: string }>(
        'select count(*)::int as changes, max(created_at) as last from drizzle.__drizzle_migrations',
      );
      const dumping = pgTool('pg_dump', ownerUrl, [
        '--format=custom',
        '--no-owner',
        ...NOT_OURS,
        `--snapshot=${rows[0]?.id}`,
        `--file=${written}`,
      ]);
      const [tables] = await Promise.all([countsIn(client), dumping]);
      await client.query('commit');
      const manifest: Manifest = {
        form: 'zealous-axle/backup/1',
        madeAt: now.toISOString(),
        changes: shape[0]?.changes ?? 0,
        lastChange: Number(shape[0]?.last ?? 0),
        sha256: await sha256Of(written),
        tables,
        tasks,
      };
      await writeFile(manifestOf(written), `${JSON.stringify(manifest, null, 1)}\n`);
      await rename(written, file);
      await rename(manifestOf(written), manifestOf(file));
      return manifest;
    });
  } finally {
    await rm(folder, { recursive: true, force: true });
    await client.end();
  }
}

/** What stands beside a backup. Throws a sentence where it is none of ours. */
export async function readManifest(file: string): Promise<Manifest> {
  const text = await readFile(manifestOf(file), 'utf8').catch(() => {
    throw new Error(`${manifestOf(file)} is not there: it is written beside every backup, and tells what that holds`);
  });
  const manifest = JSON.parse(text) as Manifest;
  if (manifest.form !== 'zealous-axle/backup/1')
    throw new Error(`${manifestOf(file)} is of no backup this program knows`);
  return manifest;
}
