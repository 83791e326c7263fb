import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg, { type Submittable } from 'pg';

export type Database = NodePgDatabase & { $client: pg.Pool };
/** A transaction that sees one fleet. */
export type FleetStore = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  pool: pg.Pool;
  db: Database;
}

/** Longer statements are bulk inserts: each has another text, and a plan kept for it would never be used again. */
const LONGEST_NAMED = 4_000;

/**
 * Names every statement after its text, so that PostgreSQL plans it once per connection. With row-level security and
 * joins, planning costs more than running.
 */
class NamingClient extends pg.Client {
  // biome-ignore lint/suspicious/noExplicitAny: the driver's own overloads are passed through as they are.
  override query(config: any, ...rest: any[]): any {
    const text: unknown = config?.text;
    const nameable = typeof text === 'string' && !config.name && text.length < LONGEST_NAMED && rest.length > 0;
    const named = nameable ? { ...config, name: createHash('md5').update(text).digest('base64url') } : config;
    return super.query(named, ...(rest as [never]));
  }
}

export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 12, Client: NamingClient, application_name: 'zealous-axle' });
  // A connection lost while idle is not an error of any request: the pool opens another.
  pool.on('error', () => undefined);
  return { pool, db: drizzle(pool) };
}

/** Runs `work` in one transaction in which only `fleetId`'s rows exist. */
export const inFleet = <T>(db: Database, fleetId: string, work: (store: FleetStore) => Promise<T>): Promise<T> =>
  db.transaction(async (store) => {
    await store.execute(sql`select set_config('za.fleet', ${fleetId}, true)`);
    return work(store);
  });

/** Rows of a query in which only `fleetId`'s exist, as they are asked for. Whoever stops asking ends it. */
export async function* streamInFleet<R>(
  db: Database,
  fleetId: string,
  query: Submittable & AsyncIterable<R>,
): AsyncGenerator<R> {
  const client = await db.$client.connect();
  let broken: Error | undefined;
  try {
    await client.query('begin read only');
    await client.query("select set_config('za.fleet', $1, true)", [fleetId]);
    yield* client.query(query);
  } catch (error) {
    broken = error as Error;
    throw error;
  } finally {
    // One that was left in the middle, or broke, is closed rather than handed on.
    await client.query('commit').catch((error: Error) => {
      broken ??= error;
    });
    client.release(broken);
  }
}
