import { createHmac } from 'node:crypto';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

const SERVER_ROLE = 'axle_server';
const MIGRATION_LOCK = 6_427_501;

/**
 * The address under which the server itself works: a role that owns nothing and cannot bypass row-level security.
 * Its password follows from the owner's address, so every server process comes to the same one without a file.
 */
export function serverUrl(ownerUrl: string): string {
  const url = new URL(ownerUrl);
  url.username = SERVER_ROLE;
  url.password = rolePassword(ownerUrl);
  return url.toString();
}

function rolePassword(ownerUrl: string): string {
  const { host, username, password } = new URL(ownerUrl);
  return createHmac('sha256', `${username}:${password}@${host}`).update(SERVER_ROLE).digest('hex');
}

/** Whether the server's role is there already, with its password. */
async function roleWorks(ownerUrl: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: serverUrl(ownerUrl) });
  try {
    await client.connect();
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function ensureServerRole(client: pg.Client, ownerUrl: string): Promise<void> {
  const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [SERVER_ROLE]);
  const act = rowCount ? 'alter' : 'create';
  await client.query(
    `${act} role ${SERVER_ROLE} login nosuperuser nobypassrls nocreatedb nocreaterole password '${rolePassword(ownerUrl)}'`,
  );
}

/** Brings the database at `ownerUrl` to the current shape. Safe to run from several processes at once. */
export async function prepareDatabase(ownerUrl: string, folder = join(__dirname, 'migrations')): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    if (!(await roleWorks(ownerUrl))) await ensureServerRole(client, ownerUrl);
    await migrate(drizzle(client), { migrationsFolder: folder });
  } finally {
    await client.end();
  }
}
