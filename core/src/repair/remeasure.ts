import { catalogueEntry } from '../defects';
import type { Verdict } from '../limits';
import {
  comparePositions,
  expectedAt,
  isMeasuredKind,
  type MeasuredKind,
  positionCode,
  type Side,
  type Step,
  stepKey,
  type Tyre,
  type Unit,
  wheelEnd,
} from '../trailer';

/** A defect as far as measuring again is concerned. `code` is a catalogue code, or the kind of reading that failed. */
export interface RepairedDefect {
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
}

/** A reading as it stands now at a place. `at` is an ISO instant. */
export interface StandingReading {
  key: string;
  verdict: Verdict;
  at: string;
}

/** Readings that a repair of the thing itself changes with it: a reline moves the stroke too. */
const MOVED_BY: Record<MeasuredKind, readonly MeasuredKind[]> = {
  'stroke-applied': ['stroke-applied'],
  lining: ['lining', 'stroke-applied'],
  tread: ['tread'],
  'hub-oil': ['hub-oil'],
};

const kindsOf = (code: string): readonly MeasuredKind[] =>
  isMeasuredKind(code) ? MOVED_BY[code] : (catalogueEntry(code)?.remeasure ?? []);

/** What must be measured again after these defects are repaired: each place and kind once, front to rear. */
export function toRemeasure(unit: Unit, defects: readonly RepairedDefect[]): Step[] {
  const steps = defects.flatMap(({ code, axle, side, tyre }) => {
    const end = axle !== null && side !== null ? wheelEnd(unit, axle, side) : null;
    const kinds = kindsOf(code);
    return end
      ? expectedAt(end).filter((each) => kinds.includes(each.kind) && (!each.tyre || !tyre || each.tyre === tyre))
      : [];
  });
  const once = new Map(steps.map((each) => [stepKey(each), each]));
  return [...once.values()].sort((a, b) => comparePositions(a, b) || a.kind.localeCompare(b.kind));
}

/** Of the places to measure again, those not yet read after `since` or not inside every limit; with the reason. */
export function stillToRemeasure(
  steps: readonly Step[],
  standing: readonly StandingReading[],
  since: string | null,
): { step: Step; because: string }[] {
  const now = new Map(standing.map((reading) => [reading.key, reading]));
  return steps.flatMap((step) => {
    const reading = now.get(stepKey(step));
    const place = positionCode(step);
    if (!reading || since === null || reading.at < since)
      return [{ step, because: `${place} was not measured again after the repair` }];
    if (reading.verdict === 'within' || reading.verdict === 'shop-limit') return [];
    return [{ step, because: `${place} measured again: ${reading.verdict}` }];
  });
}
