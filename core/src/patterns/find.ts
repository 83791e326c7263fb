import { doubtOf, judgeReading } from '../judge';
import { type Book, keeps } from '../limits';
import { must, parseAmount, parseLength } from '../measure';
import { judgedFigure, type Reading, readingKey, readingPlace } from '../reading';
import { positionCode, SIDES, tyresOf, type Unit, type WheelEnd, wheelEnd, wheelEnds } from '../trailer';
import type { EarlierReading } from './earlier';
import {
  type Condition,
  type DifferPattern,
  type EndPattern,
  type GrownPattern,
  PATTERNS,
  type Pattern,
  type WearPattern,
} from './pattern';

/** A pattern found: where, and the readings it rests on. */
export interface Suggestion {
  pattern: Pattern;
  /** `2L`, `Axle 2` or `2L` of a dual. */
  place: string;
  evidence: Reading[];
  /** What the same places read before, where the pattern rests on that too. */
  before: EarlierReading[];
}

/** What is looked at: a unit's readings, and what its places read before them. */
interface Look {
  book: Book;
  unit: Unit;
  readings: readonly Reading[];
  before: ReadonlyMap<string, EarlierReading>;
}

const has = <T>(wanted: readonly T[] | undefined, value: T | undefined): boolean =>
  wanted === undefined || (value !== undefined && wanted.includes(value));

const hasAny = (wanted: readonly string[] | undefined, given: readonly string[]): boolean =>
  wanted === undefined || wanted.some((each) => given.includes(each));

/** The limits a reading is held against: a pull by hand has its own. */
const limitedAs = (reading: Reading): string =>
  reading.kind === 'stroke-free' && reading.method === 'hand' ? 'stroke-free-hand' : reading.kind;

/** Codes found by eye, in a check or told as a defect. */
function foundBy(reading: Reading): readonly string[] {
  if (reading.kind === 'check') return reading.found;
  return reading.kind === 'defect' ? [reading.code] : [];
}

/** Whether a reading is what a condition asks for. */
function fits(book: Book, end: WheelEnd, wanted: Condition, reading: Reading): boolean {
  if (wanted.orFound?.some((code) => foundBy(reading).includes(code))) return true;
  if (reading.kind !== wanted.kind) return false;
  if (wanted.verdict && judgeReading(book, end, reading).verdict !== wanted.verdict) return false;
  if (reading.kind === 'hub-oil')
    return (
      has(wanted.level, reading.level) &&
      has(wanted.condition, reading.condition) &&
      has(wanted.leak, reading.leak) &&
      has(wanted.heat, reading.heat)
    );
  if (reading.kind === 'tread' && !hasAny(wanted.wear, reading.wear ?? [])) return false;
  if (reading.kind === 'check' && !hasAny(wanted.found, reading.found)) return false;
  if (wanted.past === undefined) return true;
  const length = judgedFigure(reading);
  const of = limitedAs(reading);
  const past = book.limits.filter(
    (limit) => limit.reading === of && wanted.past?.some((id) => limit.id.startsWith(id)),
  );
  return length !== null && past.some((limit) => !keeps(limit, length));
}

const atEnd = (readings: readonly Reading[], { axle, side }: WheelEnd): Reading[] =>
  readings.filter((reading) => {
    const at = readingPlace(reading);
    return at.axle === axle && at.side === side;
  });

function findAtEnds({ book, unit, readings }: Look, pattern: EndPattern): Suggestion[] {
  return wheelEnds(unit).flatMap((end) => {
    if (pattern.adjuster && pattern.adjuster !== end.adjuster) return [];
    const here = atEnd(readings, end);
    const find = (wanted: Condition) => here.find((reading) => fits(book, end, wanted, reading));
    const evidence = pattern.when.flatMap((wanted) => find(wanted) ?? []);
    if (evidence.length < (pattern.least ?? pattern.when.length) || pattern.unless?.some(find)) return [];
    return [{ pattern, place: positionCode(end), evidence, before: [] }];
  });
}

/** A reading beside the one before it at the same place, and how much it lost since. */
interface Change {
  reading: Reading;
  before: EarlierReading;
  lost: number;
  /** It has grown by more than two readings of the same thing differ. */
  grown: boolean;
}

