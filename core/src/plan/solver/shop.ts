import type { Model } from './figures';
import { NEVER } from './figures';
import type { Span } from './spans';
import { without } from './spans';

/**
 * A stretch of a bay between what is pinned there: visits stand in it one after the other. A bay without pins is one room.
 */
export interface Room {
  bay: number;
  from: number;
  to: number;
  /** The pinned stay just before, to be gone on with by its own trailer; -1 where there is none. */
  after: number;
  /** The pinned stay that ends it, to be joined by its own trailer; -1 where there is none. */
  before: number;
  /** The only trailer that may use it: it lies between two pinned jobs of one stay. -1 for any. */
  only: number;
}

/** Pinned jobs of one trailer that follow each other in one bay: its stay there. */
export interface Stay {
  bay: number;
  trailer: number;
  from: number;
  to: number;
  groups: number[];
  /** When it is worked on there, in order. */
  slots: Span[];
}

/** The stays that the pinned jobs make, in their order of time. */
export function pinnedStays({ jobs }: Model): Stay[] {
  const pins = jobs.flatMap((job) => (job.pinned ? [{ job, ...job.pinned }] : [])).sort((a, b) => a.start - b.start);
  const stays: Stay[] = [];
  for (const { job, bay, start, end } of pins) {
    const inBay = stays.filter((stay) => stay.bay === bay).at(-1);
    const ofTrailer = stays.filter((stay) => stay.trailer === job.trailer).at(-1);
    const own =
      inBay && inBay === ofTrailer
        ? inBay
        : { bay, trailer: job.trailer, from: start, to: end, groups: [] as number[], slots: [] as Span[] };
    if (own !== inBay) stays.push(own);
    own.to = Math.max(own.to, end);
    own.groups.push(job.group);
    own.slots.push({ from: start, to: end });
  }
  return stays;
}

/** The rooms of all bays from now on, the least flexible bays first. */
export function roomsOf({ bays }: Model, stays: readonly Stay[]): Room[] {
  return bays
    .map((bay, index) => ({ bay, index }))
    .sort((a, b) => a.bay.flexibility - b.bay.flexibility || a.index - b.index)
    .flatMap(({ index }) => {
      const rooms: Room[] = [];
      let [from, after] = [0, -1];
      for (const [at, stay] of stays.entries()) {
        if (stay.bay !== index) continue;
        if (stay.from > from) rooms.push({ bay: index, from, to: stay.from, after, before: at, only: -1 });
        for (const [place, slot] of stay.slots.entries()) {
          const next = stay.slots[place + 1];
          if (next && next.from > Math.max(0, slot.to))
            rooms.push({
              bay: index,
              from: Math.max(0, slot.to),
              to: next.from,
              after: at,
              before: at,
              only: stay.trailer,
            });
        }
        from = Math.max(from, stay.to);
        after = at;
      }
      rooms.push({ bay: index, from, to: NEVER, after, before: -1, only: -1 });
      return rooms;
    });
}

/** When each technician can be given work: in a shift, before the horizon, and not where they are pinned. */
export function freeTime({ technicians, jobs, horizon }: Model): Span[][] {
  return technicians.map(({ shifts }, index) => {
    const ahead = shifts
      .map(({ from, to }) => ({ from: Math.max(0, from), to: Math.min(horizon, to) }))
      .filter(({ from, to }) => to > from);
    const taken = jobs.flatMap(({ pinned }) =>
      pinned?.technicians.includes(index) ? [{ from: pinned.start, to: pinned.end }] : [],
    );
    return without(ahead, taken);
  });
}
