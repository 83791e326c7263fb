import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { KnownProblem } from '../problem';
import { JOBS, type JobName } from './jobs';

/** The bundled thread; where the program is not bundled, as in tests, the work is done here. */
const THREAD = join(__dirname, 'file-thread.js');
const THREADS = 2;
/** Files that wait for a thread: whoever comes after them is told to come again. */
const WAITING = 60;
const PATIENCE_MS = 10_000;
const MOST_MEMORY_MB = 256;

let pool: Piscina | null | undefined;
function threads(): Piscina | null {
  pool ??= existsSync(THREAD)
    ? new Piscina({
        filename: THREAD,
        minThreads: 0,
        maxThreads: THREADS,
        maxQueue: WAITING,
        idleTimeout: 60_000,
        resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
      })
    : null;
  return pool;
}

const BUSY = 'Many files are in progress. Send it again in a moment.';

/** Works something out in a thread beside the one that answers; a 503 where too many wait, or where it takes too long. */
export async function beside<N extends JobName>(
  job: N,
  of: Parameters<(typeof JOBS)[N]>[0],
): Promise<Awaited<ReturnType<(typeof JOBS)[N]>>> {
  const pool = threads();
  if (!pool) return (await JOBS[job](of as never)) as Awaited<ReturnType<(typeof JOBS)[N]>>;
  if (pool.queueSize >= WAITING) throw new KnownProblem('busy', { detail: BUSY });
  try {
    return await pool.run({ job, of }, { signal: AbortSignal.timeout(PATIENCE_MS) });
  } catch (error) {
    const { name, code } = error as { name?: string; code?: string };
    if (name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY') throw new KnownProblem('too-slow');
    throw error;
  }
}

const PIECE = 100;

/** Does something with each of many, and lets others come in between: nobody waits for the whole list. */
export async function eachInTurn<T, R>(list: readonly T[], work: (each: T, index: number) => R): Promise<R[]> {
  const done: R[] = [];
  for (let from = 0; from < list.length; from += PIECE) {
    for (let at = from; at < Math.min(from + PIECE, list.length); at++) done.push(work(list[at] as T, at));
    await new Promise<void>((resolve) => setImmediate(resolve));
  }
  return done;
}
