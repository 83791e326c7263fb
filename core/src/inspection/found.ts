import { type Finding, holds } from '../judge';
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
