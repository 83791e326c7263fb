import { checkEntry } from '../defects';
import { type Book, plainBook } from '../limits';
import {
  AIR_TEST_WORDS,
  type AirTest,
  comparePositions,
  expectedAt,
  expectedReadings,
  hasBrake,
  KIND_WORDS,
  type Step,
  stepKey,
  type Unit,
  type WheelEnd,
  wheelEnd,
  wheelEnds,
} from '../trailer';
import {
  type Finding,
  type JudgeAnswer,
  type JudgeRequest,
  type Reading,
  readingItem,
  readingPlace,
  type UnitJudgement,
  type UnitReading,
} from '../wire';
import { judgeAirTest } from './air-test';
import { type CountedBrake, countBrakes } from './brake-count';
import { judgeChamberMatch } from './chamber-match';
import { judgeCheck } from './check';
import { judgeKingPin, judgeMudFlap, judgeSliderPins } from './coupling';
import { judgeDefect } from './defect';
import { judgeDual, judgeDuals, judgePairs } from './dual';
import { judgeFreeStroke } from './free-stroke';
import { hubStillOpen, judgeHub } from './hub-oil';
import { judgeInflation } from './inflation';
import { judgeLining } from './lining';
import { notJudged, type Opinion } from './opinion';
import { judgeEndPlay, judgePart } from './part';
import { judgeStroke } from './stroke';
import { judgeTread } from './tread';
import { compareVerdicts, worst } from './verdict';
import { judgeWheelNuts } from './wheel-nuts';

/** What the book says of one reading at one wheel end; of a check by eye, the worst of what it found. */
export function judgeReading(book: Book, end: WheelEnd | null, reading: Reading): Opinion {
  if (reading.kind === 'check') return judgeCheck(book, reading)[0] ?? notJudged('Nothing was noted.');
  return (end ? judgeAtEnd(book, end, reading) : null) ?? judgeOnUnit(book, reading);
}

/** What the book says of a reading taken at an axle end; null when its kind concerns the unit as a whole. */
function judgeAtEnd(book: Book, end: WheelEnd, reading: Reading): Opinion | null {
  switch (reading.kind) {
    case 'stroke-applied':
      return judgeStroke(book, end, reading);
    case 'stroke-free':
      return judgeFreeStroke(book, end, reading);
    case 'lining':
      return judgeLining(book, end, reading);
    case 'drum':
    case 'rotor':
      return judgePart(book, end, reading);
    case 'tread':
      return judgeTread(book, end, reading);
    case 'dual':
      return judgeDual(book, end, reading, judgeDefect(book, { code: TOUCHING }));
    case 'hub-oil':
      return judgeHub(book, end, reading);
    case 'end-play':
      return judgeEndPlay(book, end, reading);
    default:
      return null;
  }
}

function judgeOnUnit(book: Book, reading: Reading): Opinion {
  switch (reading.kind) {
    case 'pressure':
      return judgeInflation(book, reading);
    case 'wheel-nuts':
      return judgeWheelNuts(book, reading);
    case 'king-pin':
      return judgeKingPin(book, reading);
    case 'slider-pins':
      return judgeSliderPins(book, reading);
    case 'mud-flap':
      return judgeMudFlap(book, reading);
    case 'air-test':
      return judgeAirTest(book, reading);
    case 'defect':
      return judgeDefect(book, reading);
    default:
      return notJudged('There is no such axle end.');
  }
}

/** The catalogue's code for tyres of a dual that touch. */
const TOUCHING = 'tyre-contact';

/** A finding's kind: with the check or air test it is about, so that each has its own. */
const kindOf = (reading: Reading): string => {
  const item = reading.kind === 'defect' ? undefined : readingItem(reading);
  return item ? `${reading.kind}:${item}` : reading.kind;
};

function findingOf(book: Book, unit: Unit, reading: UnitReading): Finding[] {
  const at = readingPlace(reading);
  const place = { unit: unit.id, ...at, kind: kindOf(reading) };
  const end = at.axle === null ? null : wheelEnd(unit, at.axle, at.side ?? 'left');
  if (reading.kind === 'check') return judgeCheck(book, reading).map((each) => ({ ...place, ...each }));
  const found = { ...place, ...judgeReading(book, end, reading) };
  const open =
    end && reading.kind === 'hub-oil' && found.verdict !== 'not-judged' ? hubStillOpen(book, end, reading) : null;
  return open ? [found, { ...place, ...notJudged(`Part of this hub is open: ${open}.`) }] : [found];
}

const stepKind = ({ kind, item }: Step): string => (item ? `${kind}:${item}` : kind);
export const stepWords = ({ kind, item }: Step): string => {
  if (kind === 'check') return checkEntry(item ?? '')?.name ?? 'Check by eye';
  return kind === 'air-test' ? AIR_TEST_WORDS[item as AirTest] : KIND_WORDS[kind];
};

/** One `not-judged` finding for each expected step that is absent. */
function absent(unit: Unit, findings: readonly Finding[], expected: readonly Step[]): Finding[] {
  const present = new Set(findings.map(stepKey));
  const wanted = new Map([...expectedReadings(unit), ...expected].map((step) => [stepKey(step), step]));
  return [...wanted]
    .filter(([key]) => !present.has(key))
    .map(([, step]) => ({
      unit: unit.id,
      axle: step.axle,
      side: step.side,
      tyre: step.tyre,
      kind: stepKind(step),
      ...notJudged(`${stepWords(step)} was not ${step.kind === 'check' ? 'looked at' : 'measured'}.`),
    }));
}

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
  const findings = [...judged, ...between, ...absent(unit, judged, expected)];
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
export const findingKey = ({ kind, axle, side, tyre }: Finding): string => stepKey({ kind, axle, side, tyre });

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
