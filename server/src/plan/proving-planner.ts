import { type Planned, type PlanRequest, sumOf, weightsOf } from '@zealous-axle/core/plan';
import { isAskable } from '@zealous-axle/core/plan-proof';
import { highestBounds, type Planner, type SearchFrom } from './planner';
import { isProven, type Prover, type Way, waysFor } from './prove';
import settings from './settings.json';

const { within, atOnce, firstShare, searchShare } = settings.proof;

/** Whether a request leaves the time in which a shop of its size is usually proven. */
const hasTime = ({ jobs, timeLimitMs }: PlanRequest): boolean =>
  within.some((each) => jobs.length <= each.jobs && timeLimitMs >= each.ms);

/** The best of several plans of one request, with the highest bounds of all. */
function bestOfAll(plans: readonly Planned[], request: PlanRequest): Planned {
  const sum = ({ objective }: Planned) => sumOf(objective, weightsOf(request));
  const best = plans.reduce((best, each) =>
    (best.unplaced.length - each.unplaced.length || sum(best) - sum(each)) <= 0 ? best : each,
  );
  return { ...best, ...highestBounds(plans) };
}

/**
 * A planner that also proves: a small shop is searched for a part of the time; then the solver goes on from what was
 * found, beside the search, and for the rest of the time in both of its ways, where the shop is small enough for that.
 * What is proven the best ends all. While so many are being proven, others are only searched: each proof takes threads of
 * its own, beside those of the planner.
 */
export function provingPlanner(planner: Planner, prover: Prover): Planner {
  let proving = 0;
  const whole = async (request: PlanRequest, signal: AbortSignal, from: SearchFrom): Promise<Planned> => {
    const begun = performance.now();
    const left = () => request.timeLimitMs - (performance.now() - begun);
    const searchMs = (share: number) => Math.min(left(), request.timeLimitMs * share);
    const first = await planner.plan({ ...request, timeLimitMs: searchMs(firstShare) }, signal, from);
    if (signal.aborted || left() <= 0 || isProven(first, request)) return first;
    const end = new AbortController();
    const stop = () => end.abort();
    signal.addEventListener('abort', stop, { once: true });
    const told = (plan: Planned) =>
      from.progress?.({ sum: sumOf(plan.objective, weightsOf(request)), elapsedMs: performance.now() - begun });
    const prove = async (found: Planned, way: Way) => {
      const proven = await prover(request, found, left(), end.signal, told, [way]);
      if (isProven(proven, request)) stop();
      return proven;
    };
    const both = waysFor(request.jobs.length).length > 1;
    const led = prove(first, 'led');
    const timeLimitMs = both ? searchMs(searchShare) : left();
    const searched = await planner
      .plan({ ...request, timeLimitMs }, end.signal, { ...from, from: first.slots, seeds: 1 })
      // Who is busy now has already found a plan.
      .catch(() => null);
    const best = searched ?? first;
    const free = both && !end.signal.aborted && left() > 0 ? await prove(best, 'free') : best;
    const answer = bestOfAll([await led, free, best], request);
    signal.removeEventListener('abort', stop);
    return {
      ...answer,
      elapsedMs: performance.now() - begun,
      steps: first.steps + (searched?.steps ?? 0),
      decodes: first.decodes + (searched?.decodes ?? 0),
    };
  };
  return {
    ...planner,
    plan: (request, signal, from = {}) => {
      if (from.again || proving >= atOnce || !hasTime(request) || !isAskable(request))
        return planner.plan(request, signal, from);
      proving++;
      return whole(request, signal, from).finally(() => {
        proving--;
      });
    },
    prove: prover,
  };
}
