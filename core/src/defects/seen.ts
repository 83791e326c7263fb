import { catalogueEntry, parseOwnCode } from '../catalogue';
import type { Side, Tyre } from '../trailer';
import { type DefectState, isOpenDefect } from './life';

/** A reported defect as far as judging is concerned. */
export interface ReportedDefect {
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  state: DefectState;
}

export interface SeenDefect {
  kind: 'defect';
  code: string;
  axle?: number;
  side?: Side;
  tyre?: Tyre;
}

/** The defects found by eye that still stand, as readings: a known fault counts in every judgement until it is repaired. */
export const seenDefects = (defects: readonly ReportedDefect[]): SeenDefect[] =>
  defects
    .filter(
      ({ state, code }) => isOpenDefect(state) && state !== 'done' && (catalogueEntry(code) || parseOwnCode(code)),
    )
    .map(({ code, axle, side, tyre }) => ({
      kind: 'defect',
      code,
      ...(axle && side ? { axle, side } : {}),
      ...(tyre ? { tyre } : {}),
    }));
