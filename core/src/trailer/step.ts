import { hasAirBrake, hasBrake, type Side, type Tyre, tyresOf, type Unit, type WheelEnd, wheelEnds } from './gear';
import { type Place, placeCode } from './position';

/** The four measured things every axle position is asked for. */
export const MEASURED_KINDS = ['stroke-applied', 'lining', 'tread', 'hub-oil'] as const;
export type MeasuredKind = (typeof MEASURED_KINDS)[number];

/** Everything a step of a route may ask for. */
export const STEP_KINDS = [
  ...MEASURED_KINDS,
  'stroke-free',
  'drum',
  'rotor',
  'pressure',
  'dual',
  'wheel-nuts',
  'end-play',
  'king-pin',
  'slider-pins',
  'mud-flap',
  'air-test',
  'check',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** What takes the bench to measure: brakes, bearings and the king pin are not read on a driver's walk. */
export const BENCH_KINDS: readonly string[] = [
  'stroke-applied',
  'stroke-free',
  'lining',
  'drum',
  'rotor',
  'end-play',
  'king-pin',
];

/** What people call each of them. */
export const KIND_WORDS: Record<StepKind, string> = {
  'stroke-applied': 'Applied stroke',
  lining: 'Lining',
  tread: 'Tread',
  'hub-oil': 'Hub oil',
  'stroke-free': 'Free stroke',
  drum: 'Drum diameter',
  rotor: 'Rotor thickness',
  pressure: 'Tyre pressure',
  dual: 'Dual spacing',
  'wheel-nuts': 'Wheel nuts',
  'end-play': 'Bearing end play',
  'king-pin': 'King pin',
  'slider-pins': 'Slider pins',
  'mud-flap': 'Mud-flap clearance',
  'air-test': 'Air test',
  check: 'Check by eye',
};

export const AIR_TESTS = [
  'leak-released',
  'leak-applied',
  'low-air',
  'spring-brake',
  'governor',
  'build-up',
  'suspension-leak',
] as const;
export type AirTest = (typeof AIR_TESTS)[number];

export const AIR_TEST_WORDS: Record<AirTest, string> = {
  'leak-released': 'Leak-down, brakes released',
  'leak-applied': 'Leak-down, brakes applied',
  'low-air': 'Low-air warning',
  'spring-brake': 'Spring brakes apply',
  governor: 'Governor',
  'build-up': 'Air build-up',
  'suspension-leak': 'Air suspension leak',
};

export const isMeasuredKind = (kind: string): kind is MeasuredKind =>
  (MEASURED_KINDS as readonly string[]).includes(kind);
export const isStepKind = (kind: string): kind is StepKind => kind in KIND_WORDS;

/** One thing to measure or look at, at one place. `item` names the check or air test. */
export interface Step {
  kind: StepKind;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  item?: string;
  /** The section of the route it belongs to. */
  section?: string;
}
/** One of the four measured things, which always stand at an axle end. */
export type MeasuredStep = Step & { kind: MeasuredKind; axle: number; side: Side };

/** Stable name of a step or of a reading's place, unique within a unit: `stroke-applied@2L`, `tread@2L-out`, `air-test:low-air@unit`. */
export const stepKey = ({ kind, item, ...place }: { kind: string; item?: string } & Place): string =>
  `${kind}${item ? `:${item}` : ''}@${placeCode(place)}`;

const step = (kind: MeasuredKind, end: WheelEnd, tyre: Tyre | null = null): MeasuredStep => ({
  kind,
  axle: end.axle,
  side: end.side,
  tyre,
});

/** What one wheel end is expected to be measured for, in the order of {@link MEASURED_KINDS}. */
export function expectedAt(end: WheelEnd): MeasuredStep[] {
  return [
    ...(hasAirBrake(end) ? [step('stroke-applied', end)] : []),
    ...(hasBrake(end) ? [step('lining', end)] : []),
    ...tyresOf(end).map((tyre) => step('tread', end, tyre)),
    step('hub-oil', end),
  ];
}

/** Every reading a full measurement of the unit needs. */
export const expectedReadings = (unit: Unit): MeasuredStep[] => wheelEnds(unit).flatMap(expectedAt);
