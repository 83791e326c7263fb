import { judgeReading } from '../judge';
import { type Book, keeps } from '../limits';
import { must, parseLength } from '../measure';
import { positionCode, SIDES, tyresOf, type Unit, type WheelEnd, wheelEnd, wheelEnds } from '../trailer';
import { judgedLength, type Reading, readingPlace } from '../wire';
import { type Condition, type DifferPattern, type EndPattern, PATTERNS, type Pattern } from './pattern';

/** A pattern found: where, and the readings it rests on. */
export interface Suggestion {
  pattern: Pattern;
  /** `2L`, `Axle 2` or `2L` of a dual. */
  place: string;
  evidence: Reading[];
}

const has = <T>(wanted: readonly T[] | undefined, value: T | undefined): boolean =>
  wanted === undefined || (value !== undefined && wanted.includes(value));

const hasAny = (wanted: readonly string[] | undefined, given: readonly string[]): boolean =>
  wanted === undefined || wanted.some((each) => given.includes(each));

/** Whether a reading is what a condition asks for. */
function fits(book: Book, end: WheelEnd, wanted: Condition, reading: Reading): boolean {
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
  const length = judgedLength(reading);
  const past = book.limits.filter(({ id }) => id.startsWith(wanted.past ?? ''));
  return length !== null && past.some((limit) => !keeps(limit, length));
}

const atEnd = (readings: readonly Reading[], { axle, side }: WheelEnd): Reading[] =>
  readings.filter((reading) => {
    const at = readingPlace(reading);
    return at.axle === axle && at.side === side;
  });

function findAtEnds(book: Book, unit: Unit, readings: readonly Reading[], pattern: EndPattern): Suggestion[] {
  return wheelEnds(unit).flatMap((end) => {
    if (pattern.adjuster && pattern.adjuster !== end.adjuster) return [];
    const here = atEnd(readings, end);
    const evidence = pattern.when.map((wanted) => here.find((reading) => fits(book, end, wanted, reading)));
    const known = evidence.filter((reading) => reading !== undefined);
    return known.length === evidence.length ? [{ pattern, place: positionCode(end), evidence: known }] : [];
  });
}

/** The pairs of readings a difference is looked for in: the two ends of each axle, or the two tyres of each dual. */
function pairs(unit: Unit, readings: readonly Reading[], { at, differ }: DifferPattern): [string, Reading[]][] {
  const ofKind = readings.filter(({ kind }) => kind === differ.kind);
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

function isApart(differ: DifferPattern['differ'], apart: number): boolean {
  return 'atLeast' in differ ? apart >= nm(differ.atLeast) : apart > nm(differ.moreThan);
}

const findDifferences = (unit: Unit, readings: readonly Reading[], pattern: DifferPattern): Suggestion[] =>
  pairs(unit, readings, pattern).flatMap(([place, pair]) => {
    const [first, second] = pair.map(judgedLength);
    if (first == null || second == null || !isApart(pattern.differ, Math.abs(first - second))) return [];
    return [{ pattern, place, evidence: pair }];
  });

/**
 * What the readings of a unit suggest when taken together, in the catalogue's order. Each suggestion carries the
 * readings it rests on; without them there is none. Of several readings at one place the first counts: leave
 * superseded ones out.
 */
export const findPatterns = (book: Book, unit: Unit, readings: readonly Reading[]): Suggestion[] =>
  PATTERNS.flatMap((pattern) =>
    pattern.at === 'end' ? findAtEnds(book, unit, readings, pattern) : findDifferences(unit, readings, pattern),
  );
