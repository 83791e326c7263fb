import { type Book, plainBook } from '../limits';
import {
  expectedAt,
  expectedReadings,
  keyOf,
  missingSteps,
  type Reading,
  readingItem,
  readingKey,
  readingPlace,
  type Step,
  subjectOf,
  subjectWords,
} from '../reading';
import { comparePositions, hasBrake, type Unit, wheelEnd, wheelEnds } from '../trailer';
import { type CountedBrake, countBrakes } from './brake-count';
import { judgeChamberMatch } from './chamber-match';
import { judgeCheck } from './check';
import { judgeDuals, judgePairs } from './dual';
import type { Finding, JudgeAnswer, UnitJudgement } from './finding';
import { hubStillOpen } from './hub-oil';
import { notJudged } from './opinion';
import type { JudgeRequest, UnitReading } from './request';
import { judgeReading } from './rules';
import { compareVerdicts, worst } from './verdict';

/** A finding's kind: with the check or air test it is about, so that each has its own. */
const findingKind = (reading: Reading): string =>
  subjectOf({ kind: reading.kind, item: reading.kind === 'defect' ? undefined : readingItem(reading) });

function findingOf(book: Book, unit: Unit, reading: UnitReading): Finding[] {
  const at = readingPlace(reading);
  const place = { unit: unit.id, ...at, kind: findingKind(reading) };
  const end = at.axle === null ? null : wheelEnd(unit, at.axle, at.side ?? 'left');
  if (reading.kind === 'check') return judgeCheck(book, reading).map((each) => ({ ...place, ...each }));
  const found = { ...place, ...judgeReading(book, end, reading) };
  const open =
    end && reading.kind === 'hub-oil' && found.verdict !== 'not-judged' ? hubStillOpen(book, end, reading) : null;
  return open ? [found, { ...place, ...notJudged(`Part of this hub is open: ${open}.`) }] : [found];
}

/** Everything a unit is expected to be read for: what its axle ends need, and what the walked route asked. */
const expectedOf = (unit: Unit, expected: readonly Step[]): Step[] => [
  ...new Map([...expectedReadings(unit), ...expected].map((step) => [keyOf(step), step])).values(),
];

/** One `not-judged` finding for each expected step that has none among `findings`. */
export const absentFindings = (unit: Unit, findings: readonly Finding[], expected: readonly Step[] = []): Finding[] =>
  missingSteps(expectedOf(unit, expected), new Set<string>(findings.map(keyOf))).map((step) => ({
    unit: unit.id,
    axle: step.axle,
    side: step.side,
    tyre: step.tyre,
    kind: subjectOf(step),
    ...notJudged(`${subjectWords(step)} was not ${step.kind === 'check' ? 'looked at' : 'measured'}.`),
  }));

/** Findings without those of what was not read: these follow from the steps, and are worked out again when shown. */
export function readFindings(
  unit: Unit,
  findings: readonly Finding[],
  readings: readonly Reading[],
  expected: readonly Step[] = [],
): Finding[] {
  const read = new Set<string>(readings.map(readingKey));
  const absent = new Set<string>(missingSteps(expectedOf(unit, expected), read).map(keyOf));
  return findings.filter((each) => !absent.has(findingKey(each)));
}

/** All findings of one unit, worst first: those of what was read, and one for each thing that was not. */
export const allFindings = (unit: Unit, findings: readonly Finding[], expected: readonly Step[] = []): Finding[] =>
  [...findings, ...absentFindings(unit, findings, expected)].sort(compareFindings(new Map()));

/** The brakes of a unit as the count sees them. */
function brakesOf(unit: Unit, findings: readonly Finding[]): CountedBrake[] {
  return wheelEnds(unit)
    .filter(hasBrake)
    .map((end) => {
      const here = findings.filter(({ axle, side }) => axle === end.axle && side === end.side);
      const judged = (kind: string) => here.some((each) => each.kind === kind && each.verdict !== 'not-judged');
      const wanted = expectedAt(end)
        .map(({ kind }) => kind)
        .filter((kind) => kind === 'stroke-applied' || kind === 'lining');
      const share = Math.max(0, ...here.map((each) => each.share)) as 0 | 0.5 | 1;
      return {
        share,
        measured: wanted[0] !== undefined && judged(wanted[0]),
        open: share < 1 && !wanted.every(judged),
      };
    });
}

function judgeUnit(book: Book, unit: Unit, readings: readonly UnitReading[], expected: readonly Step[]) {
  const judged = readings.filter((reading) => reading.unit === unit.id).flatMap((each) => findingOf(book, unit, each));
  const between = [
    ...judgeChamberMatch(book, unit),
    ...judgeDuals(book, unit, readings),
    ...judgePairs(book, unit, judged),
  ];
  const findings = [...judged, ...between, ...absentFindings(unit, judged, expected)];
  const brakes = brakesOf(unit, findings);
  const count = countBrakes(book, brakes);
  const found = findings.map(({ verdict }) => verdict);
  const judgement: UnitJudgement = {
    id: unit.id,
    verdict: worst(count.outOfService ? [...found, 'out-of-service'] : found),
    complete: !found.includes('not-judged'),
    brakes: count,
  };
  return { findings, brakes, judgement };
}

const compareFindings = (order: ReadonlyMap<string, number>) => (a: Finding, b: Finding) =>
  compareVerdicts(a.verdict, b.verdict) ||
  b.share - a.share ||
  (order.get(a.unit) ?? 0) - (order.get(b.unit) ?? 0) ||
  comparePositions({ axle: a.axle ?? 0, ...placeOf(a) }, { axle: b.axle ?? 0, ...placeOf(b) }) ||
  compareTexts(a.kind, b.kind) ||
  compareTexts(a.measured ?? '', b.measured ?? '') ||
  compareTexts(a.because, b.because);

const compareTexts = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
const placeOf = ({ side, tyre }: Finding) => ({ side: side ?? undefined, tyre });

/** The unique name of a finding's place and kind within its unit. */
export const findingKey = ({ kind, axle, side, tyre }: Finding): string => keyOf({ kind, axle, side, tyre });

/** How to judge beside what the wire says: the fleet's own rules, and what more the walked route expected. */
export interface Judging {
  book?: Book;
  expected?: readonly Step[];
}

/**
 * Judges readings against a limit book: what `POST /api/v1/judge` takes and answers.
 * Pure: the same request gives the same answer in any order of its readings. Every reading of a request counts;
 * leave superseded ones out.
 */
export function judge(
  request: JudgeRequest,
  { book = plainBook(request.book), expected = [] }: Judging = {},
): JudgeAnswer {
  const judged = request.units.map((unit) => judgeUnit(book, unit, request.readings, expected));
  const brakes = countBrakes(
    book,
    judged.flatMap((unit) => unit.brakes),
    request.assumeOtherBrakes,
  );
  const verdicts = judged.map(({ judgement }) => judgement.verdict);
  const order = new Map(request.units.map(({ id }, index) => [id, index]));
  return {
    book: { id: book.id, edition: book.edition },
    units: judged.map(({ judgement }) => judgement),
    combination: { brakes, verdict: worst(brakes.outOfService ? [...verdicts, 'out-of-service'] : verdicts) },
    findings: judged.flatMap(({ findings }) => findings).sort(compareFindings(order)),
  };
}
