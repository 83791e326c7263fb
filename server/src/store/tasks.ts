import { sql } from 'drizzle-orm';
import type { FleetStore } from './fleet-store';

/** What a worker can be asked to do, and with what. Every task is of one fleet. */
export interface Tasks {
  /** Searches for the plan of a run. */
  'search-plan': { fleet: string; run: string };
  /** Tries to prove what a run found the best there is. */
  'prove-plan': { fleet: string; run: string };
  /** Looks whether the plan still stands, and asks for another where it does not. */
  'watch-plan': { fleet: string; because: string | null };
  /** Tells a connected system something, until it takes it. */
  'tell-outside': { fleet: string; message: string };
  /** What a road service that is made up says next of a call. */
  'make-up-road': { fleet: string; call: string; step: number };
  /** Judges anew what stands on the units that are marked, because the rules changed; `person` changed them. */
  'judge-again': { fleet: string; person: string | null };
  /** Holds the records against what was written of them. */
  'check-records': { fleet: string; check: string };
  /** Tells a system of the fleet's own what happened since. */
  'tell-hook': { fleet: string; hook: string };
  /** Works out what is foreseen of some units, or of all of them from one on; or only of those it never was. */
  forecast: { fleet: string; units: string[] | null; after?: string; missing?: boolean };
}
export type TaskName = keyof Tasks;

/**
 * Puts a task into the queue, in the caller's transaction; one of the same `key` that has not begun is replaced, and done
 * at the earlier of both times. Tasks of one `queue` are done one after the other.
 */
export const addTask = <N extends TaskName>(
  store: FleetStore,
  name: N,
  payload: Tasks[N],
  key: string,
  { seconds = 0, queue = null }: { seconds?: number; queue?: string | null } = {},
): Promise<unknown> =>
  store
    .execute(
      sql`select za_queue.add(${name}, ${JSON.stringify(payload)}::json, ${`${name} ${key}`}, ${seconds}, ${queue})`,
    )
    .execute();
