import { keyOf } from '../reading';
import { type Place, placeRank } from '../trailer';
import type { Finding } from './finding';
import type { Opinion } from './opinion';
import { VERDICT_RANK } from './verdict';

/** An opinion at its place. Written out field by field: thousands are made for one judgement of a fleet. */
export const findingOf = (unit: string, { axle, side, tyre }: Place, kind: string, of: Opinion): Finding => ({
  unit,
  axle: axle ?? null,
  side: side ?? null,
  tyre: tyre ?? null,
  kind,
  verdict: of.verdict,
  measured: of.measured,
  limit: of.limit,
  margin: of.margin,
  share: of.share,
  rule: of.rule,
  sure: of.sure,
  said: of.said,
  ...(of.holds ? { holds: true } : {}),
});

/** The unique name of a finding's place and kind within its unit. */
export const findingKey = ({ kind, axle, side, tyre }: Finding): string => keyOf({ kind, axle, side, tyre });

/** More than any unit of a request and any place of a unit. */
const [UNITS, PLACES] = [1_000, 10_000];

const compareTexts = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Findings worst first: by verdict, share, unit, place and kind. The order of their units is given by id. */
export function sortFindings(findings: readonly Finding[], units: readonly string[]): Finding[] {
  const order = new Map(units.map((id, index) => [id, index]));
  const rank = (each: Finding): number => {
    const grave = VERDICT_RANK[each.verdict] * 3 + 2 - each.share * 2;
    return (grave * UNITS + (order.get(each.unit) ?? 0)) * PLACES + placeRank(each);
  };
  return findings
    .map((finding) => ({ finding, at: rank(finding) }))
    .sort(
      (a, b) =>
        a.at - b.at ||
        compareTexts(a.finding.kind, b.finding.kind) ||
        compareTexts(a.finding.measured ?? '', b.finding.measured ?? '') ||
        compareTexts(JSON.stringify(a.finding.said), JSON.stringify(b.finding.said)),
    )
    .map(({ finding }) => finding);
}
