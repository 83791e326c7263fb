import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { type Planned, plan, replan, sumOf } from '@zealous-axle/core/plan';
import { buildSync } from 'esbuild';
import { Piscina } from 'piscina';
import { madeUpShop } from '../core/src/plan/solver/made-up';
import { middle, overPercent, round, say } from './figures';
import { built, classicalShops, planShops, SEARCH_MS, SEEDS, type Shop, THREADS } from './shops';

const MINUTE_MS = 60_000;

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
    say(
      `${name}, ${SEARCH_MS / 1_000} s`,
      [
        `${round(middle(sums) / reference.sum, 4)} × the reference at ${reference.seconds} s`,
        `best ${round(Math.min(...sums) / reference.sum, 4)}, worst ${round(Math.max(...sums) / reference.sum, 4)}`,
        `${overPercent(middle(sums), bound)} over the bound`,
      ].join(', '),
    );
  }
}

async function classical(pool: Piscina): Promise<void> {
  for (const { name, optimum, request } of classicalShops()) {
    const spans = await Promise.all(
      SEEDS.map(async (seed) => {
        const asked = { request: { ...request, seed, timeLimitMs: SEARCH_MS }, stop: new SharedArrayBuffer(4) };
        const { planned } = (await pool.run(asked)) as { planned: Planned };
        return planned.objective.makespanMinutes;
      }),
    );
    say(name, `${middle(spans)}, best ${Math.min(...spans)}; the optimum is ${optimum}`);
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

/** The solver as it is built for the server's threads and for browsers, in one file. */
function builtSolver(): { plan: typeof plan } {
  const folder = mkdtempSync(join(tmpdir(), 'solver-'));
  const outfile = join(folder, 'solver.js');
  const entryPoints = [join(__dirname, '../core/src/plan/solver/index.ts')];
  buildSync({ entryPoints, outfile, bundle: true, platform: 'node', format: 'cjs', target: 'node20' });
  const solver = createRequire(__filename)(outfile);
  rmSync(folder, { recursive: true });
  return solver;
}

/** Plans put together a second while it searches, one thread by itself and nothing else of the machine at work. */
function speed(shops: readonly Shop[]): void {
  const solver = builtSolver();
  for (const { name, request, reference } of shops.filter((shop) => shop.name.startsWith('shop-200-'))) {
    const rates = SEEDS.map((seed) => {
      const from = performance.now();
      const { decodes } = solver.plan({ ...request, seed }, { steps: 40_000, proof: false });
      return (decodes / (performance.now() - from)) * 1_000;
    });
    say(`${name}, decodes a second`, `${Math.round(middle(rates))} (${reference.decodesPerSecond})`);
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
  const shops = planShops();
  speed(shops);
  firstPlans(shops);
  overruns(shops);
  growth();
  const pool = new Piscina({
    filename: built('plan-thread.js'),
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
