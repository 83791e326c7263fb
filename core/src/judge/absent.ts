import {
  expectedReadings,
  isByEye,
  keyOf,
  missingSteps,
  type Reading,
  readingKey,
  type Step,
  subjectOf,
  subjectWords,
} from '../reading';
import { said } from '../said';
import type { Unit } from '../trailer';
import type { Finding } from './finding';
import { findingOf, sortFindings } from './findings';
import { notJudged } from './opinion';

/** Everything a unit is expected to be read for: what its axle ends need, and what the walked route asked. */
function expectedOf(unit: Unit, asked: readonly Step[]): readonly Step[] {
  const needed = expectedReadings(unit);
  if (asked.length === 0) return needed;
  return [...new Map([...needed, ...asked].map((step) => [keyOf(step), step])).values()];
}

const keysOf = (findings: readonly Finding[]): Set<string> => new Set<string>(findings.map(keyOf));

/** One `not-judged` finding for each expected step that has none among `findings`. */
export const absentFindings = (unit: Unit, findings: readonly Finding[], asked: readonly Step[] = []): Finding[] =>
  missingSteps(expectedOf(unit, asked), keysOf(findings)).map((step) =>
    findingOf(
      unit.id,
      step,
      subjectOf(step),
      notJudged(said(isByEye(step.kind) ? 'not-checked' : 'not-measured', { what: subjectWords(step) })),
    ),
  );

/** Findings without those of what was not read: these follow from the steps, and are worked out again when shown. */
export function readFindings(
  unit: Unit,
  findings: readonly Finding[],
  readings: readonly Reading[],
  asked: readonly Step[] = [],
): Finding[] {
  const read = new Set<string>(readings.map(readingKey));
  const absent = new Set<string>(missingSteps(expectedOf(unit, asked), read).map(keyOf));
  return findings.filter((each) => !absent.has(keyOf(each)));
}

/** All findings of one unit, worst first: those of what was read, and one for each thing that was not. */
export const allFindings = (unit: Unit, findings: readonly Finding[], asked: readonly Step[] = []): Finding[] =>
  sortFindings([...findings, ...absentFindings(unit, findings, asked)], [unit.id]);
