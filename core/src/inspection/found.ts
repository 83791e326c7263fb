import { type DefectState, isOpenDefect } from '../defects';
import { type Finding, holds } from '../judge';
import { keyOf, type Reading, readingKey, readingPlace } from '../reading';
import type { Side, Tyre } from '../trailer';

/** A fault as it is reported: under its code, at its place. */
export interface FoundDefect {
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  words: string;
  holds: boolean;
}

const isFault = ({ verdict, kind }: Finding): boolean =>
  kind !== 'defect' && (holds(verdict) || verdict === 'shop-limit');

/** The code a finding is reported under: what a check by eye found, or the kind of the reading that failed. */
const codeOf = ({ kind, measured }: Finding): string => (kind.startsWith('check:') && measured ? measured : kind);

const named = ({ code, axle, side, tyre }: Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>): string =>
  `${code} ${axle} ${side} ${tyre}`;

/** Findings of comparing readings: the kind of those they rest on. */
const COMPARED: Readonly<Record<string, readonly string[]>> = {
  'dual-tread': ['tread'],
  'dual-pressure': ['pressure'],
  'dual-pair': ['tread', 'pressure'],
  'chamber-match': ['stroke-applied'],
  'adjuster-match': ['stroke-applied'],
};

/** Those of the findings that rest on an inspection's own readings: another's finding keeps its own reader. */
export function ownFindings(findings: readonly Finding[], own: readonly Reading[]): Finding[] {
  const keys = new Set<string>(own.map(readingKey));
  const compared = (finding: Finding, kinds: readonly string[]) =>
    own.some((reading) => {
      const { axle, side } = readingPlace(reading);
      return kinds.includes(reading.kind) && axle === finding.axle && (finding.side === null || side === finding.side);
    });
  return findings.filter((each) => {
    const kinds = COMPARED[each.kind];
    return kinds ? compared(each, kinds) : keys.has(keyOf(each));
  });
}

/** Of what was found past a limit, what no open defect tells of already: under its code, at its place. */
export const causesOf = (
  findings: readonly Finding[],
  defects: readonly (Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'> & { state: DefectState })[],
): Finding[] => {
  const told = new Set(defects.filter(({ state }) => isOpenDefect(state)).map(named));
  return findings.filter((each) => isFault(each) && !told.has(named({ ...each, code: codeOf(each) })));
};

/** What an inspection reports: one defect for each failing finding at a place that has none open yet. */
export function foundDefects(
  findings: readonly Finding[],
  open: readonly Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>[],
): FoundDefect[] {
  const known = new Set(open.map(named));
  return findings
    .filter(isFault)
    .map((each) => ({
      code: codeOf(each),
      axle: each.axle,
      side: each.side,
      tyre: each.tyre,
      words: each.because,
      holds: holds(each.verdict),
    }))
    .filter((each) => !known.has(named(each)));
}

/** Why an inspection holds its unit; null when it does not. */
export function holdReason({ verdict, findings }: { verdict: Finding['verdict']; findings: readonly Finding[] }) {
  if (!holds(verdict)) return null;
  const count = findings.filter((each) => holds(each.verdict)).length;
  return `Inspection: ${verdict}, ${count} ${count === 1 ? 'finding' : 'findings'}`;
}
