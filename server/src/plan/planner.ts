import { type Planned, type PlanRequest, sumOf } from '@zealous-axle/core/plan';
import { Piscina } from 'piscina';
import { KnownProblem } from '../problem';
import type { Asked, Told } from './asked';

/** Requests that may wait for a thread; the next one is told that all are busy. */
const MOST_WAITING = 8;
/** The best of so many seeds, where threads are free for them. */
const SEEDS = 2;
const BUSY = 'Every thread that plans is at work, and others wait. Send it again in a while.';

/** Plans in threads beside the server, and says so when all of them are at work. */
export interface Planner {
  /** The best plan found; ends early, with the best so far, when `signal` fires. Throws a known problem. */
  plan(request: PlanRequest, signal: AbortSignal): Promise<Planned>;
  close(): Promise<void>;
}

/** `file` is the bundled thread; `unsound` hears of plans the checker refused, each with its seed. */
export function openPlanner(file: string, threads: number, unsound: (message: string) => void): Planner {
  const pool = new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: threads,
    maxQueue: MOST_WAITING,
    idleTimeout: 30_000,
  });
  let running = 0;

  async function one(asked: Asked): Promise<Told> {
    running++;
    try {
      return await pool.run(asked);
    } finally {
      running--;
    }
  }

  return {
    async plan(request, signal) {
      if (pool.queueSize >= MOST_WAITING) throw new KnownProblem('busy', { detail: BUSY });
      const stop = new SharedArrayBuffer(4);
      const end = () => Atomics.store(new Int32Array(stop), 0, 1);
      signal.addEventListener('abort', end, { once: true });
      const free = Math.max(1, Math.min(SEEDS, threads - running));
      const seeds = Array.from({ length: free }, (_, index) => ({ ...request, seed: request.seed + index * 7_919 }));
      try {
        return bestOf(await Promise.all(seeds.map((each) => one({ request: each, stop }))), unsound);
      } finally {
        signal.removeEventListener('abort', end);
      }
    },
    close: () => pool.destroy(),
  };
}

/** The best of what several searches of one request told. Throws a known problem where no plan can be made of it. */
export function bestOf(told: readonly Told[], unsound: (message: string) => void): Planned {
  for (const each of told) if ('unsound' in each) unsound(each.unsound);
  const refused = told.find((each) => 'refused' in each);
  if (refused && 'refused' in refused) throw new KnownProblem('invalid', { errors: [...refused.refused] });
  const [first, ...others] = told.flatMap((each) => ('planned' in each ? [each.planned] : []));
  if (!first) throw new Error('no plan passed the checker');
  return others.reduce((best, each) => (isBetter(each, best) ? withBounds(each, best) : withBounds(best, each)), first);
}

const isBetter = (one: Planned, than: Planned): boolean =>
  one.unplaced.length !== than.unplaced.length
    ? one.unplaced.length < than.unplaced.length
    : sumOf(one.objective) < sumOf(than.objective);

/** A plan with the higher of two proven bounds: each is proven of every plan of the request. */
function withBounds(plan: Planned, other: Planned): Planned {
  if (plan.unplaced.length || other.unplaced.length) return plan;
  const higher = (key: keyof Planned['bound']) => Math.max(plan.bound[key], other.bound[key]);
  return {
    ...plan,
    bound: {
      heldMinutes: higher('heldMinutes'),
      weightedLateness: higher('weightedLateness'),
      setupMinutes: higher('setupMinutes'),
      makespanMinutes: higher('makespanMinutes'),
    },
    boundSum: Math.max(plan.boundSum, other.boundSum),
    elapsedMs: Math.max(plan.elapsedMs, other.elapsedMs),
    decodes: plan.decodes + other.decodes,
    steps: plan.steps + other.steps,
  };
}
