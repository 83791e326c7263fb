import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import { type Planned, type PlanRequest, PlanUnsound, sumOf, weightsOf } from '@zealous-axle/core/plan';
import { type Proof, proofOf, type Solution } from '@zealous-axle/core/plan-proof';
import settings from './settings.json';

const { bothWays } = settings.proof;

/**
 * How the solver goes about it: `led` decides first until when trailers are held, then how late what is – a plan far from
 * the best is no hindrance –, `free` by what has failed most, sooner done where little is left to gain.
 */
export type Way = 'free' | 'led';

/** What the thread of a proof is given. */
export interface ProofAsked {
  figures: Proof['figures'];
  way: Way;
  solver: WebAssembly.Module;
}

/** What the thread of a proof tells: a better plan, that the search came to its end, or why it cannot go on. */
export type ProofTold = { solution: Solution } | { ended: boolean } | { failed: string };

/**
 * Looks for a plan better than `found` until `ms` have passed or `signal` fires: answers with the best there is, its
 * weighted sum proven, or with the best so far. `better` hears of each better one. Each of the `ways` takes a thread; without
 * them it goes the {@link waysFor} a shop of that size.
 */
export type Prover = (
  request: PlanRequest,
  found: Planned,
  ms: number,
  signal: AbortSignal,
  better?: (plan: Planned) => void,
  ways?: readonly Way[],
) => Promise<Planned>;

/** Of what finds no place before the horizon nothing is proven: then there is no bound. */
export const isProven = ({ objective, boundSum }: Planned, request: PlanRequest): boolean =>
  boundSum > 0 && boundSum >= sumOf(objective, weightsOf(request));

/** A prover whose solver runs in threads of its own, `file`; null where the solver is not installed. `complain` hears of what it made and no checker passed. */
export function openProver(file: string, complain: (message: string) => void): Prover | null {
  let code: string;
  try {
    code = createRequire(file).resolve('minizinc/minizinc.wasm');
  } catch {
    return null;
  }
  // Compiled once: the longer it runs, in whichever thread, the faster its code is made for all of them.
  let solver: Promise<WebAssembly.Module> | null = null;
  return async (request, found, ms, signal, better, ways = waysFor(request.jobs.length)) => {
    const proof = isProven(found, request) ? null : proofOf(request, found);
    if (!proof) return found;
    const begun = performance.now();
    solver ??= readFile(code).then((bytes) => WebAssembly.compile(bytes));
    const compiled = await solver.catch((error) => complain(String(error)));
    if (!compiled) {
      solver = null;
      return found;
    }
    const search = { file, solver: compiled, proof, request, ways, signal, better, complain };
    const told = await searched(search, found, ms - (performance.now() - begun));
    return { ...told, elapsedMs: found.elapsedMs + performance.now() - begun };
  };
}

/** The ways a shop of so many jobs is gone at, each in a thread of its own. */
export const waysFor = (jobs: number): Way[] =>
  jobs >= bothWays.from && jobs <= bothWays.to ? ['free', 'led'] : ['led'];

interface Search {
  file: string;
  solver: WebAssembly.Module;
  proof: Proof;
  request: PlanRequest;
  ways: readonly Way[];
  signal: AbortSignal;
  better: ((plan: Planned) => void) | undefined;
  complain: (message: string) => void;
}

function searched(search: Search, found: Planned, ms: number): Promise<Planned> {
  const { request, ways, signal, better } = search;
  const sum = ({ objective }: Planned) => sumOf(objective, weightsOf(request));
  return new Promise((resolve) => {
    let best = found;
    const end = (isBest: boolean) => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      for (const thread of threads) void thread.terminate();
      resolve(isBest ? { ...best, boundSum: sum(best) } : best);
    };
    const stop = () => end(false);
    const take = (plan: Planned) => {
      if (sum(plan) >= sum(best)) return;
      best = plan;
      better?.(best);
    };
    let left = 0;
    const over = (isBest: boolean) => {
      left--;
      if (isBest || left === 0) end(isBest);
    };
    const threads = ways.map((way) => {
      left++;
      return threadOf(search, way, found, take, over);
    });
    const timer = setTimeout(stop, ms);
    signal.addEventListener('abort', stop, { once: true });
    if (signal.aborted) stop();
  });
}

/** One thread: each better plan goes to `take`; `over` hears once whether it is proven that none is better than the last. */
function threadOf(
  { file, solver, proof, complain }: Search,
  way: Way,
  found: Planned,
  take: (plan: Planned) => void,
  over: (isBest: boolean) => void,
): Worker {
  const workerData: ProofAsked = { figures: proof.figures, way, solver };
  const thread = new Worker(file, { workerData, stdout: true, stderr: true });
  let refused: string | null = null;
  let ended = false;
  const end = (isBest: boolean) => {
    if (!ended) over(isBest);
    ended = true;
  };
  const fail = (message: string) => {
    complain(message);
    end(false);
  };
  thread.on('error', (error) => fail(String(error)));
  thread.on('message', (told: ProofTold) => {
    if ('failed' in told) return fail(told.failed);
    if ('ended' in told) return refused && told.ended ? fail(refused) : end(told.ended);
    try {
      take({ ...found, ...proof.planOf(told.solution) });
      refused = null;
    } catch (error) {
      // On the way to the best it may part a stay in two and pay for both: only the last plan counts.
      if (!(error instanceof PlanUnsound)) return fail(String(error));
      refused = error.message;
    }
  });
  return thread;
}
