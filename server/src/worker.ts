import { join } from 'node:path';
import { openQueue, type Queue } from './background';
import { doersOf } from './doers';
import type { Live } from './feeds';
import { openPlanner, openProver, type Planner, provingPlanner } from './plan';
import type { Settings } from './settings';
import { type Database, queueUrl } from './store';

/** Tasks done at once in one process: a search fills the threads by itself, what is small goes beside it. */
const TASKS = 2;
const complain = (message: string) => process.stderr.write(`${message}\n`);

/** The threads that plan, as this process has them. */
export function plannerHere({ planThreads }: Settings): Planner {
  const refused = (message: string) => complain(`A plan was refused by its checker and not shown: ${message}`);
  const planner = openPlanner(join(__dirname, 'plan-thread.js'), planThreads, refused);
  const prover = openProver(join(__dirname, 'prove-thread.js'), (message) => complain(`A proof failed: ${message}`));
  return prover ? provingPlanner(planner, prover) : planner;
}

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
