import { type Planned, type PlanRequest, sumOf, weightsOf } from '@zealous-axle/core/plan';
import { isAskable } from '@zealous-axle/core/plan-proof';
import type { Planner, SearchFrom } from './planner';
import { isProven, type Prover } from './prove';
import settings from './settings.json';

const { fromMs, firstShare } = settings.proof;

/**
 * A planner that also proves: a small shop is searched for a part of the time, and for the rest of it the solver goes on
 * from what was found, beside the search. What is proven the best ends both.
 */
export function provingPlanner(planner: Planner, prover: Prover): Planner {
  const whole = async (request: PlanRequest, signal: AbortSignal, from: SearchFrom): Promise<Planned> => {
    const begun = performance.now();
    const firstMs = request.timeLimitMs * firstShare;
    const first = await planner.plan({ ...request, timeLimitMs: firstMs }, signal, from);
    const left = request.timeLimitMs - (performance.now() - begun);
    if (signal.aborted || left <= 0 || isProven(first, request)) return first;
    const end = new AbortController();
    const stop = () => end.abort();
    signal.addEventListener('abort', stop, { once: true });
    const told = (plan: Planned) =>
      from.progress?.({ sum: sumOf(plan.objective, weightsOf(request)), elapsedMs: performance.now() - begun });
    // Who is busy now has already found a plan.
    const goingOn = planner
      .plan({ ...request, timeLimitMs: left }, end.signal, { ...from, from: first.slots, seeds: 1 })
      .catch(() => first);
    const proven = await prover(request, first, left, end.signal, told);
    if (isProven(proven, request)) end.abort();
    const searched = await goingOn;
    signal.removeEventListener('abort', stop);
    return { ...bestOfBoth(proven, searched, request), elapsedMs: performance.now() - begun };
  };
  return {
    ...planner,
    plan: (request, signal, from = {}) =>
      from.again || request.timeLimitMs < fromMs || !isAskable(request)
        ? planner.plan(request, signal, from)
        : whole(request, signal, from),
    prove: prover,
  };
}

function bestOfBoth(proven: Planned, searched: Planned, request: PlanRequest): Planned {
  const sum = ({ objective }: Planned) => sumOf(objective, weightsOf(request));
  const fewer = proven.unplaced.length - searched.unplaced.length;
  const best = (fewer || sum(proven) - sum(searched)) <= 0 ? proven : searched;
  return {
    ...best,
    boundSum: Math.max(proven.boundSum, searched.boundSum),
    steps: proven.steps + searched.steps,
    decodes: proven.decodes + searched.decodes,
  };
}
