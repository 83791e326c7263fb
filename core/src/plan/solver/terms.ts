import type { Objective, PlanRequest, Slot } from '../wire';
import type { Put } from './decode';
import type { Model } from './figures';
import { modelOf } from './model';

/** The four terms of what is put where. */
export function termsOf(model: Model, puts: readonly Put[]): Objective {
  const ends = new Map(puts.map(({ job, end }) => [job, end]));
  const held = new Map<number, number>();
  let late = 0;
  for (const [index, job] of model.jobs.entries()) {
    const end = ends.get(index);
    if (end !== undefined) late += job.weight * Math.max(0, end - job.due);
    if (job.outOfService) held.set(job.trailer, Math.max(held.get(job.trailer) ?? 0, end ?? model.exactHorizon));
  }
  return {
    heldMinutes: [...held.values()].reduce((sum, each) => sum + Math.max(0, each), 0),
    weightedLateness: late,
    setupMinutes: puts.reduce((sum, { setup }) => sum + setup, 0),
    makespanMinutes: Math.max(0, ...puts.map(({ end }) => end)),
  };
}

const minutesOf = ({ zero }: Model, instant: string): number => Math.round((Date.parse(instant) - zero) / 60_000);

/** The four terms of a plan of a request, whoever made it: what has no slot is not done before the horizon. */
export function objectiveOf(request: PlanRequest, slots: readonly Slot[]): Objective {
  // The terms are of slots alone: pins have none of their own.
  const model = modelOf({ ...request, jobs: request.jobs.map((job) => ({ ...job, pinned: null })) });
  const jobs = new Map(model.jobs.map(({ id }, index) => [id, index]));
  const puts = slots.flatMap(({ job, start, end, setupMinutes }): Put[] => {
    const index = jobs.get(job);
    if (index === undefined) return [];
    const [from, to] = [minutesOf(model, start), minutesOf(model, end)];
    return [{ job: index, bay: 0, technicians: [], start: from, end: to, setup: setupMinutes }];
  });
  return termsOf(model, puts);
}