function changeOf({ book, before }: Look, reading: Reading): Change | null {
  const earlier = before.get(readingKey(reading));
  const [then, now] = [earlier && judgedFigure(earlier.value), judgedFigure(reading)];
  if (!earlier || then == null || now === null || reading.kind === 'defect') return null;
  const grown = doubtOf(book, reading.kind, then, now)?.way === 'grown';
  return { reading, before: earlier, lost: then - now, grown };
}

const findGrown = (look: Look, pattern: GrownPattern): Suggestion[] =>
  wheelEnds(look.unit).flatMap((end) =>
    atEnd(look.readings, end).flatMap((reading) => {
      const change = reading.kind === pattern.grown.kind ? changeOf(look, reading) : null;
      return change?.grown ? [{ pattern, place: positionCode(end), evidence: [reading], before: [change.before] }] : [];
    }),
  );

/** The pairs of readings a difference is looked for in: the two ends of each axle, or the two tyres of each dual. */
function pairs({ unit, readings }: Look, at: 'axle' | 'dual', kind: string): [string, Reading[]][] {
  const ofKind = readings.filter((reading) => reading.kind === kind);
  if (at === 'axle')
    return unit.axles.map((_, index) => [
      `Axle ${index + 1}`,
      SIDES.flatMap((side) => {
        const end = wheelEnd(unit, index + 1, side);
        return end ? (atEnd(ofKind, end)[0] ?? []) : [];
      }),
    ]);
  return wheelEnds(unit).map((end) => [
    positionCode(end),
    tyresOf(end).flatMap((tyre) => atEnd(ofKind, end).find((each) => 'tyre' in each && each.tyre === tyre) ?? []),
  ]);
}

const nm = (text: string): number => must(parseLength(text, 'none'));
const figureOf = (text: string): number => must(parseAmount(text)).value;

function isApart(differ: DifferPattern['differ'], apart: number): boolean {
  return 'atLeast' in differ ? apart >= figureOf(differ.atLeast) : apart > figureOf(differ.moreThan);
}

const findDifferences = (look: Look, pattern: DifferPattern): Suggestion[] =>
  pairs(look, pattern.at, pattern.differ.kind).flatMap(([place, pair]) => {
    const [first, second] = pair.map(judgedFigure);
    if (first == null || second == null || !isApart(pattern.differ, Math.abs(first - second))) return [];
    return [{ pattern, place, evidence: pair, before: [] }];
  });

/** Only what was last read in one inspection wore over the same time, and nothing that grew did. */
const findWear = (look: Look, pattern: WearPattern): Suggestion[] =>
  pairs(look, pattern.at, pattern.wears.kind).flatMap(([place, pair]) => {
    const [first, second] = pair.map((reading) => changeOf(look, reading));
    if (!first || !second || first.grown || second.grown) return [];
    if (first.before.inspection !== second.before.inspection) return [];
    if (Math.abs(first.lost - second.lost) <= nm(pattern.wears.moreThan)) return [];
    return [{ pattern, place, evidence: pair, before: [first.before, second.before] }];
  });

function findPattern(look: Look, pattern: Pattern): Suggestion[] {
  if ('when' in pattern) return findAtEnds(look, pattern);
  if ('grown' in pattern) return findGrown(look, pattern);
  return 'differ' in pattern ? findDifferences(look, pattern) : findWear(look, pattern);
}

/**
 * What the readings of a unit suggest when taken together, and beside what the same places read `before`, in the
 * catalogue's order. Each suggestion carries the readings it rests on; without them there is none. Of several readings
 * at one place the first counts: leave superseded ones out.
 */
export function findPatterns(
  book: Book,
  unit: Unit,
  readings: readonly Reading[],
  before: readonly EarlierReading[] = [],
): Suggestion[] {
  const look = {
    book,
    unit,
    readings,
    before: new Map<string, EarlierReading>(before.map((each) => [readingKey(each.value), each])),
  };
  return PATTERNS.flatMap((pattern) => findPattern(look, pattern));
}
