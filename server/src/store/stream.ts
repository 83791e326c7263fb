import pg from 'pg';
import Cursor from 'pg-cursor';
import type { Database } from './connect';

/** Rows fetched at a time: what is held in memory, however many there are. */
const BATCH = 4_000;

/** How long each batch, a reader who does not read on, and the whole may take. */
interface Patience {
  batchMs: number;
  readerMs: number;
  wholeMs: number;
}
const PATIENCE: Patience = { batchMs: 20_000, readerMs: 60_000, wholeMs: 15 * 60_000 };

/** A stream that took too long, or whose connection was lost: what was read of it is not all there is. */
class StreamCut extends Error {}

const clientOf = (db: Database, { batchMs, readerMs }: Patience): pg.Client =>
  new pg.Client({
    connectionString: db.$client.options.connectionString,
    application_name: 'zealous-axle export',
    connectionTimeoutMillis: 3_000,
    statement_timeout: batchMs,
    idle_in_transaction_session_timeout: readerMs,
  });

/**
 * Rows of a query in which only `fleetId`'s exist, by batches as they are asked for, on a connection of its own: it may
 * take long, but not for ever. The next batch is fetched while one is worked on. Whoever stops asking ends it; a lost
 * connection ends it with an error of its own, never the process.
 */
export async function* streamInFleet<R extends unknown[]>(
  db: Database,
  fleetId: string,
  text: string,
  values: readonly unknown[],
  patience: Patience = PATIENCE,
): AsyncGenerator<R[]> {
  const client = clientOf(db, patience);
  let lost: Error | null = null;
  client.on('error', (error) => {
    lost = error;
  });
  await client.connect();
  const until = Date.now() + patience.wholeMs;
  try {
    await client.query('begin read only');
    await client.query("select set_config('za.fleet', $1, true)", [fleetId]);
    const cursor = client.query(new Cursor<R>(text, [...values], { rowMode: 'array' }));
    const read = (): Promise<R[]> => {
      const batch = cursor.read(BATCH);
      batch.catch(() => undefined);
      return batch;
    };
    let next = read();
    for (let rows = await next; rows.length > 0; rows = await next) {
      if (lost || Date.now() > until) throw new StreamCut(lost ? 'the connection was lost' : 'it took too long');
      next = read();
      yield rows;
    }
  } finally {
    // Of a lost connection there is nothing to end, and nobody waits for it.
    if (lost) void client.end().catch(() => undefined);
    else await client.end().catch(() => undefined);
  }
}
