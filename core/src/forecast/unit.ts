import type { Book } from '../limits';
import { type Day, dayIn } from '../measure';
import { keyOf, parseKey, type Reading, type ReadingKey, readingKey } from '../reading';
import {
  comparePositions,
  type PartLife,
  type Place,
  placeWords,
  type Unit,
  type WheelEnd,
  wheelEnd,
} from '../trailer';
import { isWearing, type Life, livesAt, type Point, wornTo } from './lives';
import { type MeterAt, metresAt, metresPerDay } from './meter';
import { type Foreseen, foresee } from './position';
import { FORECAST, type WearingKind } from './settings';

/** A reading as it was taken. */
export interface TakenReading {
  at: string;
  by: string;
  value: Reading;
}

/** Everything a unit's forecast follows from. Readings and meters in order of time. */
export interface UnitFacts {
  unit: Unit;
  book: Book;
  zone: string;
  readings: readonly TakenReading[];
  fitted: readonly PartLife[];
  meters: readonly MeterAt[];
}

/** One part at one place: its lives, and what is foreseen of the present one. */
export interface PositionForecast extends Required<Place>, Foreseen {
  key: ReadingKey;
  kind: WearingKind;
  lives: Life[];
}

/** What several readings say beside when a limit is reached. */
export interface WearFinding extends Required<Place> {
  finding: 'rising-stroke' | 'loses-oil' | 'uneven-lining';
  words: string;
}

export interface UnitForecast {
  positions: PositionForecast[];
  findings: WearFinding[];
}

type AtPlace = Required<Place>;
const placeOf = (key: ReadingKey): AtPlace & { kind: string } => parseKey(key);

function pointsByKey({ readings, meters }: UnitFacts): Map<ReadingKey, Point[]> {
  const points = new Map<ReadingKey, Point[]>();
  for (const { at, by, value } of readings) {
    const worn = wornTo(value);
    if (!worn) continue;
    const key = readingKey(value);
    const point = { at, by, ...worn, metres: metresAt(meters, at) };
    const known = points.get(key);
    if (known) known.push(point);
    else points.set(key, [point]);
  }
  return points;
}

const QUARTER_MS = 15 * 60_000;
/** Dates in a zone, asked once a quarter of an hour: no zone changes its date within one. */
function datesIn(zone: string): (at: string) => Day {
  const known = new Map<number, Day>();
  return (at) => {
    const quarter = Math.floor(Date.parse(at) / QUARTER_MS);
    const day = known.get(quarter) ?? dayIn(zone, at);
    known.set(quarter, day);
    return day;
  };
}

/** Everything that is foreseen of a unit. */
export function forecastOf(facts: UnitFacts): UnitForecast {
  const { unit, book, zone, fitted, meters } = facts;
  const perDay = metresPerDay(meters);
  const dayOf = datesIn(zone);
  const positions = [...pointsByKey(facts)].flatMap(([key, points]): PositionForecast[] => {
    const { kind, axle, side, tyre } = placeOf(key);
    const end: WheelEnd | null = axle && side ? wheelEnd(unit, axle, side) : null;
    if (!isWearing(kind) || !end) return [];
    const place = { axle, side, tyre };
    const lives = livesAt(kind, place, points, fitted);
    const life = lives.at(-1);
    return life ? [{ key, kind, ...place, lives, ...foresee({ kind, end, book, life, perDay, dayOf }) }] : [];
  });
  positions.sort((a, b) => comparePositions(a, b) || (a.kind < b.kind ? -1 : 1));
  return {
    positions,
    findings: [...risingStrokes(unit, positions), ...unevenLinings(positions), ...lostOil(facts)],
  };
}

/** An automatic adjuster holds its stroke: one that grows says that it does not adjust any more, long before a limit. */
const risingStrokes = (unit: Unit, positions: readonly PositionForecast[]): WearFinding[] =>
  positions.flatMap(({ kind, axle, side, tyre, lives, slope }) => {
    const end = axle && side ? wheelEnd(unit, axle, side) : null;
    const points = lives.at(-1)?.points ?? [];
    const rise = (points.at(-1)?.nm ?? 0) - (points[0]?.nm ?? 0);
    if (kind !== 'stroke-applied' || end?.adjuster !== 'automatic' || !slope) return [];
    if (slope.gentle >= 0 || rise < FORECAST.strokeRise) return [];
    const words = `The stroke grows on an automatic adjuster, from ${points[0]?.text} to ${points.at(-1)?.text}: it no longer adjusts. Find the cause.`;
    return [{ finding: 'rising-stroke', axle, side, tyre, words }];
  });

/** Linings of one axle wear alike: where one wears much faster, something drags there, or does not act at the other end. */
function unevenLinings(positions: readonly PositionForecast[]): WearFinding[] {
  const linings = positions.filter(({ kind, slope }) => kind === 'lining' && slope !== null && slope.slope < 0);
  return linings.flatMap((one) => {
    const other = linings.find(({ axle, side }) => axle === one.axle && side !== one.side);
    if (!one.slope || !other?.slope || one.by !== other.by) return [];
    // Beyond what the spread of either could be.
    const apart = one.slope.gentle < other.slope.steep;
    const ratio = one.slope.slope / other.slope.slope;
    if (!apart || ratio < FORECAST.unevenLining) return [];
    const { axle, side, tyre } = one;
    const words = `Its lining wears ${ratio.toFixed(1)} times as fast as at ${placeWords(other)}: check for a dragging brake here, or one that does not act there.`;
    return [{ finding: 'uneven-lining', axle, side, tyre, words }];
  });
}

const LEVELS = ['above-full', 'full', 'between', 'at-add', 'below-add', 'empty'] as const;

/** A hub whose oil only ever falls loses it, be no leak seen. */
function lostOil({ readings }: UnitFacts): WearFinding[] {
  const byKey = new Map<string, { rank: number; at: string }[]>();
  for (const { at, value } of readings) {
    if (value.kind !== 'hub-oil' || !value.level || value.level === 'unreadable') continue;
    const key = keyOf({ kind: value.kind, axle: value.axle, side: value.side });
    const known = byKey.get(key) ?? [];
    byKey.set(key, [...known, { rank: LEVELS.indexOf(value.level as (typeof LEVELS)[number]), at }]);
  }
  return [...byKey].flatMap(([key, levels]) => {
    const last = levels.slice(-FORECAST.oilReadings);
    const falls = last.every(({ rank }, index) => index === 0 || rank >= (last[index - 1]?.rank ?? 0));
    const [first, now] = [last[0], last.at(-1)];
    if (last.length < FORECAST.oilReadings || !falls || !first || !now || now.rank - first.rank < 2) return [];
    const { axle, side, tyre } = placeOf(key as ReadingKey);
    const words = `Its oil fell from ${levelWords(first.rank)} to ${levelWords(now.rank)} over ${last.length} readings, with no fill recorded: it is losing oil.`;
    return [{ finding: 'loses-oil', axle, side, tyre, words }];
  });
}
const levelWords = (rank: number): string => (LEVELS[rank] ?? '').replaceAll('-', ' ');
