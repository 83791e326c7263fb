import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { type Planned, type PlanRequest, plan, replan, sumOf } from '@zealous-axle/core/plan';
import { Piscina } from 'piscina';
import { jobShop, madeUpShop } from '../core/src/plan/solver/made-up';
import { openPlanner } from '../server/src/plan/planner';
import { isProven, openProver } from '../server/src/plan/prove';
import { provingPlanner } from '../server/src/plan/proving-planner';
import { middle, round, say } from './figures';

/** Two threads, as the server has on such a machine; the built thread of the server is what is measured. */
const THREADS = 2;
const SEEDS = [1, 2, 3, 4, 5];
/** How long a proof is waited for, behind the answer. */
const PATIENT_MS = 120_000;
const SEARCH_MS = Number(process.env.PLAN_MS ?? 10_000);
const MINUTE_MS = 60_000;

interface Shop {
  name: string;
  request: PlanRequest;
  /** What another search of this kind reached on one core, in so many seconds. */
  reference: { seconds: number; sum: number; decodesPerSecond: number };
}
const read = <T>(file: string): T => JSON.parse(readFileSync(join(__dirname, file), 'utf8'));

/** Fisher and Thompson's six by six and ten by ten, their optima 55 and 930: machine and minutes by turns. */
const CLASSICAL = read<{ name: string; optimum: number; jobs: number[][] }[]>('job-shops.json');
const pairs = (row: number[]) => row.flatMap((machine, at) => (at % 2 ? [] : [[machine, row[at + 1] ?? 0] as const]));

const overPercent = (one: number, other: number): string => `${round((one / other - 1) * 100, 1)} %`;

/** The first plan: read, refused or not, and put together, before any search. */
function firstPlans(shops: readonly Shop[]): void {
  for (const jobs of ['60', '200']) {
    const times = shops
      .filter(({ name }) => name.startsWith(`shop-${jobs}-`))
      .flatMap(({ request }) =>
        SEEDS.map(() => {
          const from = performance.now();
          let first = 0;
          plan(request, {
            steps: 1,
            proof: false,
            better: () => {
              first ||= performance.now() - from;
            },
          });
          return first;
        }),
      );
    say(`first plan, ${jobs} jobs`, `${round(middle(times), 1)} ms (the coldest ${round(Math.max(...times), 1)})`);
  }
}

async function searched(pool: Piscina, shops: readonly Shop[]): Promise<void> {
  for (const { name, request, reference } of shops) {
    const runs = await Promise.all(
      SEEDS.map(async (seed) => {
        const asked = { request: { ...request, seed, timeLimitMs: SEARCH_MS }, stop: new SharedArrayBuffer(4) };
        const { planned } = (await pool.run(asked)) as { planned: Planned };
        return planned;
      }),
    );
    const sums = runs.map(({ objective }) => sumOf(objective));
    const bound = Math.max(...runs.map(({ boundSum }) => boundSum));
    const decodes = middle(runs.map((run) => (run.decodes / run.elapsedMs) * 1_000));
    say(
      `${name}, ${SEARCH_MS / 1_000} s`,
      [
        `${round(middle(sums) / reference.sum, 4)} × the reference at ${reference.seconds} s`,
        `best ${round(Math.min(...sums) / reference.sum, 4)}, worst ${round(Math.max(...sums) / reference.sum, 4)}`,
        `${overPercent(middle(sums), bound)} over the bound`,
        `${Math.round(decodes)} decodes a second (${reference.decodesPerSecond})`,
      ].join(', '),
    );
  }
}

async function classical(pool: Piscina): Promise<void> {
  for (const { name, optimum, jobs } of CLASSICAL) {
    const request = jobShop(jobs.map(pairs));
    const spans = await Promise.all(
      SEEDS.map(async (seed) => {
        const asked = { request: { ...request, seed, timeLimitMs: SEARCH_MS }, stop: new SharedArrayBuffer(4) };
        const { planned } = (await pool.run(asked)) as { planned: Planned };
        return planned.objective.makespanMinutes;
      }),
    );
    say(`job shop ${name}`, `${middle(spans)}, best ${Math.min(...spans)}; the optimum is ${optimum}`);
  }
}

