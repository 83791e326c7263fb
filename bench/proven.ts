import { type Planned, type PlanRequest, sumOf } from '@zealous-axle/core/plan';
import { madeUpShop } from '../core/src/plan/solver/made-up';
import optima from '../core/src/plan/solver/optima.json';
import { openPlanner, type Planner } from '../server/src/plan/planner';
import { isProven, openProver, type Prover } from '../server/src/plan/prove';
import { provingPlanner } from '../server/src/plan/proving-planner';
import { middle, overPercent, say } from './figures';
import { built, classicalShops, planShops, SEARCH_MS, SEEDS, THREADS } from './shops';

/** How long a proof is waited for, behind the answer. */
const PATIENT_MS = 120_000;
/** How long a shop of a dozen jobs has. */
const SMALL_MS = 2_000;

const never = new AbortController().signal;

/** Made-up shops of 8 to 12 jobs whose optima are proven, as the server answers. */
async function smallShops(planner: Planner): Promise<void> {
  const [found, proven]: [number[], number[]] = [[], []];
  for (const { seed, jobs, hard, sum } of optima.shops) {
    const request = { ...madeUpShop({ seed, jobs, hard }), timeLimitMs: SMALL_MS };
    const planned = await planner.plan(request, never);
    if (sumOf(planned.objective) === sum) found.push(seed);
    if (isProven(planned, request)) proven.push(seed);
  }
  say(
    `${optima.shops.length} shops of 8 to 12 jobs, ${SMALL_MS / 1_000} s`,
    `the optimum in ${found.length}, ${proven.length} of them proven so soon`,
  );
}

async function classical(planner: Planner): Promise<void> {
  for (const { name, optimum, request } of classicalShops()) {
    const spans: number[] = [];
    for (const seed of SEEDS) {
      const { objective } = await planner.plan({ ...request, seed, timeLimitMs: SEARCH_MS }, never);
      spans.push(objective.makespanMinutes);
    }
    say(`${name}, ${SEARCH_MS / 1_000} s`, `${spans.join(', ')}; the optimum is ${optimum}`);
  }
}

/** What the server answers in time, against the bound it tells and against the optimum, which is proven behind it. */
async function answered(planner: Planner, prover: Prover, name: string, request: PlanRequest): Promise<void> {
  const runs: Planned[] = [];
  for (const seed of SEEDS) runs.push(await planner.plan({ ...request, seed, timeLimitMs: SEARCH_MS }, never));
  const best = runs.reduce((one, other) => (sumOf(other.objective) < sumOf(one.objective) ? other : one));
  const behind = await prover(request, best, PATIENT_MS, never);
  const over = (bound: (run: Planned) => number) =>
    runs.map((run) => overPercent(sumOf(run.objective), bound(run))).join(', ');
  const inTime = runs.filter((run) => isProven(run, request));
  say(
    `${name}, ${SEARCH_MS / 1_000} s`,
    [
      `over the bound told ${over(({ boundSum }) => boundSum)}`,
      `over ${isProven(behind, request) ? 'the optimum' : 'the best known'} ${sumOf(behind.objective)} ${over(() => sumOf(behind.objective))}`,
      `${inTime.length} of ${runs.length} proven${inTime.length ? `, after ${Math.round(middle(inTime.map(({ elapsedMs }) => elapsedMs)))} ms` : ''}`,
    ].join('; '),
  );
}

/** Shops with the proof beside the search, as the server answers: how near the optimum, and after how long proven. */
export async function benchProven(): Promise<void> {
  const complain = (message: string) => say('refused', message);
  const prover = openProver(built('prove-thread.js'), complain);
  if (!prover) return say('proofs', 'the solver that proves is not installed');
  const planner = provingPlanner(
    openPlanner(built('plan-thread.js'), { threads: THREADS, waiting: 8, unsound: complain }),
    prover,
  );
  await smallShops(planner);
  await classical(planner);
  for (const { name, request } of planShops().filter((shop) => /-(20|30|60)-/.test(shop.name)))
    await answered(planner, prover, name, request);
  await planner.close();
}
