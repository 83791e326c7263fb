import { catalogueEntry } from '../catalogue';
import { endSteps } from '../inspection';
import type { Verdict } from '../limits';
import { comparisonOf, isStepKind, keyOf, parseSubject, type Step, type StepKind } from '../reading';
import { comparePositions, placeCode, SIDES, type Side, type Tyre, type Unit } from '../trailer';
import type { Moved } from './templates';

/** A defect as far as measuring again is concerned. `code` is a catalogue code, or the kind of reading that failed. */
export interface RepairedDefect {
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
}

/** A reading as it stands now at a place: when it was taken, by whom, and when the server learnt of it. ISO instants. */
export interface StandingReading {
  key: string;
  verdict: Verdict;
  at: string;
  by: string;
  recordedAt: string;
}

/** When the server learnt that a repair is done, and from whom. */
export interface Finished {
  at: string;
  by: string;
}

/**
 * Whether a reading was surely taken after the repair. One person's acts reach the server in their order; of another
 * person's only those are later that were taken after the server knew of the end.
 */
const isAfter = (reading: StandingReading, finished: Finished): boolean =>
  reading.by === finished.by ? reading.recordedAt >= finished.at : reading.at >= finished.at;

/** Readings that a repair of the thing itself changes with it: a reline moves the stroke too, a new tyre is inflated. */
const MOVED_BY: Partial<Record<StepKind, readonly StepKind[]>> = {
  tread: ['tread', 'pressure'],
  lining: ['lining', 'stroke-applied'],
  drum: ['drum', 'stroke-applied'],
  // Heat is read after a run, and what is held does not run: what made it is read in the bay.
  'wheel-temperature': ['stroke-free', 'end-play'],
};

function kindsOf(code: string): readonly StepKind[] {
  const { kind } = parseSubject(code);
  const compared = comparisonOf(kind);
  const read = compared?.kind ?? kind;
  // Of two tyres both are read again, and nothing else: they may only have been changed about.
  if (isStepKind(read)) return compared?.between === 'dual' ? [read] : (MOVED_BY[read] ?? [read]);
  return catalogueEntry(code)?.remeasure.filter(isStepKind) ?? [];
}

/** Every step of these kinds at a defect's place. */
function stepsAt(unit: Unit, kinds: readonly StepKind[], { code, axle, side, tyre }: RepairedDefect): Step[] {
  const { kind, item } = parseSubject(code);
  const asks = kinds.map((each) => ({ kind: each, ...(each === kind && item ? { item } : {}) }));
  const sides = comparisonOf(kind)?.between === 'axle' ? SIDES : side === null ? [] : [side];
  if (axle !== null && sides.length)
    return sides
      .flatMap((each) => endSteps(unit, asks, axle, each))
      .filter((each) => !each.tyre || !tyre || each.tyre === tyre);
  return asks.map((asked) => ({ ...asked, axle: null, side: asked.kind === 'mud-flap' ? side : null, tyre: null }));
}

/** Every step of what a job's work may have moved. */
const stepsMoved = (unit: Unit, { kind, axle, side }: Moved): Step[] =>
  axle !== null && side !== null
    ? endSteps(unit, [{ kind }], axle, side)
    : [{ kind, axle: null, side: null, tyre: null }];

/**
 * What must be measured again after these defects are repaired: where they were, and whatever the job's work may have moved
 * besides, both ends of a relined axle. Each place and kind once, front to rear.
 */
export function toRemeasure(unit: Unit, defects: readonly RepairedDefect[], moved: readonly Moved[] = []): Step[] {
  const steps = [
    ...defects.flatMap((defect) => stepsAt(unit, kindsOf(defect.code), defect)),
    ...moved.flatMap((each) => stepsMoved(unit, each)),
  ];
  const once = new Map(steps.map((each) => [keyOf(each), each]));
  return [...once.values()].sort((a, b) => comparePositions(a, b) || a.kind.localeCompare(b.kind));
}

/** Of the places to measure again, those not yet read since it was `finished` or not inside every limit; with the reason. */
export function stillToRemeasure(
  steps: readonly Step[],
  standing: readonly StandingReading[],
  finished: Finished | null,
): { step: Step; because: string }[] {
  const now = new Map<string, StandingReading>(standing.map((reading) => [reading.key, reading]));
  return steps.flatMap((step) => {
    const reading = now.get(keyOf(step));
    const place = placeCode(step);
    if (!reading || finished === null || !isAfter(reading, finished))
      return [{ step, because: `${place} was not measured again after the repair` }];
    if (reading.verdict === 'within' || reading.verdict === 'shop-limit') return [];
    return [{ step, because: `${place} measured again: ${reading.verdict}` }];
  });
}
