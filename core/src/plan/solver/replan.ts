import { sumOf, weightsOf } from '../weights';
import type { PlanJob, PlanRequest, Slot } from '../wire';
import { checkPlan } from './check';
import { type Planned, type PlanOptions, plan } from './plan';
import { PlanRefused } from './refused';

const MINUTE_MS = 60_000;
/** How many more trailers each widening frees. */
const WIDER = [0, 4, 8, 16, 32];
/** The share of the time that each of them has. */
const SHARES = [0.25, 0.25, 0.2, 0.15, 0.15];

export interface Replanned extends Planned {
  /** Jobs that stood in the plan before and stand elsewhere now, or at another time. */
  moved: string[];
  /** Jobs that could not stay where they were. */
  disturbed: string[];
}

const NO_TERMS = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const ms = (instant: string): number => Date.parse(instant);

/** A slot as long as its job now is. */
const asLongAsNow = (slot: Slot, job: PlanJob): Slot => ({
  ...slot,
  end: new Date(Math.max(ms(slot.end), ms(slot.start) + (job.minutes + slot.setupMinutes) * MINUTE_MS)).toISOString(),
});

/** Whether a plan still has a slot where the promise was. */
const isMoved = (slot: Slot, now: Slot | undefined): boolean =>
  !now || now.bay !== slot.bay || ms(now.start) !== ms(slot.start);

/** A request with these slots pinned, each with the set-up it had. */
function pinned(request: PlanRequest, slots: readonly Slot[]) {
  const byJob = new Map(slots.map((slot) => [slot.job, slot]));
  return {
    request: {
      ...request,
      jobs: request.jobs.map((job) => {
        const slot = byJob.get(job.id);
        if (!slot || job.pinned) return job;
        return { ...job, pinned: { bay: slot.bay, technicians: slot.technicians, start: slot.start } };
      }),
    },
    held: new Map(slots.map((slot) => [slot.job, slot.setupMinutes])),
  };
}

/** Of the slots of a plan, those that can stay as things are now; whatever else of their trailers moves is freed too. */
function staying(request: PlanRequest, slots: readonly Slot[]): Slot[] {
  const jobs = new Map(request.jobs.map((job) => [job.id, job]));
  const begun = (slot: Slot) => ms(slot.start) < ms(request.now);
  let left = slots.flatMap((slot) => {
    const job = jobs.get(slot.job);
    return job ? [begun(slot) ? asLongAsNow(slot, job) : { ...slot, end: endNow(slot, job) }] : [];
  });
  for (;;) {
    const frozen = pinned(request, left);
    const here = new Set(left.map(({ job }) => job));
    const asked = { ...frozen.request, jobs: frozen.request.jobs.filter(({ id }) => here.has(id)) };
    const after = {
      ...asked,
      jobs: asked.jobs.map((job) => ({ ...job, after: job.after?.filter((id) => here.has(id)) })),
    };
    const breaches = checkPlan(after, { slots: left, unplaced: [], objective: NO_TERMS, bound: NO_TERMS });
    const broken = new Set(breaches.flatMap(({ rule, job }) => (job && rule !== 'sum' ? [job] : [])));
    const trailers = new Set(
      left.flatMap((slot) => (broken.has(slot.job) && !begun(slot) ? [jobs.get(slot.job)?.trailer] : [])),
    );
    const next = left.filter((slot) => begun(slot) || !trailers.has(jobs.get(slot.job)?.trailer));
    if (next.length === left.length) return left;
    left = next;
  }
}

/** The end of a slot that has not begun, by what its job takes now; one that is split ends where it did. */
function endNow(slot: Slot, job: PlanJob): string {
  const work = (job.minutes + slot.setupMinutes) * MINUTE_MS;
  return ms(slot.end) - ms(slot.start) > work + 60 * MINUTE_MS
    ? slot.end
    : new Date(ms(slot.start) + work).toISOString();
}

