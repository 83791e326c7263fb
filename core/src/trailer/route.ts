import { hasAirBrake, hasBrake, type Tyre, tyresOf, type Unit, type WheelEnd, wheelEnds } from './gear';
import { type Position, positionCode } from './position';

/** The four measured things every axle position is asked for. */
export const MEASURED_KINDS = ['stroke-applied', 'lining', 'tread', 'hub-oil'] as const;
export type MeasuredKind = (typeof MEASURED_KINDS)[number];

/** What people call each of them. */
export const MEASURED_WORDS: Record<MeasuredKind, string> = {
  'stroke-applied': 'Applied stroke',
  lining: 'Lining',
  tread: 'Tread',
  'hub-oil': 'Hub oil',
};

export const isMeasuredKind = (kind: string): kind is MeasuredKind => kind in MEASURED_WORDS;

/** One thing to measure at one place. */
export interface Step extends Position {
  kind: MeasuredKind;
  tyre: Tyre | null;
}

/** Stable name of a step or of a reading's place, unique within a unit: `stroke-applied@2L`, `tread@2L-out`. */
export const stepKey = (step: { kind: string } & Position): string => `${step.kind}@${positionCode(step)}`;

const step = (kind: MeasuredKind, end: WheelEnd, tyre: Tyre | null = null): Step => ({
  kind,
  axle: end.axle,
  side: end.side,
  tyre,
});

/** What one wheel end is expected to be measured for, in the order of {@link MEASURED_KINDS}. */
export function expectedAt(end: WheelEnd): Step[] {
  return [
    ...(hasAirBrake(end) ? [step('stroke-applied', end)] : []),
    ...(hasBrake(end) ? [step('lining', end)] : []),
    ...tyresOf(end).map((tyre) => step('tread', end, tyre)),
    step('hub-oil', end),
  ];
}

/** Every reading a full measurement of the unit needs. */
export const expectedReadings = (unit: Unit): Step[] => wheelEnds(unit).flatMap(expectedAt);

/**
 * The order in which one person measures a unit: every stroke first, while the air is up and the brake held,
 * then lining, tyres and hub from one kneeling position at each wheel end, down the left side and back up the right.
 */
export function measuringRoute(unit: Unit): Step[] {
  const ends = wheelEnds(unit);
  const walk = [...ends.filter((end) => end.side === 'left'), ...ends.filter((end) => end.side === 'right').reverse()];
  const strokes = walk.filter(hasAirBrake).map((end) => step('stroke-applied', end));
  return [...strokes, ...walk.flatMap((end) => expectedAt(end).filter(({ kind }) => kind !== 'stroke-applied'))];
}
