import { must, type Nanometres, parseLength, thinnest } from '../measure';
import type { Reading } from '../reading';
import { lifeOf, type PartLife, type Place } from '../trailer';
import { FORECAST, WEARING, type WearingKind } from './settings';

/** A reading as far as wear is concerned: when, how much is left (or how far it went), by whom, at which distance. */
export interface Point {
  at: string;
  nm: Nanometres;
  /** As it was written. */
  text: string;
  by: string;
  /** What the unit's meter stood at then, in metres; null where that is not known. */
  metres: number | null;
  /** The maker's mark on the part itself, where the reading brought it. */
  marked: string | null;
}

/** One part's time at a place: its readings, and how it is known to have begun. */
export interface Life {
  /** `fitted`: written down; `seems-new`: it read better than before, and nobody wrote down why. */
  began: 'first-reading' | 'fitted' | 'seems-new';
  since: string;
  points: Point[];
}

export const isWearing = (kind: string): kind is WearingKind => (WEARING as readonly string[]).includes(kind);
/** More of it is better: a lining; less of it is: a stroke. */
export const wearsDown = (kind: WearingKind): boolean => kind !== 'drum' && kind !== 'stroke-applied';

/** What a reading says of wear; null for a kind that does not wear. */
export function wornTo(reading: Reading): { nm: Nanometres; text: string; marked: string | null } | null {
  switch (reading.kind) {
    case 'lining':
      return { ...thinnest(reading.points), marked: null };
    case 'tread':
      return { ...thinnest(...reading.grooves), marked: null };
    case 'drum':
    case 'rotor':
      return { nm: must(parseLength(reading.value, 'none')), text: reading.value, marked: reading.marked ?? null };
    case 'stroke-applied':
      return { nm: must(parseLength(reading.value, 'none')), text: reading.value, marked: null };
    default:
      return null;
  }
}

/** How much better a reading is than the one before it; negative where it wore. */
const better = (kind: WearingKind, before: Point, now: Point): number =>
  wearsDown(kind) ? now.nm - before.nm : before.nm - now.nm;

/**
 * The lives of the parts at one place, the oldest first: a new one begins where a part was fitted, and where a reading is
 * so much better than the one before that it can only be of another part. `points` in the order of their time.
 */
export function livesAt(
  kind: WearingKind,
  place: Place,
  points: readonly Point[],
  fitted: readonly PartLife[],
): Life[] {
  const lives: Life[] = [];
  const begin = (began: Life['began'], since: string, point: Point) => lives.push({ began, since, points: [point] });
  for (const point of points) {
    const last = lives.at(-1);
    const before = last?.points.at(-1);
    const part = lifeOf(
      fitted.filter(({ since }) => since <= point.at),
      { kind, ...place },
    );
    if (part && (!last || part.since > last.since) && (!before || before.at < part.since))
      begin('fitted', part.since, point);
    else if (!last || !before) begin('first-reading', point.at, point);
    else if (better(kind, before, point) >= FORECAST.kinds[kind].renewedBy) begin('seems-new', point.at, point);
    else last.points.push(point);
  }
  return lives;
}
