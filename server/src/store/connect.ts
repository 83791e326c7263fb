import { createHash } from 'node:crypto';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import type { FleetStore } from './fleet-store';
import { CommitUnsure, isLost } from './lost';
import { oneTransaction } from './one-transaction';

export type Database = NodePgDatabase & { $client: pg.Pool };

export interface Connection {
  pool: pg.Pool;
  db: Database;
}

/** Longer statements are bulk inserts: each has another text, and a plan kept for it would never be used again. */
const LONGEST_NAMED = 4_000;

/**
 * Names every statement after its text, so that PostgreSQL plans it once per connection: with row-level security and
 * joins, planning costs more than running. What is asked at once is written to the socket at once.
 */
class NamingClient extends pg.Client {
  // biome-ignore lint/suspicious/noExplicitAny: the driver's own overloads are passed through as they are.
  override query(config: any, ...rest: any[]): any {
    const { stream } = this.connection;
    stream.cork();
    process.nextTick(() => stream.uncork());
    const text: unknown = config?.text;
    const nameable = typeof text === 'string' && !config.name && text.length < LONGEST_NAMED && rest.length > 0;
    const named = nameable ? { ...config, name: createHash('md5').update(text).digest('base64url') } : config;
    return super.query(named, ...(rest as [never]));
  }
}

/** How long is waited for a connection, a statement and a lock: whoever asks is told in time that the database hangs. */
const PATIENCE = {
  connectionTimeoutMillis: 3_000,
  statement_timeout: 4_000,
  lock_timeout: 3_000,
  idle_in_transaction_session_timeout: 5_000,
  query_timeout: 4_500,
};

export function connect(url: string): Connection {
  const pool = new pg.Pool({
    connectionString: url,
    max: 12,
    Client: NamingClient,
    pipeline: true,
    application_name: 'zealous-axle',
    ...PATIENCE,
  } as pg.PoolConfig);
  // A connection lost while idle is not an error of any request; one lost in use fails its statement: none ends the process.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => void client.on('error', () => undefined));
  return { pool, db: drizzle(pool) };
}

const stores = new WeakMap<pg.PoolClient, FleetStore>();

function storeOn(client: pg.PoolClient): FleetStore {
  const known = stores.get(client) ?? drizzle(client);
  stores.set(client, known);
  return known;
}

/** Opens a transaction that sees one fleet. It travels with the first question of the work. */
const begin = (client: pg.PoolClient, fleetId: string, how: '' | ' read only') =>
  client.query(`begin${how}; set local za.fleet = ${pg.escapeLiteral(fleetId)}`);

/** Ends a transaction and hands its connection on; one that does not answer is closed. Gives what became of it. */
async function end(client: pg.PoolClient, how: 'commit' | 'rollback'): Promise<string | Error> {
  try {
    const { command } = await client.query(how);
    client.release();
    return command;
  } catch (error) {
    client.release(error as Error);
    return error as Error;
  }
}

/** Takes statements that nothing of the work waits for: the commit travels right behind them. */
export type Behind = (sent: Promise<unknown>) => void;

/** Runs `work` in one transaction in which only `fleetId`'s rows exist. */
export async function inFleet<T>(
  db: Database,
  fleetId: string,
  work: (store: FleetStore, behind: Behind) => Promise<T>,
): Promise<T> {
  const client = await db.$client.connect();
  const { store, end: close } = oneTransaction(storeOn(client));
  const last: Promise<unknown>[] = [];
  let done: T;
  try {
    const opened = begin(client, fleetId, '');
    [done] = await Promise.all([work(store, (sent) => last.push(sent)), opened]);
    close();
  } catch (error) {
    close();
    await Promise.all([giveUp(client, error), Promise.allSettled(last)]);
    throw error;
  }
  const [ended, ...others] = await Promise.allSettled([end(client, 'commit'), ...last]);
  const answer = ended.status === 'fulfilled' ? ended.value : ended.reason;
  if (answer === 'COMMIT') return done;
  if (answer instanceof Error && isLost(answer)) throw new CommitUnsure(answer.message);
  // PostgreSQL answers a commit with ROLLBACK where something failed in between.
  const failed = others.find((each) => each.status === 'rejected');
  throw failed?.reason ?? (answer instanceof Error ? answer : new Error('the transaction was rolled back'));
}

/** Ends a transaction that failed; a connection that was lost is closed without a word. */
const giveUp = async (client: pg.PoolClient, error: unknown): Promise<unknown> =>
  isLost(error) ? client.release(error as Error) : end(client, 'rollback');

/** As {@link inFleet}, for work that only reads: its answer does not wait for the transaction to end. */
export async function readInFleet<T>(
  db: Database,
  fleetId: string,
  work: (store: FleetStore) => Promise<T>,
): Promise<T> {
  const client = await db.$client.connect();
  const { store, end: close } = oneTransaction(storeOn(client));
  try {
    const opened = begin(client, fleetId, ' read only');
    const [done] = await Promise.all([work(store), opened]);
    close();
    void end(client, 'rollback');
    return done;
  } catch (error) {
    close();
    void giveUp(client, error);
    throw error;
  }
}
