import { createHmac } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { runMigrations } from 'graphile-worker';
import pg from 'pg';
import { QUIET } from './quiet';

const SERVER_ROLE = 'axle_server';
/** Owns the queue's tables and nothing else: a worker takes tasks as this, and does them as the server. */
const QUEUE_ROLE = 'axle_queue';
const MIGRATION_LOCK = 6_427_501;
/** A task that failed so often is given up. */
const MOST_ATTEMPTS = 5;

/**
 * The address under which the server itself works: a role that owns nothing and cannot bypass row-level security.
 * Its password follows from the owner's address, so every server process comes to the same one without a file.
 */
export const serverUrl = (ownerUrl: string): string => roleUrl(ownerUrl, SERVER_ROLE);
/** The address under which tasks are taken from the queue. */
export const queueUrl = (ownerUrl: string): string => roleUrl(ownerUrl, QUEUE_ROLE);

type Role = typeof SERVER_ROLE | typeof QUEUE_ROLE;

function roleUrl(ownerUrl: string, role: Role): string {
  const url = new URL(ownerUrl);
  url.username = role;
  url.password = rolePassword(ownerUrl, role);
  return url.toString();
}

function rolePassword(ownerUrl: string, role: Role): string {
  const { host, username, password } = new URL(ownerUrl);
  return createHmac('sha256', `${username}:${password}@${host}`).update(role).digest('hex');
}

/** Whether a role is there already, with its password. */
async function roleWorks(ownerUrl: string, role: Role): Promise<boolean> {
  const client = new pg.Client({ connectionString: roleUrl(ownerUrl, role) });
  try {
    await client.connect();
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function ensureRole(client: pg.Client, ownerUrl: string, role: Role): Promise<void> {
  if (await roleWorks(ownerUrl, role)) return;
  const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [role]);
  const act = rowCount ? 'alter' : 'create';
  await client.query(
    `${act} role ${role} login nosuperuser nobypassrls nocreatedb nocreaterole password '${rolePassword(ownerUrl, role)}'`,
  );
}

/**
 * The queue's tables, and the one function by which the server may put a task into it: in the transaction of the fact
 * that asks for it. A task of the same key that nobody has taken yet is replaced.
 */
async function ensureQueue(client: pg.Client, ownerUrl: string): Promise<void> {
  const { rows } = await client.query<{ database: string; there: boolean }>(
    "select current_database() as database, to_regnamespace('za_queue') is not null as there",
  );
  const [row] = rows;
  if (!row) return;
  const database = pg.escapeIdentifier(row.database);
  await client.query(`grant connect, create on database ${database} to ${QUEUE_ROLE}`);
  await runMigrations({ connectionString: queueUrl(ownerUrl), logger: QUIET });
  await client.query(`revoke create on database ${database} from ${QUEUE_ROLE}`);
  await client.query(`grant ${QUEUE_ROLE} to current_user`);
  if (!row.there) await client.query(`create schema za_queue authorization ${QUEUE_ROLE}`);
  await client.query(`set role ${QUEUE_ROLE}`);
  // What is asked for again and again is not put off again and again: the earlier of its times stands.
  await client.query(`create or replace function za_queue.add(task text, payload json, key text, seconds double precision, queue text)
    returns void language sql security definer set search_path = graphile_worker, pg_temp as $$
      select graphile_worker.add_job(task, payload, job_key => add.key, queue_name => queue, max_attempts => ${MOST_ATTEMPTS},
        run_at => least(now() + make_interval(secs => seconds),
          (select waiting.run_at from graphile_worker.jobs as waiting where waiting.key = add.key and waiting.locked_at is null)))
    $$`);
  await client.query(`revoke all on function za_queue.add(text, json, text, double precision, text) from public`);
  await client.query(`grant usage on schema za_queue to ${SERVER_ROLE}`);
  await client.query(
    `grant execute on function za_queue.add(text, json, text, double precision, text) to ${SERVER_ROLE}`,
  );
  await client.query('reset role');
}

/** The changes of the database's shape this program knows, in their order. */
async function changesIn(folder: string): Promise<{ when: number; tag: string }[]> {
  const journal = await readFile(join(folder, 'meta/_journal.json'), 'utf8');
  return (JSON.parse(journal) as { entries: { when: number; tag: string }[] }).entries;
}
/** When the last of them was made, as the database keeps it. */
export const lastChangeOf = async (folder: string): Promise<number> => (await changesIn(folder)).at(-1)?.when ?? 0;

/** The changes a database with something in it has not seen yet, by their names; none for one that is empty. */
export async function pendingChanges(ownerUrl: string, folder: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const { rows: there } = await client.query(
      "select to_regclass('drizzle.__drizzle_migrations') is not null as there",
    );
    if (!there[0]?.there) return [];
    const { rows } = await client.query('select max(created_at) as last from drizzle.__drizzle_migrations');
    const last = Number(rows[0]?.last ?? 0);
    return last === 0 ? [] : (await changesIn(folder)).filter(({ when }) => when > last).map(({ tag }) => tag);
  } finally {
    await client.end();
  }
}

/** Throws where a newer program has changed the database already: this one would read it wrong. */
async function refuseNewer(client: pg.Client, folder: string): Promise<void> {
  const entries = await changesIn(folder);
  const known = entries.at(-1);
  const { rows: there } = await client.query("select to_regclass('drizzle.__drizzle_migrations') is not null as there");
  if (!known || !there[0]?.there) return;
  const { rows } = await client.query(
    'select count(*)::int as n, max(created_at)::bigint as last from drizzle.__drizzle_migrations',
  );
  if (Number(rows[0]?.last ?? 0) > known.when)
    throw new Error(
      `the database is of a newer program: it has ${rows[0].n} changes, and this program knows ${entries.length}, up to ${known.tag}. Start the program that made it, or a later one.`,
    );
}

/** Row-level security holds for the owner too: where it was lifted for a backup that was cut off, or in one, it is again. */
const FORCE_ALL = `do $$ declare each regclass; begin
  for each in select c.oid::regclass from pg_class c
    where c.relrowsecurity and not c.relforcerowsecurity and c.relnamespace = 'public'::regnamespace
  loop execute format('alter table %s force row level security', each); end loop; end $$`;

/** The roles under which the server and its workers come: what is restored is granted to them. */
export async function prepareRoles(ownerUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await ensureRole(client, ownerUrl, SERVER_ROLE);
    await ensureRole(client, ownerUrl, QUEUE_ROLE);
  } finally {
    await client.end();
  }
}

/** Brings the database at `ownerUrl` to the current shape. Safe to run from several processes at once. */
export async function prepareDatabase(ownerUrl: string, folder = join(__dirname, 'migrations')): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await refuseNewer(client, folder);
    await ensureRole(client, ownerUrl, SERVER_ROLE);
    await ensureRole(client, ownerUrl, QUEUE_ROLE);
    await migrate(drizzle(client), { migrationsFolder: folder });
    await client.query(FORCE_ALL);
    await ensureQueue(client, ownerUrl);
  } finally {
    await client.end();
  }
}
