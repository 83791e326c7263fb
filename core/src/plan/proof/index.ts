/** Proving a small plan the best there is, or finding the better one, with a constraint solver that is asked from outside. */

import {
  checkPlan,
  instantOf,
  modelOf,
  objectiveOf,
  type PlanAnswer,
  type PlanRequest,
  PlanUnsound,
  type Slot,
  sumOf,
  weightsOf,
} from '../solver';
import { isAskable, type ProofData, proofDataOf } from './data';

export { isAskable } from './data';
export { PROOF_MODEL } from './model';

/** What the solver tells of a plan: by job, in units of the data's grid; bays and people counted from 1. */
export interface Solution {
  start: number[];
  end: number[];
  length: number[];
  bay: number[];
  does: boolean[][];
}

/** A question to the solver: its data, and what its answers mean. */
export interface Proof {
  figures: ProofData['figures'];
  /** The plan that was found, checked. Throws {@link PlanUnsound} where the checker refuses it. */
  planOf: (solution: Solution) => Omit<PlanAnswer, 'elapsedMs'>;
}

const NO_TERMS = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };

/**
 * Asks for a plan of the request that costs less than the one that was found; null where that cannot be asked: see
 * {@link proofDataOf}. What no crew or bay can ever take has no place in any plan, and is left out of the question.
 */
export function proofOf(request: PlanRequest, found: Pick<PlanAnswer, 'slots' | 'unplaced'>): Proof | null {
  if (!isAskable(request)) return null;
  const all = modelOf(request);
  const never = new Set([...all.unfit.keys()].map((index) => all.jobs[index]?.id));
  if (found.unplaced.some(({ job }) => !never.has(job))) return null;
  const jobs = request.jobs
    .filter(({ id }) => !never.has(id))
    .map((job) => ({ ...job, after: job.after?.filter((id) => !never.has(id)) }));
  const asked = { ...request, jobs };
  const model = modelOf(asked);
  const data = proofDataOf(model, sumOf(objectiveOf(asked, found.slots), weightsOf(request)));
  if (!data) return null;
  const { unit, figures } = data;
  return {
    figures,
    planOf({ start, end, length, bay, does }) {
      const slots = model.jobs
        .map(
          ({ id, minutes }, job): Slot => ({
            job: id,
            bay: model.bays[(bay[job] ?? 0) - 1]?.id ?? '',
            technicians: (does[job] ?? []).flatMap((his, person) => (his ? [model.technicians[person]?.id ?? ''] : [])),
            start: instantOf(model, (start[job] ?? 0) * unit),
            end: instantOf(model, (end[job] ?? 0) * unit),
            setupMinutes: (length[job] ?? 0) * unit - minutes,
          }),
        )
        .sort((a, b) => a.start.localeCompare(b.start));
      const { unplaced } = found;
      const answer = { slots, unplaced, objective: objectiveOf(request, slots), bound: NO_TERMS };
      const breaches = checkPlan(request, answer);
      if (breaches.length) throw new PlanUnsound(request.seed, breaches);
      return answer;
    },
  };
}
