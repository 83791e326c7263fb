import { join } from 'node:path';
import { openQueue, type Queue } from './background';
import { doersOf } from './doers';
import type { Live } from './feeds';
import { openPlanner, openProver, type Planner, provingPlanner } from './plan';
import type { Settings } from './settings';
import { type Database, queueUrl } from './store';

/** Tasks done at once in one process: a search fills the threads by itself, what is small goes beside it. */
const TASKS = 2;
/** A fleet's own searches wait for their turn; strangers are told that all are busy. */
const OWN_WAITING = 1_000;
const STRANGERS_WAITING = 4;
const THREAD = join(__dirname, 'plan-thread.js');
const complain = (message: string) => process.stderr.write(`${message}\n`);

const refused = (message: string) => complain(`A plan was refused by its checker and not shown: ${message}`);

/** The threads that plan, as this process has them. */
export function plannerHere({ planThreads }: Settings): Planner {
  const planner = openPlanner(THREAD, { threads: planThreads, waiting: OWN_WAITING, unsound: refused });
  const prover = openProver(join(__dirname, 'prove-thread.js'), (message) => complain(`A proof failed: ${message}`));
  return prover ? provingPlanner(planner, prover) : planner;
}

/** The one thread for whoever is not signed in: a fleet's own searches never wait for them. */
export const strangersHere = (): Planner =>
  openPlanner(THREAD, { threads: 1, waiting: STRANGERS_WAITING, unsound: refused });

/** Takes tasks from the queue, as the server does inside and as any other process may beside it. */
export const openWorker = (
  { databaseUrl }: Pick<Settings, 'databaseUrl'>,
  { db, live, planner }: { db: Database; live: Live; planner: Planner },
): Promise<Queue> =>
  openQueue(
    queueUrl(databaseUrl),
    doersOf({ db, planner, now: () => new Date(), moved: (fleet, listener) => live.subscribe(fleet, listener) }),
    { tasks: TASKS, failed: (message) => complain(`A task failed: ${message}`) },
  );
