import { sumOf, weightsOf } from '../weights';
import type { Objective, PlanJob, PlanRequest, Slot } from '../wire';
import { type PlanOptions, plan } from './plan';

/** What keeps a job from standing earlier. */
export type Binding =
  | { by: 'pin' }
  | { by: 'now' }
  | { by: 'release' }
  | { by: 'after'; job: string }
  | { by: 'trailer'; job: string }
  | { by: 'bay'; bay: string; trailer: string }
  | { by: 'bay-hours'; bay: string }
  | { by: 'person'; technician: string; job: string }
  | { by: 'shift'; technician: string }
  | { by: 'others' };

/** Why a job stands where it stands. */
export interface Explanation {
  job: string;
  binding: Binding[];
  /** Jobs of its stay that it shares a set-up with. */
  shares: string[];
  /** Minutes after its due moment. */
  lateMinutes: number;
}

const MINUTE_MS = 60_000;
const ms = (instant: string): number => Date.parse(instant);

function bindingOf(request: PlanRequest, slots: readonly Slot[], job: PlanJob, slot: Slot): Binding[] {
  const jobs = new Map(request.jobs.map((each) => [each.id, each]));
  if (job.pinned) return [{ by: 'pin' }];
  const start = ms(slot.start);
  if (start <= ms(request.now)) return [{ by: 'now' }];
  const ending = slots.filter((each) => each !== slot && ms(each.end) === start);
  const out: Binding[] = [];
  if (job.release && Math.abs(ms(job.release) - start) < MINUTE_MS) out.push({ by: 'release' });
  for (const each of ending) {
    const other = jobs.get(each.job);
    if (job.after?.includes(each.job)) out.push({ by: 'after', job: each.job });
    if (other?.trailer === job.trailer) out.push({ by: 'trailer', job: each.job });
    else if (each.bay === slot.bay) out.push({ by: 'bay', bay: each.bay, trailer: other?.trailer ?? '' });
    for (const technician of slot.technicians)
      if (each.technicians.includes(technician) && other?.trailer !== job.trailer)
        out.push({ by: 'person', technician, job: each.job });
  }
  for (const technician of slot.technicians)
    if (request.technicians.find(({ id }) => id === technician)?.shifts.some(([from]) => ms(from) === start))
      out.push({ by: 'shift', technician });
  if (request.bays.find(({ id }) => id === slot.bay)?.open.some(([from]) => ms(from) === start))
    out.push({ by: 'bay-hours', bay: slot.bay });
  return out.length ? out : [{ by: 'others' }];
}

/** For each job of a plan, what binds it, whom it shares a set-up with, and how late it is. */
export function explain(request: PlanRequest, slots: readonly Slot[]): Explanation[] {
  const jobs = new Map(request.jobs.map((each) => [each.id, each]));
  return slots.flatMap((slot) => {
    const job = jobs.get(slot.job);
    if (!job) return [];
    const shares = slots.filter((other) => {
      const mate = jobs.get(other.job);
      const same = mate?.trailer === job.trailer && mate.axle === job.axle && mate.setup === job.setup;
      return other !== slot && job.setup && same && other.bay === slot.bay;
    });
    return [
      {
        job: job.id,
        binding: bindingOf(request, slots, job, slot),
        shares: shares.map((each) => each.job),
        lateMinutes: job.due ? Math.max(0, Math.round((ms(slot.end) - ms(job.due)) / MINUTE_MS)) : 0,
      },
    ];
  });
}

/** What one hour more of a person or a bay would give: solved again with it. */
export interface Gain {
  of: { technician: string } | { bay: string };
  /** What the weighted sum falls by; never below nothing. */
  sum: number;
  /** What each term falls by; one may rise where others fall more. */
  terms: Objective;
}

const HOUR_MS = 3_600_000;
/** The first span that is not over is an hour longer, unless the next one begins before. */
function longer(spans: readonly [string, string][], now: string): [string, string][] | null {
  const index = spans.findIndex(([, to]) => ms(to) > ms(now));
  const span = spans[index];
  if (!span) return null;
  const next = spans[index + 1];
  const to = Math.min(ms(span[1]) + HOUR_MS, next ? ms(next[0]) : Number.POSITIVE_INFINITY);
  if (to <= ms(span[1])) return null;
  return spans.map((each, at) => (at === index ? [each[0], new Date(to).toISOString()] : each));
}

/**
 * What an hour more today of each person, and of each bay that is not always open, would give: each is planned again from
 * the plan that stands, with `steps` each. The best first; what gives nothing is left out.
 */
export function gains(
  request: PlanRequest,
  slots: readonly Slot[],
  objective: Objective,
  options: Pick<PlanOptions, 'steps' | 'stop'> = {},
): Gain[] {
  const out: Gain[] = [];
  const tried = (of: Gain['of'], changed: PlanRequest) => {
    if (options.stop?.()) return;
    const again = plan(changed, { ...options, from: slots, proof: false });
    const weights = weightsOf(request);
    const sum = sumOf(objective, weights) - sumOf(again.objective, weights);
    if (again.unplaced.length || sum <= 0) return;
    const less = (key: keyof Objective) => objective[key] - again.objective[key];
    out.push({
      of,
      sum,
      terms: {
        heldMinutes: less('heldMinutes'),
        weightedLateness: less('weightedLateness'),
        setupMinutes: less('setupMinutes'),
        makespanMinutes: less('makespanMinutes'),
      },
    });
  };
  for (const [index, { id, shifts }] of request.technicians.entries()) {
    const more = longer(shifts, request.now);
    if (more)
      tried(
        { technician: id },
        {
          ...request,
          technicians: request.technicians.map((each, at) => (at === index ? { ...each, shifts: more } : each)),
        },
      );
  }
  for (const [index, { id, open }] of request.bays.entries()) {
    const more = longer(open, request.now);
    if (more)
      tried(
        { bay: id },
        { ...request, bays: request.bays.map((each, at) => (at === index ? { ...each, open: more } : each)) },
      );
  }
  return out.sort((a, b) => b.sum - a.sum);
}