/** Trailers by how near their work is to some moments, bays and people: the nearest first. */
function nearest(request: PlanRequest, slots: readonly Slot[], freed: ReadonlySet<string>): string[] {
  const trailerOf = new Map(request.jobs.map((job) => [job.id, job.trailer]));
  const touched = slots.filter((slot) => freed.has(trailerOf.get(slot.job) ?? ''));
  const distance = (slot: Slot) =>
    Math.min(
      ...touched.map((other) => {
        const apart = Math.abs(ms(slot.start) - ms(other.start)) / MINUTE_MS;
        const shares = slot.bay === other.bay || slot.technicians.some((each) => other.technicians.includes(each));
        return apart + (shares ? 0 : 240);
      }),
    );
  const best = new Map<string, number>();
  for (const slot of slots) {
    const trailer = trailerOf.get(slot.job) ?? '';
    if (!freed.has(trailer)) best.set(trailer, Math.min(best.get(trailer) ?? Number.POSITIVE_INFINITY, distance(slot)));
  }
  return [...best].sort((a, b) => a[1] - b[1] || (a[0] < b[0] ? -1 : 1)).map(([trailer]) => trailer);
}

/**
 * Plans again after something changed, from the plan that stood: what has begun and what is pinned stays, what still can
 * stay does, and only trailers that must move are freed – and some near them, as long as that pays more than moving
 * promised slots costs. `request` is the shop as it is now; to plan all of it anew is `plan` by itself.
 */
export function replan(request: PlanRequest, before: readonly Slot[], options: PlanOptions = {}): Replanned {
  const { elapsed, stop = () => false } = options;
  const jobs = new Map(request.jobs.map((job) => [job.id, job]));
  const known = before.filter(({ job }) => jobs.has(job));
  const stay = staying(request, known);
  const stays = new Set(stay.map(({ job }) => job));
  const freed = new Set(request.jobs.flatMap(({ id, trailer }) => (stays.has(id) ? [] : [trailer])));
  const promised = known.filter((slot) => ms(slot.start) >= ms(request.now));
  const order = nearest(request, known, freed);
  const begunAt = elapsed?.() ?? 0;
  const movedIn = (slots: readonly Slot[]) => {
    const now = new Map(slots.map((slot) => [slot.job, slot]));
    return promised.filter((slot) => isMoved(slot, now.get(slot.job))).map(({ job }) => job);
  };
  const weights = weightsOf(request);
  const worth = (answer: Planned) =>
    sumOf(answer.objective, weights) + weights.movedSlot * movedIn(answer.slots).length + 1e12 * answer.unplaced.length;
  let best: Planned | null = null;
  for (const [round, more] of WIDER.entries()) {
    if (round > 0 && (stop() || more > order.length * 2)) break;
    const free = new Set([...freed, ...order.slice(0, more)]);
    const frozen = stay.filter(
      (slot) => ms(slot.start) < ms(request.now) || !free.has(jobs.get(slot.job)?.trailer ?? ''),
    );
    const asked = pinned(request, frozen);
    const share = SHARES.slice(0, round + 1).reduce((sum, each) => sum + each, 0);
    const until = begunAt + request.timeLimitMs * share;
    const left = elapsed ? Math.max(5, until - elapsed()) : request.timeLimitMs;
    const from = elapsed?.() ?? 0;
    try {
      const answer = plan(
        { ...asked.request, timeLimitMs: left },
        {
          ...options,
          elapsed: elapsed ? () => elapsed() - from : undefined,
          held: asked.held,
          promised,
          from: best?.slots ?? known,
          proof: false,
        },
      );
      if (!best || worth(answer) < worth(best)) best = answer;
    } catch (error) {
      // A frozen slot that cannot be pinned: with more of it free, the next round can.
      if (!(error instanceof PlanRefused) || round === WIDER.length - 1) throw error;
    }
  }
  const answer = best ?? plan(request, { ...options, proof: false });
  return {
    ...answer,
    elapsedMs: elapsed?.() ?? 0,
    moved: movedIn(answer.slots),
    disturbed: known.flatMap(({ job }) => (stays.has(job) ? [] : [job])),
  };
}
