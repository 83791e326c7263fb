import { type KeptSlot, type PlanRequest, type Slot, shopRequest } from '@zealous-axle/core';
import { checkPlan, withoutBrokenPins } from '@zealous-axle/core/plan';
import type { Facts } from './facts';

const NOTHING = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const MINUTE_MS = 60_000;
/** What was planned from now on may be sent a while later: its first slots then begin a little before. */
const STILL_NOW_MINUTES = 30;

export interface Standing {
  /** What a search is asked: pins that no longer hold are taken out of it. */
  request: PlanRequest;
  /** The slots that a search starts from. */
  before: Slot[];
  begun: KeptSlot[];
  /** What of the plan no longer holds, job by job, and why. */
  notes: { job: string; message: string }[];
}

/** The rules that some slots break, were they the plan of their jobs alone. */
export function breachesOf(request: PlanRequest, slots: readonly Slot[]): { job: string; message: string }[] {
  const here = new Map(slots.map((slot) => [slot.job, slot]));
  const jobs = request.jobs.flatMap((job) => {
    const slot = here.get(job.id);
    if (!slot) return [];
    // What may still begin stands where it was to have begun.
    const late = slot.start < request.now ? { bay: slot.bay, technicians: slot.technicians, start: slot.start } : null;
    return [{ ...job, after: job.after?.filter((id) => here.has(id)), pinned: late ?? job.pinned }];
  });
  const breaches = checkPlan(
    { ...request, jobs },
    { slots: [...slots], unplaced: [], objective: NOTHING, bound: NOTHING },
  );
  return breaches.flatMap(({ rule, job, message }) => (job && rule !== 'sum' ? [{ job, message }] : []));
}

/** A shop as it stands, and what of its plan still does. */
export function standingOf(facts: Facts): Standing {
  const { request: asked, before, begun } = shopRequest(facts);
  const { request, broken } = withoutBrokenPins(asked);
  const jobs = new Map(facts.jobs.map((each) => [each.id, each]));
  const here = new Set(before.map(({ job }) => job));
  const missed = facts.slots.flatMap(({ job }) =>
    jobs.get(job)?.begun === null && !here.has(job) ? [{ job, message: 'should have started by now' }] : [],
  );
  // A slot that stands pinned is held against its own pin, and the others against it; what was to begin just now is held
  // against everything, as it is where the plan is published.
  const since = plannedAt(before, new Date(request.now)).toISOString();
  const breaches = breachesOf({ ...request, now: since }, before);
  const wrong = new Set(breaches.map(({ job }) => job));
  // Not begun in fact, and no longer as it should be: a search may put it elsewhere.
  const stands = before.filter(({ job, start }) => start >= request.now || !wrong.has(job));
  return { request, before: stands, begun, notes: [...broken, ...missed, ...breaches] };
}

/** What asks for another plan: said once, however often it is looked at, and whoever asked. */
export const signatureOf = ({ notes, request, before }: Standing): string =>
  JSON.stringify([
    notes.map(({ job, message }) => [job, message]),
    request.jobs.map(({ id }) => id).filter((id) => !before.some(({ job }) => job === id)),
  ]);

/** As of when a plan was made: a little before now, where its first slots begin then. */
export function plannedAt(slots: readonly Slot[], now: Date): Date {
  const first = Math.min(now.getTime(), ...slots.map(({ start }) => Date.parse(start)));
  return new Date(Math.max(first, now.getTime() - STILL_NOW_MINUTES * MINUTE_MS));
}
