import { type SQL, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { FleetStore } from '../store';
import type { event } from './schema';

/*
 * What a transaction writes is its act's: the database notes each row of a fact with the act (migration 0044), and the act's entry
 * in the fleet's chain covers all of them and the event. A row that no act wrote stands out.
 */

/** From here on what the transaction writes is this act's. */
export const actIs = (act: string): SQL => sql`set_config('za.act', ${act}, true)`;

/** Adds the entry of the command whose event was written just now. */
export const sealEvent = (
  store: FleetStore,
  { fleetId, commandId, type }: Pick<typeof event.$inferInsert, 'fleetId' | 'commandId' | 'type'>,
): Promise<unknown> =>
  store.execute(sql`select za_seal(${fleetId}::uuid, ${commandId}::uuid, ${type}, lastval())`).execute();

/** Does something that nobody ordered, as an act of its own: what it writes of facts is sealed with it. */
export async function asTask<T>(store: FleetStore, fleet: string, what: string, work: () => Promise<T>): Promise<T> {
  const act = uuidv7();
  await store.execute(sql`select ${actIs(act)}`);
  const done = await work();
  await store.execute(sql`select za_seal_task(${fleet}::uuid, ${act}::uuid, ${what})`);
  return done;
}

/** The entry of the chain that covers a row of a fact: its number and its sum; null where none does. */
export async function sealOf(
  store: FleetStore,
  tab: string,
  key: string,
): Promise<{ nr: number; hash: string } | null> {
  const { rows } = await store.execute<{ nr: string; hash: string }>(sql`
    select c.nr, encode(c.hash, 'hex') as hash from record_row k
    join record_chain c on c.fleet_id = k.fleet_id and c.act = k.act where k.tab = ${tab} and k.row_key = ${key}`);
  const [row] = rows;
  return row ? { nr: Number(row.nr), hash: row.hash } : null;
}
