import { catalogueEntry, severityOf } from '../catalogue';
import { type DefectState, isOpenDefect, isUnanswered } from '../defects';
import { compareVerdicts, type Finding, type JudgeAnswer, judge } from '../judge';
import { type Book, type BookId, parseOwnCode, type Verdict } from '../limits';
import { foundCodes, isByEye, keyOf, parseSubject, type Reading, readingKey, readingPlace } from '../reading';
import { said } from '../said';
import type { Side, Tyre, Unit } from '../trailer';
import { comparesReading, type FoundDefect, foundDefect, isFault, named, restsOnReading, UNREADABLE } from './found';
import { judgeStanding } from './together';

/** A report of a unit, whatever became of it. */
export interface ToldDefect {
  id: string;
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  state: DefectState;
  holds: boolean;
  /** What it was judged to be when it was found; null where that was not kept. */
  verdict: Verdict | null;
  /** The inspection that found it. */
  inspection: string | null;
  /** When it was certified, dismissed or joined: an instant; null while it is open. */
  endedAt: string | null;
}

/** A reading that stands, as far as what follows from it is concerned. */
export interface SettledReading {
  key: string;
  kind: string;
  value: Reading;
  /** When it was taken: an instant. */
  at: string;
  inspection: string;
  /** Its inspection is not closed yet. */
  open: boolean;
}

export interface StandingFacts {
  standing: readonly SettledReading[];
  /** Every report of the unit. */
  told: readonly ToldDefect[];
}

/** What follows from how a unit stands. */
export interface Settled {
  /** What a unit meets as it stands. */
  judged: JudgeAnswer;
  /** Every fault that stands. */
  faults: FoundDefect[];
  /** What nobody was told of yet, with the inspection that read it. */
  report: (FoundDefect & { inspection: string | null })[];
  /** Open reports of what is graver than it was when they were made, or answered. */
  worsened: (FoundDefect & { id: string })[];
}

/** What checks by eye that stand found. They count in no judgement: what they found stands as its report. */
function seenSigns(book: Book, { id, kind, axles }: Unit, standing: readonly SettledReading[]): Finding[] {
  const checks = standing.filter(
    ({ value }) => (value.kind === 'check' && value.found.length > 0) || value.kind === 'own-check',
  );
  if (checks.length === 0) return [];
  const readings = checks.map(({ value }) => ({ ...value, unit: id }));
  const { findings } = judge({ book: book.id as BookId, units: [{ id, kind, axles }], readings }, { book });
  return findings.filter(({ kind: of, measured }) => isByEye(parseSubject(of).kind) && measured !== null);
}

/** Hub glasses that cannot be read: the hub stays not judged, and the shop is told to see to the glass. */
const unreadGlasses = ({ id }: Unit, book: Book, standing: readonly SettledReading[]): Finding[] =>
  standing.flatMap(({ value }) => {
    if (value.kind !== 'hub-oil' || value.level !== 'unreadable') return [];
    const says = severityOf(UNREADABLE, book.id as BookId);
    if (!says) return [];
    const { axle, side } = readingPlace(value);
    const nothing = { tyre: null, measured: null, limit: null, margin: null };
    return [{ unit: id, axle, side, kind: UNREADABLE, said: [said('glass-unreadable')], ...nothing, ...says }];
  });

const graver = (verdict: Verdict, than: Verdict | null): boolean => than !== null && compareVerdicts(verdict, than) < 0;

const latestOf = (readings: readonly SettledReading[]): SettledReading | null =>
  readings.reduce<SettledReading | null>((last, each) => (last && last.at >= each.at ? last : each), null);

/** Whether somebody was told of a fault already: of the very reading it rests on, or after that was taken. */
function isTold(verdict: Verdict, known: readonly ToldDefect[], rests: readonly SettledReading[]): boolean {
  const latest = latestOf(rests);
  return known.some(({ verdict: then, inspection, endedAt }) => {
    if (graver(verdict, then)) return false;
    if (!latest) return true;
    return rests.some((each) => each.inspection === inspection) || (endedAt !== null && endedAt >= latest.at);
  });
}

