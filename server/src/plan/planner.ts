import { MessageChannel } from 'node:worker_threads';
import type { PlanWeights } from '@zealous-axle/core';
import { type Planned, type PlanRequest, type Slot, sumOf, weightsOf } from '@zealous-axle/core/plan';
import { Piscina } from 'piscina';
import { KnownProblem } from '../problem';
import type { Asked, Progress, Said, Told } from './asked';
import type { Prover } from './prove';

export type { Progress } from './asked';

/** The best of so many seeds, where threads are free for them. */
const SEEDS = 2;
const BUSY = 'The planner is busy. Try again in a minute.';

const TOO_LATE = 'Not enough time for even one plan. Allow more time, or send fewer jobs.';

/** From which plan a search starts, and who hears how far it is. */
export interface SearchFrom {
  /** A plan that is known: the answer is never worse. */
  from?: readonly Slot[];
  /** The plan that stood, to be changed as little as pays. */
  again?: readonly Slot[];
  progress?: (progress: Progress) => void;
  /** How many seeds at most; as many as there are threads for, up to two, where it is not said. */
  seeds?: number;
}

/** Plans in threads beside the server, and says so when all of them are at work. */
export interface Planner {
  /** The best plan found; ends early, with the best so far, when `signal` fires. Throws a known problem. */
  plan(request: PlanRequest, signal: AbortSignal, from?: SearchFrom): Promise<Planned>;
  /** Tries to prove a plan the best there is, and answers with the better one where it is not. Absent where nothing can prove. */
  prove?: Prover;
  close(): Promise<void>;
}

interface Threads {
  threads: number;
  /** Requests that may wait for a thread. */
  waiting: number;
  /** Hears of plans the checker refused, each with its seed. */
  unsound: (message: string) => void;
}

/** What a thread may hold in memory, in megabytes. */
const MOST_MEMORY_MB = 512;
/** A thread ends what it is asked by its own clock; one that is so much later has lost it, and is ended. */
const OBEYS = { share: 1.1, ms: 2_000 };

/** `file` is the bundled thread. */
export function openPlanner(file: string, { threads, waiting, unsound }: Threads): Planner {
  const pool = new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: threads,
    // Beside those that may wait, one for each thread that is woken in place of another.
    maxQueue: waiting + threads,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  let running = 0;

  async function one(asked: Asked, progress: SearchFrom['progress']): Promise<Told> {
    running++;
    const { port1, port2 } = new MessageChannel();
    const lost = new AbortController();
    let timer: NodeJS.Timeout | undefined;
    port1.on('message', (said: Said) => {
      if (said !== 'begun') return progress?.(said);
      timer = setTimeout(() => lost.abort(), asked.request.timeLimitMs * OBEYS.share + OBEYS.ms);
    });
    port1.unref();
    try {
      return await pool.run({ ...asked, port: port2 }, { transferList: [port2], signal: lost.signal });
    } catch (error) {
      // Ended for its time or its memory. What waits needs a thread in its place, which only another task brings.
      if (pool.queueSize) pool.run(null).catch(() => undefined);
      if (lost.signal.aborted || (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
        return { tooLate: true };
      throw error;
    } finally {
      running--;
      clearTimeout(timer);
      port1.close();
    }
  }

  return {
    async plan(request, signal, { from, again, progress, seeds: most = SEEDS } = {}) {
      if (pool.queueSize >= waiting) throw new KnownProblem('busy', { detail: BUSY });
      const stop = new SharedArrayBuffer(4);
      const end = () => Atomics.store(new Int32Array(stop), 0, 1);
      if (signal.aborted) end();
      signal.addEventListener('abort', end, { once: true });
      const free = Math.max(1, Math.min(most, threads - running));
      const told = progress && bestProgress(progress);
      const seeds = Array.from({ length: free }, (_, index) => ({ ...request, seed: request.seed + index * 7_919 }));
      try {
        const all = await Promise.all(seeds.map((each) => one({ request: each, stop, from, again }, told)));
        return bestOf(all, unsound, weightsOf(request));
      } finally {
        signal.removeEventListener('abort', end);
      }
    },
    close: () => pool.destroy(),
  };
}

/** Of several searches' progress only what betters all of them is told. */
function bestProgress(tell: (progress: Progress) => void): (progress: Progress) => void {
  let best = Number.POSITIVE_INFINITY;
  return (progress) => {
    if (progress.sum >= best) return;
    best = progress.sum;
    tell(progress);
  };
}

/** The best of what several searches of one request told. Throws a known problem where no plan can be made of it. */
export function bestOf(told: readonly Told[], unsound: (message: string) => void, weights?: PlanWeights): Planned {
  for (const each of told) if ('unsound' in each) unsound(each.unsound);
  const refused = told.find((each) => 'refused' in each);
  if (refused && 'refused' in refused) throw new KnownProblem('invalid', { errors: [...refused.refused] });
  const [first, ...others] = told.flatMap((each) => ('planned' in each ? [each.planned] : []));
  if (!first && told.some((each) => 'tooLate' in each)) throw new KnownProblem('too-slow', { detail: TOO_LATE });
  if (!first) throw new Error('no plan passed the checker');
  return others.reduce(
    (best, each) => (isBetter(each, best, weights) ? withBounds(each, best) : withBounds(best, each)),
    first,
  );
}

const isBetter = (one: Planned, than: Planned, weights?: PlanWeights): boolean =>
  one.unplaced.length !== than.unplaced.length
    ? one.unplaced.length < than.unplaced.length
    : sumOf(one.objective, weights) < sumOf(than.objective, weights);

/** The highest bounds of several plans of one request: each is proven of every plan of it. */
export function highestBounds(plans: readonly Planned[]): Pick<Planned, 'bound' | 'boundSum'> {
  const highest = (of: (plan: Planned) => number) => Math.max(...plans.map(of));
  return {
    bound: {
      heldMinutes: highest(({ bound }) => bound.heldMinutes),
      weightedLateness: highest(({ bound }) => bound.weightedLateness),
      setupMinutes: highest(({ bound }) => bound.setupMinutes),
      makespanMinutes: highest(({ bound }) => bound.makespanMinutes),
    },
    boundSum: highest(({ boundSum }) => boundSum),
  };
}

/** A plan with the higher of two proven bounds. */
function withBounds(plan: Planned, other: Planned): Planned {
  if (plan.unplaced.length || other.unplaced.length) return plan;
  return {
    ...plan,
    ...highestBounds([plan, other]),
    elapsedMs: Math.max(plan.elapsedMs, other.elapsedMs),
    decodes: plan.decodes + other.decodes,
    steps: plan.steps + other.steps,
  };
}
