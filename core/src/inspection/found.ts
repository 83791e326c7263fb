import { catalogueEntry } from '../catalogue';
import { type DefectState, holdsFromReport, isOpenDefect, type SignRules } from '../defects';
import { type Finding, holds } from '../judge';
import { ownCode, parseOwnCode, type Verdict } from '../limits';
import { comparisonOf, keyOf, type Reading, readingKey, readingPlace } from '../reading';
import type { Said } from '../said';
import type { Side, Tyre } from '../trailer';

/** A fault as it is reported: under its code, at its place. */
export interface FoundDefect {
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  /** Why it is one. */
  said: readonly Said[];
  holds: boolean;
  /** What it was judged to be when it was found. */
  verdict: Verdict;
}

export const isFault = ({ verdict, kind }: Finding): boolean =>
  kind !== 'defect' && (holds(verdict) || verdict === 'shop-limit');

/** The code a finding is reported under: what a check by eye found, or the kind of the reading that failed. */
function codeOf({ kind, measured, limit }: Finding): string {
  if (kind.startsWith('check:') && measured) return measured;
  const own = parseOwnCode(kind);
  return own && measured && limit === null ? ownCode(own.check, measured) : kind;
}

export const named = ({ code, axle, side, tyre }: Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>): string =>
  `${code} ${axle} ${side} ${tyre}`;

/** Findings of comparing what is fitted: it was seen while this was read. */
const FITTED = new Set(['chamber-match', 'adjuster-match']);
const FITTED_AT = ['stroke-applied'];
/** A hub whose level no glass shows: it rests on the reading that says so. */
export const UNREADABLE = 'hub-glass';
/** The kinds of reading that a finding of comparing, or of a glass, rests on; null where it is of one reading as it is. */
const restsOn = (kind: string): readonly string[] | null => {
  if (kind === UNREADABLE) return ['hub-oil'];
  return FITTED.has(kind) ? FITTED_AT : (comparisonOf(kind)?.rests ?? null);
};

/** Whether what was found by comparing rests on a reading; null where it compares nothing. */
export function comparesReading(
  { kind, axle, side }: { kind: string } & Pick<FoundDefect, 'axle' | 'side'>,
  reading: Reading,
): boolean | null {
  const kinds = restsOn(kind);
  if (!kinds) return null;
  const at = readingPlace(reading);
  const acrossAxle = side === null || comparisonOf(kind)?.between === 'axle';
  return kinds.includes(reading.kind) && at.axle === axle && (acrossAxle || at.side === side);
}

/** Whether a finding rests on a reading: on it alone, or on comparing it with another. */
export const restsOnReading = (finding: Finding, reading: Reading): boolean =>
  comparesReading(finding, reading) ?? keyOf(finding) === readingKey(reading);

/** Those of the findings that rest on an inspection's own readings: another's finding keeps its own reader. */
export function ownFindings(findings: readonly Finding[], own: readonly Reading[]): Finding[] {
  const keys = new Set<string>(own.map(readingKey));
  return findings.filter((each) =>
    restsOn(each.kind) ? own.some((reading) => restsOnReading(each, reading)) : keys.has(keyOf(each)),
  );
}

/** Of what was found past a limit, what no open defect tells of already: under its code, at its place. */
export const causesOf = (
  findings: readonly Finding[],
  defects: readonly (Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'> & { state: DefectState })[],
): Finding[] => {
  const told = new Set(defects.filter(({ state }) => isOpenDefect(state)).map(named));
  return findings.filter((each) => isFault(each) && !told.has(named({ ...each, code: codeOf(each) })));
};

/**
 * A fault as it is reported. A reading holds as its verdict says, or by practice; a sign seen by eye as it would
 * hold were it reported by a driver.
 */
export function foundDefect(finding: Finding, rules: SignRules): FoundDefect {
  const { axle, side, tyre, said, verdict } = finding;
  const code = codeOf(finding);
  const hold =
    catalogueEntry(code) || parseOwnCode(code)
      ? holdsFromReport(code, rules)
      : holds(verdict) || finding.holds === true;
  return { code, axle, side, tyre, said, holds: hold, verdict };
}

/** What findings report: one defect for each failing one at a place that has none open yet. */
export function foundDefects(
  findings: readonly Finding[],
  open: readonly Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>[],
  rules: SignRules,
): FoundDefect[] {
  const known = new Set(open.map(named));
  return findings
    .filter(isFault)
    .map((each) => foundDefect(each, rules))
    .filter((each) => !known.has(named(each)));
}

/** Why an inspection holds its unit: what it found that holds, or its brake count; null when it does not. */
export function holdReason(verdict: Verdict, found: readonly Pick<FoundDefect, 'holds'>[]): string | null {
  const count = found.filter((each) => each.holds).length;
  if (count === 0 && verdict !== 'out-of-service') return null;
  return `Inspection: ${verdict}, ${count} ${count === 1 ? 'finding' : 'findings'}`;
}
