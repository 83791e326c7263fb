import { type DefectState, holdsByLaw, isOpenDefect } from '../defects';
import { holds } from '../judge';
import type { BookId, Verdict } from '../limits';
import { defectWords, isByEye, parseSubject } from '../reading';
import { type Said, said } from '../said';

export interface ReleaseQuestion {
  /** The book the unit is judged by. */
  book: BookId;
  held: boolean;
  defects: readonly { code: string; place: string; state: DefectState; holds: boolean }[];
  /** Verdicts of the readings that stand now, with the place each was taken at. */
  readings: readonly { place: string; kind: string; verdict: Verdict }[];
}

/**
 * What still stands in the way of releasing a held trailer; empty when it may be released.
 * A trailer is held until every defect that holds it, by an answer or by its book, is certified, and no standing reading
 * is past a legal limit.
 */
export function releaseBarriers({ book, held, defects, readings }: ReleaseQuestion): Said[] {
  if (!held) return [said('not-held')];
  const open = defects.filter(
    ({ code, state, ...defect }) => (defect.holds || holdsByLaw(code, book)) && isOpenDefect(state),
  );
  const named = new Set(open.map(({ code, place }) => `${code} ${place}`));
  // What a check by eye found has its own defects: they hold, and their repair ends it.
  const failing = readings.filter(
    ({ verdict, kind, place }) => holds(verdict) && !isByEye(parseSubject(kind).kind) && !named.has(`${kind} ${place}`),
  );
  return [
    ...open.map(({ code, place, state }) => said('barred-by-defect', { place, what: defectWords(code), state })),
    ...failing.map(({ place, kind }) => said('barred-by-reading', { place, what: defectWords(kind) })),
  ];
}
