import { type Book, plainBook } from '../limits';
import { type Reading, readingItem, readingPlace, type Step, subjectOf } from '../reading';
import { hasBrake, hasPushrod, type Side, type Unit, wheelEnd, wheelEnds } from '../trailer';
import { absentFindings } from './absent';
import { judgeAdjusterMatch } from './adjuster-match';
import { type CountedBrake, countBrakes } from './brake-count';
import { judgeChamberMatch } from './chamber-match';
import { judgeCheck } from './check';
import { judgeDuals, judgePairs } from './dual';
import type { Finding, JudgeAnswer, UnitJudgement } from './finding';
import { findingOf, sortFindings } from './findings';
import { notJudged } from './opinion';
import { judgeOwnCheck } from './own-check';
import type { JudgeRequest, UnitReading } from './request';
import { judgeReading } from './rules';
import { worst } from './verdict';
import { judgeWheelTemperatures } from './wheel-temperature';

/** A finding's kind: with the check or air test it is about, so that each has its own. */
const findingKind = (reading: Reading): string =>
  reading.kind === 'defect' ? reading.kind : subjectOf({ kind: reading.kind, item: readingItem(reading) });

/** What was found by one reading: of a check by eye, each defect. */
function findingsOf(book: Book, unit: Unit, reading: UnitReading): Finding[] {
  const place = readingPlace(reading);
  const kind = findingKind(reading);
  if (reading.kind === 'check') return judgeCheck(book, reading).map((each) => findingOf(unit.id, place, kind, each));
  if (reading.kind === 'own-check')
    return judgeOwnCheck(book, reading).map((each) => findingOf(unit.id, place, kind, each));
  const end = place.axle === null ? null : wheelEnd(unit, place.axle, place.side ?? 'left');
  const found = judgeReading(book, end, reading);
  const finding = findingOf(unit.id, place, kind, found);
  return found.open ? [finding, findingOf(unit.id, place, kind, notJudged(found.open))] : [finding];
}

const endKey = (axle: number | null, side: Side | null): string => `${axle}${side}`;

/** The brakes of a unit as the count sees them. */
function brakesOf(unit: Unit, findings: readonly Finding[]): CountedBrake[] {
  const byEnd = new Map<string, Finding[]>();
  for (const each of findings) {
    const key = endKey(each.axle, each.side);
    const here = byEnd.get(key);
    if (here) here.push(each);
    else byEnd.set(key, [each]);
  }
  return wheelEnds(unit)
    .filter(hasBrake)
    .map((end) => {
      const here = byEnd.get(endKey(end.axle, end.side)) ?? [];
      const judged = (kind: string) => {
        const of = here.filter((each) => each.kind === kind);
        return of.length > 0 && of.every(({ verdict }) => verdict !== 'not-judged');
      };
      const share = here.reduce<CountedBrake['share']>((most, each) => (each.share > most ? each.share : most), 0);
      const main = judged(hasPushrod(end) ? 'stroke-applied' : 'lining');
      return { share, measured: main, open: share < 1 && !(main && judged('lining')) };
    });
}

function judgeUnit(book: Book, unit: Unit, readings: readonly UnitReading[], expected: readonly Step[]) {
  const own = readings.filter((reading) => reading.unit === unit.id);
  const judged = own.flatMap((each) => findingsOf(book, unit, each));
  const findings = [
    ...judged,
    ...judgeChamberMatch(book, unit),
    ...judgeAdjusterMatch(book, unit),
    ...judgeDuals(book, unit, own),
    ...judgePairs(book, unit, judged),
    ...judgeWheelTemperatures(book, unit, own),
    ...absentFindings(unit, judged, expected),
  ];
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
  return {
    book: { id: book.id, edition: book.edition },
    units: judged.map(({ judgement }) => judgement),
    combination: { brakes, verdict: worst(brakes.outOfService ? [...verdicts, 'out-of-service'] : verdicts) },
    findings: sortFindings(
      judged.flatMap(({ findings }) => findings),
      request.units.map(({ id }) => id),
    ),
  };
}
