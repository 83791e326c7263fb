import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
/** A transaction that sees one fleet. */
export type FleetStore = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  pool: pg.Pool;
  db: Database;
}

export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 12, application_name: 'zealous-axle' });
  // A connection lost while idle is not an error of any request: the pool opens another.
  pool.on('error', () => undefined);
  return { pool, db: drizzle(pool, { schema }) };
}

/** Runs `work` in one transaction in which only `fleetId`'s rows exist. */
export const inFleet = <T>(db: Database, fleetId: string, work: (store: FleetStore) => Promise<T>): Promise<T> =>
  db.transaction(async (store) => {
    await store.execute(sql`select set_config('za.fleet', ${fleetId}, true)`);
    return work(store);
  });
