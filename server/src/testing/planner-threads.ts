import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PlanRequest } from '@zealous-axle/core/plan';
import { openPlanner } from '../plan/planner';
import type { KnownProblem } from '../problem';

/*
 * Tries the planner's pool with threads of its own, in a process of its own: a test runner's sandbox lets no thread speak.
 * Prints what became of each request, as JSON.
 */

const NOTHING = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const ANSWER = {
  slots: [],
  unplaced: [],
  objective: NOTHING,
  bound: NOTHING,
  boundSum: 0,
  elapsedMs: 0,
  steps: 0,
  decodes: 0,
};
/** A thread that answers by the seed it is asked: 1 never ends, 2 takes all memory there is, others answer at once. */
const THREAD = `
module.exports = (asked) => {
  if (!asked) return { tooLate: true };
  asked.port.postMessage('begun');
  if (asked.request.seed === 1) for (;;);
  if (asked.request.seed === 2) { const all = []; for (;;) all.push(new Array(1e6).fill(asked)); }
  return { planned: ${JSON.stringify(ANSWER)} };
};`;

const asked = (seed: number): PlanRequest => ({
  now: '2026-11-24T07:00:00Z',
  horizonDays: 1,
  timeLimitMs: 20,
  seed,
  bays: [],
  technicians: [],
  jobs: [],
  setups: {},
});

async function run(folder: string): Promise<void> {
  const file = join(folder, 'thread.js');
  writeFileSync(file, THREAD);
  const planner = openPlanner(file, { threads: 1, waiting: 3, unsound: () => {} });
  const plan = (seed: number) =>
    planner.plan(asked(seed), new AbortController().signal).then(
      () => 'planned',
      (error: KnownProblem) => error.code,
    );
  const told = {
    endless: await Promise.all([1, 3, 4].map(plan)),
    hungry: await Promise.all([2, 3, 4].map(plan)),
    many: await Promise.all([3, 4, 5, 6, 7, 8].map(plan)),
  };
  process.stdout.write(JSON.stringify(told));
  await planner.close();
}

// The pool's threads hold no process open by themselves.
const open = setInterval(() => {}, 1_000);
void run(process.argv[2] ?? '.').finally(() => clearInterval(open));
