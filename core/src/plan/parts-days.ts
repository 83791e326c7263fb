import { type Day, dayAfter } from '../measure';
import { PRIORITIES, type Priority } from './wire';

/** What a job still needs of the parts room, and what was ordered for it. */
export interface JobParts {
  job: string;
  priority: Priority;
  needs: readonly { part: string; count: number }[];
  ordered: readonly { part: string; count: number; due: Day }[];
}

export interface Stock {
  part: string;
  stock: number;
  leadDays: number;
  /** What was ordered for jobs that are over since: it comes all the same. */
  spare: readonly { count: number; due: Day }[];
}

/** A part that runs short: how many are missing, for which jobs, and when they are here if they are ordered today. */
export interface Shortage {
  part: string;
  missing: number;
  jobs: string[];
  /** Null where the parts room does not know the part, so nobody knows when it comes. */
  on: Day | null;
}

export interface PartsDays {
  /** The day each job's last missing part is expected; jobs that miss nothing are not in it. */
  days: Map<string, Day>;
  /** Of these jobs something that is missing is not on its way: the day is the earliest it could be here. */
  toOrder: Set<string>;
  /** Of these jobs something should have been here before today. */
  overdue: Set<string>;
  /** Jobs that need what the parts room does not know: nobody knows whether it is there. */
  unknown: Map<string, string>;
  shortages: Shortage[];
}

/** Takes what a job lacks from what is on its way to nobody, the earliest first; gives what still lacks. */
function fromSpare(spare: { count: number; due: Day }[], lacking: number, expected: (due: Day) => void): number {
  let missing = lacking;
  for (const each of spare) {
    const taken = Math.min(each.count, Math.max(0, missing));
    each.count -= taken;
    missing -= taken;
    if (taken > 0) expected(each.due);
  }
  return missing;
}

/**
 * Shares the parts room out among jobs, the most pressing first, and says when each has what it needs: from stock at
 * once, from its own order or one that nobody waits for on its day, and otherwise after the part's lead time from today.
 */
export function partsDays(jobs: readonly JobParts[], room: readonly Stock[], today: Day): PartsDays {
  const left = new Map(room.map(({ part, stock }) => [part, stock]));
  const lead = new Map(room.map(({ part, leadDays }) => [part, leadDays]));
  const spare = new Map(
    room.map(({ part, spare: own }) => [
      part,
      own.map((each) => ({ ...each })).sort((a, b) => a.due.localeCompare(b.due)),
    ]),
  );
  const days = new Map<string, Day>();
  const unknown = new Map<string, string>();
  const shortages = new Map<string, Shortage>();
  const toOrder = new Set<string>();
  const overdue = new Set<string>();
  const later = (job: string, day: Day) => days.set(job, [days.get(job) ?? '', day].sort().at(-1) ?? day);
  /** What should have been here before and is not comes today at the earliest. */
  const comes = (job: string, due: Day) => {
    if (due < today) overdue.add(job);
    later(job, due < today ? today : due);
  };
  const rank = ({ priority }: JobParts) => PRIORITIES.indexOf(priority);
  for (const job of [...jobs].sort((a, b) => rank(a) - rank(b) || (a.job < b.job ? -1 : 1)))
    for (const { part, count } of job.needs) {
      const orders = job.ordered.filter((each) => each.part === part);
      const coming = orders.reduce((sum, each) => sum + each.count, 0);
      const there = left.get(part) ?? 0;
      const taken = Math.min(there, Math.max(0, count - coming));
      left.set(part, there - taken);
      for (const { due } of orders) comes(job.job, due);
      const missing = fromSpare(spare.get(part) ?? [], count - coming - taken, (due) => comes(job.job, due));
      if (missing <= 0) continue;
      const wait = lead.get(part);
      const on = wait === undefined ? null : dayAfter(today, wait);
      if (on) {
        later(job.job, on);
        toOrder.add(job.job);
      } else unknown.set(job.job, part);
      const known = shortages.get(part) ?? { part, missing: 0, jobs: [], on };
      shortages.set(part, { ...known, missing: known.missing + missing, jobs: [...known.jobs, job.job] });
    }
  return { days, toOrder, overdue, unknown, shortages: [...shortages.values()] };
}
