import { type DefectState, defectWords, isOpenDefect } from '../defects';
import { holds } from '../judge';
import type { Verdict } from '../limits';

export interface ReleaseQuestion {
  held: boolean;
  defects: readonly { code: string; place: string; state: DefectState; holds: boolean }[];
  /** Verdicts of the readings that stand now, with the place each was taken at. */
  readings: readonly { place: string; kind: string; verdict: Verdict }[];
}

/**
 * What still stands in the way of releasing a held trailer; empty when it may be released.
 * A trailer is held until every holding defect is certified and no standing reading is past a legal limit.
 */
export function releaseBarriers({ held, defects, readings }: ReleaseQuestion): string[] {
  if (!held) return ['The trailer is not held.'];
  const open = defects
    .filter((defect) => defect.holds && isOpenDefect(defect.state))
    .map(({ code, place, state }) => `${place}: ${defectWords(code)} is ${state}, not certified.`);
  const failing = readings
    .filter(({ verdict }) => holds(verdict))
    .map(({ place, kind, verdict }) => `${place}: the last ${kind} reading is ${verdict}.`);
  return [...open, ...failing];
}
