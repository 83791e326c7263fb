import { EventEmitter } from 'node:events';
import { type Runner, run, type WorkerEvents } from 'graphile-worker';
import pg from 'pg';
import { QUIET, type TaskName, type Tasks } from '../store';

export type Doers = { [N in TaskName]: (payload: Tasks[N], signal: AbortSignal) => Promise<void> };

export interface Queue {
  /** Finishes what is being done, and takes no more. */
  close: () => Promise<void>;
}

interface Options {
  /** Tasks done at once in this process. */
  tasks: number;
  /** Hears of each task that failed, with what it was asked. */
  failed: (message: string) => void;
  /** How often is looked for workers that died. */
  sweepMs?: number;
  /** After how long a task that was given up is begun again. */
  againMs?: number;
  /** How long after its locks are lost a worker takes them again. */
  retryMs?: number;
}

const POLL_MS = 2_000;
const SWEEP_MS = 5_000;
const RETRY_MS = 1_000;
const AGAIN_MS = 10 * 60_000;
/** The key space of the locks by which a worker says that it lives. */
const LIFE = 4_207;

/** Tasks of workers that no longer live are free again: whoever's lock can be had has ended. */
const SWEEP = `
  with dead as (
    select distinct locked_by from graphile_worker._private_jobs
    where locked_by is not null and pg_try_advisory_xact_lock(${LIFE}, hashtext(locked_by))
  )
  select graphile_worker.force_unlock_workers(array(select locked_by from dead)) where exists (select 1 from dead)`;

/** Tasks that were given up are begun again after a while: nobody else would. */
const AGAIN = `
  select graphile_worker.reschedule_jobs(array(
    select id from graphile_worker._private_jobs
    where attempts >= max_attempts and locked_by is null and updated_at < now() - make_interval(secs => $1)
  ), run_at => now(), attempts => 0)`;

/** Why a task failed, without what it was asked or what was written: those stand in nobody's log. */
function reasonOf(error: unknown): string {
  if (!(error instanceof Error)) return 'it failed';
  const cause = error.cause instanceof Error ? error.cause : error;
  return (cause.message.split('\n')[0] ?? '').slice(0, 200);
}

/** The locks of a process's workers, on a connection that is made anew when it is lost. */
function lifeOf(url: string, retryMs: number) {
  const workers: string[] = [];
  let ended = false;
  let standing: Promise<pg.Client> | null = null;
  const lock = (client: pg.Client, worker: string) =>
    client.query(`select pg_advisory_lock(${LIFE}, hashtext($1))`, [worker]);
  const open = async () => {
    const client = new pg.Client({ connectionString: url, application_name: 'zealous-axle worker' });
    client.on('error', () => undefined);
    client.on('end', () => {
      standing = null;
      if (!ended) setTimeout(() => void stands().catch(() => undefined), retryMs).unref();
    });
    await client.connect();
    for (const each of workers) await lock(client, each);
    return client;
  };
  const stands = () => {
    standing ??= open().catch((error: unknown) => {
      standing = null;
      throw error;
    });
    return standing;
  };
  return {
    async begin(worker: string) {
      const before = standing;
      workers.push(worker);
      await (before ? before.then((client) => lock(client, worker)) : stands()).catch(() => undefined);
    },
    stands,
    async end() {
      ended = true;
      await (await standing?.catch(() => null))?.end();
    },
  };
}

/**
 * Takes tasks from the queue in PostgreSQL, in as many processes and on as many machines as reach it. Each worker holds
 * a lock for as long as it lives: when its process ends, however it ends, its task is taken up by another.
 */
export async function openQueue(
  url: string,
  doers: Doers,
  { tasks, failed, sweepMs = SWEEP_MS, retryMs = RETRY_MS, againMs = AGAIN_MS }: Options,
): Promise<Queue> {
  const closing = new AbortController();
  const pool = new pg.Pool({ connectionString: url, max: tasks + 2, application_name: 'zealous-axle queue' });
  pool.on('error', () => undefined);
  pool.on('connect', (client) => void client.on('error', () => undefined));
  const life = lifeOf(url, retryMs);
  const events = new EventEmitter() as WorkerEvents;
  events.on('worker:create', ({ worker }) => void life.begin(worker.workerId));
  events.on('job:error', ({ job, error }) => {
    // Left because this process ends: another worker takes it up.
    if (closing.signal.aborted && error === closing.signal.reason) return;
    failed(`${job.task_identifier}: ${reasonOf(error)}`);
  });
  const doer = (name: TaskName) => async (payload: unknown) => {
    // No task begins before its worker's lock says that it lives.
    await life.stands();
    await doers[name](payload as never, closing.signal);
  };
  const runner: Runner = await run({
    pgPool: pool,
    concurrency: tasks,
    pollInterval: POLL_MS,
    noHandleSignals: true,
    logger: QUIET,
    events,
    taskList: Object.fromEntries((Object.keys(doers) as TaskName[]).map((name) => [name, doer(name)])),
  });
  const sweep = () => {
    void pool.query(SWEEP).catch(() => undefined);
    void pool.query(AGAIN, [againMs / 1_000]).catch(() => undefined);
  };
  sweep();
  const sweeping = setInterval(sweep, sweepMs);
  sweeping.unref();
  return {
    async close() {
      clearInterval(sweeping);
      closing.abort();
      await runner.stop();
      await life.end();
      await pool.end();
    },
  };
}
