import type { Objective, Slot } from './wire';

/** A job that stands otherwise in another plan. */
export interface Move {
  job: string;
  /** `new`: it had no place; `gone`: it has none any more. */
  how: 'new' | 'gone' | 'earlier' | 'later' | 'elsewhere';
  from: Slot | null;
  to: Slot | null;
  /** Minutes later; less than none where it is earlier. */
  by: number;
}

export interface Difference {
  moves: Move[];
  /** What each term rises by. */
  terms: Objective;
}

const minutesBetween = (one: string, other: string): number =>
  Math.round((Date.parse(other) - Date.parse(one)) / 60_000);
const sameCrew = (one: Slot, other: Slot): boolean =>
  [...one.technicians].sort().join() === [...other.technicians].sort().join();

function moveOf(job: string, from: Slot | undefined, to: Slot | undefined): Move | null {
  if (!from || !to)
    return from || to ? { job, how: to ? 'new' : 'gone', from: from ?? null, to: to ?? null, by: 0 } : null;
  const by = minutesBetween(from.start, to.start);
  if (by !== 0) return { job, how: by < 0 ? 'earlier' : 'later', from, to, by };
  return from.bay !== to.bay || !sameCrew(from, to) ? { job, how: 'elsewhere', from, to, by } : null;
}

/** What changes from one plan to another: job by job, and in the terms a plan is wanted by. */
export function planDifference(
  before: { slots: readonly Slot[]; objective: Objective },
  after: { slots: readonly Slot[]; objective: Objective },
): Difference {
  const [old, now] = [before, after].map(({ slots }) => new Map(slots.map((slot) => [slot.job, slot]))) as [
    Map<string, Slot>,
    Map<string, Slot>,
  ];
  const jobs = [...new Set([...now.keys(), ...old.keys()])];
  const more = (key: keyof Objective) => after.objective[key] - before.objective[key];
  return {
    moves: jobs.flatMap((job) => moveOf(job, old.get(job), now.get(job)) ?? []),
    terms: {
      heldMinutes: more('heldMinutes'),
      weightedLateness: more('weightedLateness'),
      setupMinutes: more('setupMinutes'),
      makespanMinutes: more('makespanMinutes'),
    },
  };
}
