import { BOOKS, type Book } from '../limits';
import {
  comparePositions,
  expectedAt,
  expectedReadings,
  hasBrake,
  MEASURED_WORDS,
  stepKey,
  type Unit,
  type WheelEnd,
  wheelEnd,
  wheelEnds,
} from '../trailer';
import type { Finding, JudgeAnswer, JudgeRequest, UnitJudgement, UnitReading } from '../wire';
import { type CountedBrake, countBrakes } from './brake-count';
import { judgeChamberMatch } from './chamber-match';
import { judgeDefect } from './defect';
import { judgeFreeStroke } from './free-stroke';
import { hubStillOpen, judgeHub } from './hub-oil';
import { judgeInflation } from './inflation';
import { judgeLining } from './lining';
import { notJudged, type Opinion } from './opinion';
import { judgeStroke } from './stroke';
import { judgeTread } from './tread';
import { compareVerdicts, worst } from './verdict';

/** What the book says of one reading at one wheel end. */
export function judgeReading(book: Book, end: WheelEnd, reading: UnitReading): Opinion {
  switch (reading.kind) {
    case 'stroke-applied':
      return judgeStroke(book, end, reading);
    case 'stroke-free':
      return judgeFreeStroke(book, end, reading);
    case 'lining':
      return judgeLining(book, end, reading);
    case 'tread':
      return judgeTread(book, end, reading);
    case 'pressure':
      return judgeInflation(book, reading);
    case 'hub-oil':
      return judgeHub(book, end, reading);
    case 'defect':
      return judgeDefect(reading);
  }
}

function findingOf(book: Book, unit: Unit, reading: UnitReading): Finding[] {
  const { axle = null, side = null, kind } = reading;
  const tyre = 'tyre' in reading ? (reading.tyre ?? null) : null;
  const place = { unit: unit.id, axle, side, tyre, kind };
  const end = axle === null ? null : wheelEnd(unit, axle, side ?? 'left');
  if (!end) return reading.kind === 'defect' ? [{ ...place, ...judgeDefect(reading) }] : [];
  const found = { ...place, ...judgeReading(book, end, reading) };
  const open = reading.kind === 'hub-oil' && found.verdict !== 'not-judged' ? hubStillOpen(book, end, reading) : null;
  return open ? [found, { ...place, ...notJudged(`Part of this hub is open: ${open}.`) }] : [found];
}

/** One `not-judged` finding for each expected reading that is absent. */
function absent(unit: Unit, findings: readonly Finding[]): Finding[] {
  const present = new Set(findings.map(({ kind, axle, side, tyre }) => `${kind} ${axle} ${side} ${tyre}`));
  return expectedReadings(unit)
    .filter(({ kind, axle, side, tyre }) => !present.has(`${kind} ${axle} ${side} ${tyre}`))
    .map(({ kind, axle, side, tyre }) => ({
      unit: unit.id,
      axle,
      side,
      tyre,
      kind,
      ...notJudged(`${MEASURED_WORDS[kind]} was not measured.`),
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

function judgeUnit(book: Book, unit: Unit, readings: readonly UnitReading[]) {
  const judged = readings.filter((reading) => reading.unit === unit.id).flatMap((each) => findingOf(book, unit, each));
  const findings = [...judged, ...judgeChamberMatch(book, unit), ...absent(unit, judged)];
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

/** The unique name of a finding's place and kind within its unit; null for one that concerns the unit as a whole. */
export const findingKey = ({ kind, axle, side, tyre }: Finding): string | null =>
  axle === null || side === null ? null : stepKey({ kind, axle, side, tyre });

/**
 * Judges readings against a limit book: what `POST /api/v1/judge` takes and answers.
 * Pure: the same request gives the same answer in any order of its readings. Every reading of a request counts;
 * leave superseded ones out.
 */
export function judge(request: JudgeRequest, books: Readonly<Record<string, Book>> = BOOKS): JudgeAnswer {
  const book = books[request.book];
  if (!book) throw new RangeError(`No limit book “${request.book}”`);
  const judged = request.units.map((unit) => judgeUnit(book, unit, request.readings));
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