/** One job that has begun takes ninety minutes more: what moves, and what planning all of it anew would give. */
function overruns(shops: readonly Shop[]): void {
  for (const { name, request } of shops.filter((shop) => shop.name.startsWith('shop-60-'))) {
    const clock = () => {
      const from = performance.now();
      return () => performance.now() - from;
    };
    const first = plan({ ...request, timeLimitMs: 4_000 }, { elapsed: clock(), proof: false });
    const now = new Date(Date.parse(request.now) + 180 * MINUTE_MS).toISOString();
    const begun = new Map(first.slots.flatMap((slot) => (slot.start < now ? [[slot.job, slot] as const] : [])));
    const over = first.slots.find(({ start, end }) => start < now && end > now)?.job;
    const jobs = request.jobs.map((job) => {
      const slot = begun.get(job.id);
      const minutes = job.id === over ? job.minutes + 90 : job.minutes;
      return {
        ...job,
        minutes,
        pinned: slot ? { bay: slot.bay, technicians: slot.technicians, start: slot.start } : null,
      };
    });
    const changed = { ...request, now, jobs };
    const from = performance.now();
    const again = replan({ ...changed, timeLimitMs: 900 }, first.slots, { elapsed: clock() });
    const took = performance.now() - from;
    const all = plan({ ...changed, timeLimitMs: 5_000 }, { elapsed: clock(), proof: false });
    const untouched = first.slots.length - begun.size;
    say(
      `${name}, one overrun`,
      `${Math.round(took)} ms, ${again.moved.length} of ${untouched} slots moved, ${overPercent(sumOf(again.objective), sumOf(all.objective))} against all anew`,
    );
  }
}

/** How the time of a decode grows with the jobs, and what 500 of them take in memory. */
function growth(): void {
  for (const jobs of [25, 50, 100, 200, 500]) {
    const request = madeUpShop({ seed: 1, jobs, days: 40 });
    const before = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
    const from = performance.now();
    const planned = plan({ ...request, timeLimitMs: 2_000 }, { elapsed: () => performance.now() - from, proof: false });
    const used = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers - before;
    say(
      `growth, ${jobs} jobs`,
      `${round((2_000 / planned.decodes) * 1_000, 0)} µs a decode, ${round(Math.max(0, used) / 1e6, 0)} MB`,
    );
  }
}

/** The planner: how soon, how good, how fast, how calm. */
export async function benchPlan(): Promise<void> {
  const shops = read<Shop[]>('plan-shops.json');
  firstPlans(shops);
  overruns(shops);
  growth();
  const pool = new Piscina({
    filename: join(__dirname, '../server/dist/plan-thread.js'),
    minThreads: THREADS,
    maxThreads: THREADS,
  });
  try {
    await classical(pool);
    await searched(pool, shops);
  } finally {
    await pool.destroy();
  }
}

/** Small shops with the proof beside the search, as the server answers: how near the optimum, and after how long proven. */
export async function benchProven(): Promise<void> {
  const complain = (message: string) => say('refused', message);
  const file = (name: string) => join(__dirname, '../server/dist', name);
  const prover = openProver(file('prove-thread.js'), complain);
  if (!prover) return say('proofs', 'the solver that proves is not installed');
  const planner = provingPlanner(openPlanner(file('plan-thread.js'), THREADS, complain), prover);
  const never = new AbortController().signal;
  for (const { name, request } of read<Shop[]>('plan-shops.json').filter((shop) => /-(20|30|60)-/.test(shop.name)))
    for (const seed of SEEDS.slice(0, 2)) {
      const found = await planner.plan({ ...request, seed, timeLimitMs: SEARCH_MS }, never);
      const behind = await prover(request, found, PATIENT_MS, never);
      const above = overPercent(sumOf(found.objective), sumOf(behind.objective));
      say(
        `${name}, seed ${seed}`,
        `${sumOf(found.objective)}, ${isProven(found, request) ? `proven after ${Math.round(found.elapsedMs)} ms` : `${above} above the optimum`}; ${isProven(behind, request) ? 'proven' : 'not proven'} in the end`,
      );
    }
  await planner.close();
}
