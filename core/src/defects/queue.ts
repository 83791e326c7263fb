import { URGENCIES, type Urgency } from './propose';

/** A report that waits for an answer, as far as its place in the queue is concerned. Instants are ISO texts in UTC. */
export interface Waiting {
  unit: string;
  holds: boolean;
  severity: Urgency;
  reportedAt: string;
  /** When its unit leaves next, where that is known. */
  leavesAt: string | null;
}

/** Where a unit's reports stand in the queue: what comes first compares lower, element by element. */
export type QueuePlace = readonly [calm: number, severity: number, leaves: string, oldest: string, unit: string];

const LATER_THAN_ANY = '9999';

const placeOf = ({ unit, holds, severity, reportedAt, leavesAt }: Waiting): QueuePlace => [
  holds ? 0 : 1,
  URGENCIES.indexOf(severity),
  leavesAt ?? LATER_THAN_ANY,
  reportedAt,
  unit,
];

const lower = <T extends string | number>(one: T, other: T): T => (one < other ? one : other);

/** Below zero where the first stands before the second. */
export function compareQueuePlaces(one: QueuePlace, other: QueuePlace): number {
  for (const [nth, value] of one.entries()) {
    const beside = other[nth] as string | number;
    if (value !== beside) return value < beside ? -1 : 1;
  }
  return 0;
}

/** The queue by unit: what holds first, then what presses most, what leaves next, and what has waited longest. */
export function queueOf(waiting: readonly Waiting[]): QueuePlace[] {
  const units = new Map<string, QueuePlace>();
  for (const each of waiting) {
    const own = placeOf(each);
    const known = units.get(each.unit);
    units.set(
      each.unit,
      known ? [lower(known[0], own[0]), lower(known[1], own[1]), own[2], lower(known[3], own[3]), each.unit] : own,
    );
  }
  return [...units.values()].sort(compareQueuePlaces);
}
