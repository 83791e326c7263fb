import { type Book, type Limit, limitNm, limitsFor } from '../limits';
import { type Day, dayAfter, must, type Nanometres, parseLength } from '../measure';
import type { WheelEnd } from '../trailer';
import { type Life, type Point, wearsDown } from './lives';
import { FORECAST, type WearingKind } from './settings';
import { type Ahead, aheadOf, reaches, type Slope, slopeOf, type XY } from './slope';

/** Whose limit it is that will be reached. */
export type Whose = 'law' | 'maker' | 'fleet';

/** When a limit is reached: expected, and not before and not after in eight of ten cases. */
export interface Reach {
  on: Day;
  earliest: Day;
  /** Null where it may well never be, or not within what is foreseen. */
  latest: Day | null;
  /** What the meter then reads, in metres; null where it wears by days. */
  metres: number | null;
}

export interface LimitReached {
  whose: Whose;
  value: string;
  nm: Nanometres;
  source: string;
  /** Null where it is not foreseen. */
  reach: Reach | null;
}

export type ForecastState =
  /** When a limit is reached is foreseen. */
  | 'foreseen'
  /** Fewer readings of this part, or over fewer days, than anything could follow from. */
  | 'not-enough'
  /** It does not wear measurably, or reaches nothing within what is foreseen. */
  | 'steady'
  /** It stands past a limit now. */
  | 'past'
  /** There is no limit for it here. */
  | 'no-limit';

/** What is foreseen of one part at one place. */
export interface Foreseen {
  state: ForecastState;
  /** Whether it wears by distance, or – where its readings have none – by days. */
  by: 'distance' | 'days';
  /** Nanometres a day or a metre, falling; null where there are not enough readings. */
  slope: Slope | null;
  limits: LimitReached[];
  /** The limit that is reached first. */
  first: LimitReached | null;
}

const DAY_MS = 86_400_000;
const WHOSE: Record<NonNullable<Limit['from']> | 'book', Whose> = { book: 'law', maker: 'maker', fleet: 'fleet' };

const daysOf = (at: string): number => Date.parse(at) / DAY_MS;
export const enough = ({ points }: Pick<Life, 'points'>): boolean => {
  const [first, last] = [points[0], points.at(-1)];
  return (
    points.length >= FORECAST.leastReadings &&
    first !== undefined &&
    last !== undefined &&
    daysOf(last.at) - daysOf(first.at) >= FORECAST.leastDays
  );
};

/** The limits of a place, and the mark on the part itself. */
function limitsAt(
  book: Book,
  kind: WearingKind,
  end: WheelEnd,
  last: Point | undefined,
): Omit<LimitReached, 'reach'>[] {
  const limits = limitsFor(book, kind, end).map((limit) => ({
    whose: WHOSE[limit.from ?? 'book'],
    value: limit.value,
    nm: limitNm(limit),
    source: limit.source,
  }));
  if (!last?.marked) return limits;
  return [
    ...limits,
    {
      whose: 'maker',
      value: last.marked,
      nm: must(parseLength(last.marked, 'none')),
      source: 'The mark on the part',
    },
  ];
}

/** A life as a line that falls: what grows with wear is turned over. */
function lineOf(kind: WearingKind, { points }: Life, by: Foreseen['by']): XY[] {
  const sign = wearsDown(kind) ? 1 : -1;
  return points.map(({ at, nm, metres }) => ({ x: by === 'distance' ? (metres ?? 0) : daysOf(at), y: sign * nm }));
}

const byOf = ({ points }: Life): Foreseen['by'] => {
  const metres = points.map((point) => point.metres);
  const known = metres.every((each) => each !== null);
  return known && (metres.at(-1) ?? 0) > (metres[0] ?? 0) ? 'distance' : 'days';
};

interface Asked {
  kind: WearingKind;
  end: WheelEnd;
  book: Book;
  /** The life of the part that is fitted now. */
  life: Life;
  /** Metres the unit runs in a day; null where nobody knows. */
  perDay: number | null;
  /** The shop's date of an instant. */
  dayOf: (at: string) => Day;
}

/**
 * When a part reaches each of its limits. It follows from this part's readings alone – never from one it replaced – and
 * from at least three of them over thirty days.
 */
export function foresee({ kind, end, book, life, perDay, dayOf }: Asked): Foreseen {
  const last = life.points.at(-1);
  const meant = limitsAt(book, kind, end, last);
  // Without the distance of a day, no day follows from a distance.
  const by = perDay === null ? 'days' : byOf(life);
  const open = (state: ForecastState): Foreseen => ({
    state,
    by,
    slope: null,
    limits: meant.map((limit) => ({ ...limit, reach: null })),
    first: null,
  });
  if (!last || meant.length === 0) return open('no-limit');
  const sign = wearsDown(kind) ? 1 : -1;
  const past = meant.find(({ nm }) => sign * last.nm < sign * nm);
  if (past) return { ...open('past'), first: { ...past, reach: null } };
  if (!enough(life)) return open('not-enough');
  const line = lineOf(kind, life, by);
  const { step } = FORECAST.kinds[kind];
  const slope = slopeOf(line, FORECAST.within, step);
  if (!slope) return open('not-enough');
  const lastX = line.at(-1)?.x ?? 0;
  const read = dayOf(last.at);
  const daysTo = (x: number): number => (by === 'distance' ? (x - lastX) / (perDay ?? 1) : x - lastX);
  const dated = (x: number | null): Day | null =>
    x === null || daysTo(x) > FORECAST.aheadDays ? null : dayAfter(read, Math.round(daysTo(x)));
  const [usual, steep, gentle] = [slope.slope, slope.steep, slope.gentle].map((each) => aheadOf(line, each)) as [
    Ahead,
    Ahead,
    Ahead,
  ];
  const reachOf = (nm: Nanometres): Reach | null => {
    const level = sign * nm;
    const at = reaches(usual, level);
    const on = dated(at);
    if (on === null || at === null) return null;
    return {
      on,
      earliest: dated(reaches(steep, level)) ?? on,
      latest: dated(reaches(gentle, level)),
      metres: by === 'distance' ? Math.round(at) : null,
    };
  };
  const limits = meant.map((limit) => ({ ...limit, reach: reachOf(limit.nm) }));
  const first = limits.reduce<LimitReached | null>((soonest, each) => {
    if (!each.reach) return soonest;
    return soonest?.reach && soonest.reach.on <= each.reach.on ? soonest : each;
  }, null);
  return { state: first ? 'foreseen' : 'steady', by, slope, limits, first };
}