/** An open report that says less of a fault than is known now, unless somebody answered just that. */
const saysLess = (found: FoundDefect, { state, holds, verdict }: ToldDefect): boolean =>
  found.holds && !holds && (state === 'reported' || graver(found.verdict, verdict));

/**
 * What follows from how a unit stands, whoever read it, when and by which rules: what is to be reported, and which
 * reports are graver than they say. A limit of the shop is reported once its inspection is closed, what breaks the law at
 * once. What was answered, repaired or released stays so, until it is read again or is judged graver.
 */
export function settle(book: Book, unit: Unit, { standing, told }: StandingFacts): Settled {
  const open = told.filter(({ state }) => isOpenDefect(state));
  const judged = judgeStanding(book, unit, { standing, defects: open });
  const settled: Settled = { judged, faults: [], report: [], worsened: [] };
  const seen = new Set<string>();
  for (const finding of [
    ...judged.findings,
    ...seenSigns(book, unit, standing),
    ...unreadGlasses(unit, book, standing),
  ].filter(isFault)) {
    const found = foundDefect(finding, { book: book.id as BookId, ...(book.signs ? { signs: book.signs } : {}) });
    const name = named(found);
    if (seen.has(name)) continue;
    settled.faults.push(found);
    const rests = standing.filter(({ value }) => restsOnReading(finding, value));
    const latest = latestOf(rests);
    if (latest?.open && !found.holds && found.verdict === 'shop-limit') continue;
    seen.add(name);
    const known = told.filter((each) => each.state !== 'withdrawn' && named(each) === name);
    const stands = known.find(({ state }) => isOpenDefect(state));
    if (stands) {
      if (saysLess(found, stands)) settled.worsened.push({ ...found, id: stands.id });
    } else if (!isTold(found.verdict, known, rests))
      settled.report.push({ ...found, inspection: latest?.inspection ?? null });
  }
  return settled;
}

/** Whether an own check's reading said this of it: one of its signs, or its figure. */
const saysOwn = ({ check, sign }: { check: string; sign: string | null }, reading: Reading): boolean =>
  reading.kind === 'own-check' &&
  reading.check === check &&
  (sign === null ? reading.value !== undefined : reading.found.includes(sign));

/** Whether a report is of what a reading said. */
function isOf({ code, axle, side, tyre }: ToldDefect, reading: Reading): boolean {
  const place = readingPlace(reading);
  const here = axle === place.axle && side === place.side;
  if (code === UNREADABLE && reading.kind === 'hub-oil') return here && reading.level === 'unreadable';
  const own = parseOwnCode(code);
  if (own) return here && saysOwn(own, reading);
  if (catalogueEntry(code)) return reading.kind === 'check' && foundCodes(reading).includes(code) && here;
  const compared = comparesReading({ kind: code, axle, side }, reading);
  return compared ?? keyOf({ ...parseSubject(code), axle, side, tyre }) === readingKey(reading);
}

/** A reading that took the place of another of its inspection. */
export interface Correction {
  inspection: string;
  was: Reading;
}

/**
 * Reports that rested on a reading which was corrected, and on nothing that stands now: those nobody has answered are
 * taken back, the others are told of it.
 */
export function takenBack(
  { inspection, was }: Correction,
  told: readonly ToldDefect[],
  faults: readonly FoundDefect[],
): { withdraw: ToldDefect[]; tell: ToldDefect[] } {
  const failing = new Set(faults.map(named));
  const gone = told.filter(
    (each) =>
      each.inspection === inspection && isOpenDefect(each.state) && isOf(each, was) && !failing.has(named(each)),
  );
  return {
    withdraw: gone.filter(({ state }) => isUnanswered(state)),
    tell: gone.filter(({ state }) => !isUnanswered(state)),
  };
}
