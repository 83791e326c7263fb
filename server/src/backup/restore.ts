import pg from 'pg';
import { lastChangeOf, prepareDatabase, prepareRoles, queueUrl } from '../store';
import { type KeptTask, type Manifest, readManifest, sha256Of } from './backup';
import { countsIn, differsIn, seeingAll } from './counts';
import { pgTool } from './tools';

/** Whether a database has nothing in it yet. */
async function isEmpty(client: pg.Client): Promise<boolean> {
  const { rows } = await client.query<{ n: number }>(
    "select count(*)::int as n from pg_tables where schemaname not in ('pg_catalog', 'information_schema')",
  );
  return rows[0]?.n === 0;
}

async function addTasks(ownerUrl: string, tasks: readonly KeptTask[]): Promise<void> {
  const client = new pg.Client({ connectionString: queueUrl(ownerUrl) });
  await client.connect();
  try {
    for (const { task, payload, queue, key, runAt } of tasks)
      await client.query('select graphile_worker.add_job($1, $2, $3, $4, job_key => $5)', [
        task,
        JSON.stringify(payload),
        queue,
        runAt,
        key,
      ]);
  } finally {
    await client.end();
  }
}

/**
 * Brings a backup back into a database that has nothing in it, holds what is there against what the backup says it held,
 * and brings it to this program's shape. Throws a sentence naming what is wrong; then the database is not to be used.
 */
export async function restore(ownerUrl: string, file: string, migrations: string): Promise<Manifest> {
  const manifest = await readManifest(file);
  if (manifest.lastChange > (await lastChangeOf(migrations)))
    throw new Error(
      `this backup is of a newer program: it has ${manifest.changes} changes, of which this one does not know the last. Restore it with the program that made it, or a later one`,
    );
  if ((await sha256Of(file)) !== manifest.sha256)
    throw new Error('the file is not as it was written: its sum is another');
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    if (!(await isEmpty(client))) throw new Error('this database is not empty: a backup is restored into one that is');
    await prepareRoles(ownerUrl);
    await pgTool('pg_restore', ownerUrl, ['--no-owner', '--exit-on-error', '--single-transaction', file]);
    const differs = differsIn(manifest.tables, await seeingAll(client, () => countsIn(client)));
    if (differs) throw new Error(`what came back is not what was kept: ${differs}`);
  } finally {
    await client.end();
  }
  await prepareDatabase(ownerUrl, migrations);
  await addTasks(ownerUrl, manifest.tasks);
  return manifest;
}

/**
 * Restores a backup into a database of its own beside the one it is of, and throws that away again: whoever has one knows
 * that it comes back. Null where this owner may make no database.
 */
export async function verify(ownerUrl: string, file: string, migrations: string): Promise<Manifest | null> {
  const name = `za_verify_${process.pid}_${Date.now()}`;
  const scratch = Object.assign(new URL(ownerUrl), { pathname: `/${name}` }).toString();
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const { rows } = await client.query<{ may: boolean }>(
      'select rolsuper or rolcreatedb as may from pg_roles where rolname = current_user',
    );
    if (!rows[0]?.may) return null;
    await client.query(`create database ${name} template template0`);
    try {
      return await restore(scratch, file, migrations);
    } finally {
      await client.query(`drop database if exists ${name} with (force)`);
    }
  } finally {
    await client.end();
  }
}
