// The planner in a worker of the browser: the same code as the server's threads, without a clock, so that the same seed
// and steps give the same plan everywhere. Each message asks one thing, and is answered by one of the same number.

import { explain, gains } from '../../core/src/plan/solver/explain';
import { modelOf } from '../../core/src/plan/solver/model';
import { plan } from '../../core/src/plan/solver/plan';
import { PlanRefused } from '../../core/src/plan/solver/refused';
import { replan } from '../../core/src/plan/solver/replan';
import { objectiveOf } from '../../core/src/plan/solver/terms';
import type { PlanJob, PlanRequest, Slot } from '../../core/src/plan/wire';

type Pin = NonNullable<PlanJob['pinned']>;

/** What the worker can be asked. */
export type PlanQuestion =
  | { ask: 'plan'; request: PlanRequest; steps: number; from?: readonly Slot[] }
  | { ask: 'again'; request: PlanRequest; steps: number; before: readonly Slot[] }
  /** The first of these places that a job may be pinned at, and what the first of them breaks where none is. */
  | { ask: 'fits'; request: PlanRequest; job: string; places: readonly Pin[] }
  | { ask: 'terms'; request: PlanRequest; slots: readonly Slot[] }
  | { ask: 'explain'; request: PlanRequest; slots: readonly Slot[] }
  | { ask: 'gains'; request: PlanRequest; slots: readonly Slot[]; steps: number };

const pinnedAt = (request: PlanRequest, job: string, pinned: Pin): PlanRequest => ({
  ...request,
  jobs: request.jobs.map((each) => (each.id === job ? { ...each, pinned } : each)),
});

function whyNot(request: PlanRequest): string | null {
  try {
    modelOf(request);
    return null;
  } catch (error) {
    if (error instanceof PlanRefused) return error.errors[0]?.message ?? error.message;
    throw error;
  }
}

function fits(request: PlanRequest, job: string, places: readonly Pin[]): { place: Pin | null; why: string | null } {
  let first: string | null = null;
  for (const place of places) {
    const why = whyNot(pinnedAt(request, job, place));
    if (why === null) return { place, why: null };
    first ??= why;
  }
  return { place: null, why: first };
}

function answer(asked: PlanQuestion): unknown {
  switch (asked.ask) {
    case 'plan':
      return plan(asked.request, { steps: asked.steps, ...(asked.from?.length ? { from: asked.from } : {}) });
    case 'again':
      return replan(asked.request, asked.before, { steps: asked.steps });
    case 'fits':
      return fits(asked.request, asked.job, asked.places);
    case 'terms':
      return objectiveOf(asked.request, asked.slots);
    case 'explain':
      return explain(asked.request, asked.slots);
    case 'gains': {
      const objective = objectiveOf(asked.request, asked.slots);
      return gains(asked.request, asked.slots, objective, { steps: asked.steps });
    }
  }
}

addEventListener('message', ({ data }: MessageEvent<PlanQuestion & { number: number }>) => {
  const { number } = data;
  try {
    postMessage({ number, done: answer(data) });
  } catch (error) {
    if (error instanceof PlanRefused) postMessage({ number, refused: error.message });
    else postMessage({ number, refused: 'The planner failed here. Ask the server for a plan instead.' });
  }
});
