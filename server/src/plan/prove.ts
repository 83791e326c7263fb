import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import { type Planned, type PlanRequest, PlanUnsound, sumOf, weightsOf } from '@zealous-axle/core/plan';
import { type Proof, proofOf, type Solution } from '@zealous-axle/core/plan-proof';

/** What the thread of a proof tells: a better plan, that the search came to its end, or why it cannot go on. */
export type ProofTold = { solution: Solution } | { ended: boolean } | { failed: string };

/**
 * Looks for a plan better than `found` until `ms` have passed or `signal` fires: answers with the best there is, its
 * weighted sum proven, or with the best so far. `better` hears of each better one.
 */
export type Prover = (
  request: PlanRequest,
  found: Planned,
  ms: number,
  signal: AbortSignal,
  better?: (plan: Planned) => void,
) => Promise<Planned>;

/** Of what finds no place before the horizon nothing is proven: then there is no bound. */
export const isProven = ({ objective, boundSum }: Planned, request: PlanRequest): boolean =>
  boundSum > 0 && boundSum >= sumOf(objective, weightsOf(request));

/** A prover whose solver runs in a thread of its own, `file`; null where the solver is not installed. `complain` hears of what it made and no checker passed. */
export function openProver(file: string, complain: (message: string) => void): Prover | null {
  try {
    createRequire(file).resolve('minizinc/minizinc-worker.js');
  } catch {
    return null;
  }
  return async (request, found, ms, signal, better) => {
    const proof = isProven(found, request) ? null : proofOf(request, found);
    return proof ? searched({ file, proof, found, request, ms, signal, better, complain }) : found;
  };
}

interface Search {
  file: string;
  proof: Proof;
  found: Planned;
  request: PlanRequest;
  ms: number;
  signal: AbortSignal;
  better: ((plan: Planned) => void) | undefined;
  complain: (message: string) => void;
}

function searched({ file, proof, found, request, ms, signal, better, complain }: Search): Promise<Planned> {
  return new Promise((resolve) => {
    let best = found;
    let refused: string | null = null;
    const begun = performance.now();
    const thread = new Worker(file, { workerData: { figures: proof.figures }, stdout: true, stderr: true });
    const end = (isBest: boolean) => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      void thread.terminate();
      const boundSum = isBest ? sumOf(best.objective, weightsOf(request)) : best.boundSum;
      resolve({ ...best, boundSum, elapsedMs: found.elapsedMs + performance.now() - begun });
    };
    const stop = () => end(false);
    const fail = (message: string) => {
      complain(message);
      end(false);
    };
    const timer = setTimeout(stop, ms);
    signal.addEventListener('abort', stop, { once: true });
    if (signal.aborted) stop();
    thread.on('error', (error) => fail(String(error)));
    thread.on('message', (told: ProofTold) => {
      if ('failed' in told) return fail(told.failed);
      if ('ended' in told) return refused && told.ended ? fail(refused) : end(told.ended);
      try {
        best = { ...best, ...proof.planOf(told.solution), bound: found.bound };
        refused = null;
        better?.(best);
      } catch (error) {
        // On the way to the best it may part a stay in two and pay for both: only the last plan counts.
        if (!(error instanceof PlanUnsound)) return fail(String(error));
        refused = error.message;
      }
    });
  });
}
