import { goodReading, type HubNotes, type LAMPS, type Reading, type Step } from '../../reading';
import { positionCode, type Side, type Tyre } from '../../trailer';
import { type OwnSeen, ownReading } from './own';
import { signsOf } from './signs';

/** A tyre as it is: grooves in thirty-seconds of an inch, a row for each of three places round it. */
export interface TyreTruth {
  grooves: number[][];
  psi: number;
}

/** One axle end as it is. Strokes in sixteenths, lining and drum in thirty-seconds of an inch, a rotor in half millimetres. */
export interface EndTruth {
  axle: number;
  side: Side;
  stroke16: number;
  free16: number;
  /** By shoe or pad: what the viewing hole shows first, then what only the other side shows. */
  lining32: number[];
  drum32: number;
  rotorMm2: number;
  /** Bearing end play, in thousandths of an inch. */
  play1000: number;
  /** After its run, in degrees Fahrenheit. */
  heatF: number;
  tyres: Partial<Record<Tyre, TyreTruth>>;
  hub: HubNotes;
  /** What the glass shows before it is wiped; null where it is clean. */
  stain: NonNullable<HubNotes['level']> | null;
  holes: number;
  loose: number[];
  missing: number[];
  rust: number[];
  touching: boolean;
  /** Codes of the catalogue that can be seen here. */
  codes: string[];
}

/** Something seen at the unit as a whole, at the check it is seen by. */
export interface Seen {
  check: string;
  code: string;
  on?: (typeof LAMPS)[number];
}

/** A unit as it is. Pin in sixty-fourths, flaps in quarters, the rear guard in halves, wheel play in eighths of an inch. */
export interface UnitTruth {
  ends: EndTruth[];
  seen: Seen[];
  /** What the shop's own checks show. */
  own: OwnSeen[];
  pin64: [number, number];
  flap4: Record<Side, number>;
  guard2: number;
  /** The year on its plate. */
  built: number;
  pins: { pins: number; seated: number };
  playWheel8: number;
  /** Pounds per square inch, as the gauges of the made-up system show them. */
  air: {
    released: [number, number];
    applied: [number, number];
    suspension: [number, number];
    lowAir: number;
    springBrake: number;
    cutIn: number;
    cutOut: number;
    buildUp: number;
  };
}

/** A length of so many parts of an inch, as people write it: `1 7/8 in`, `3/8 in`, `2 in`. */
export function inches(count: number, parts: number): string {
  const whole = Math.floor(count / parts);
  let [top, bottom] = [count - whole * parts, parts];
  while (top > 0 && top % 2 === 0 && bottom % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  if (top === 0) return `${whole} in`;
  return whole === 0 ? `${top}/${bottom} in` : `${whole} ${top}/${bottom} in`;
}

export const endAt = (truth: UnitTruth, axle: number, side: Side): EndTruth => {
  const end = truth.ends.find((each) => each.axle === axle && each.side === side);
  if (!end) throw new Error(`there is no ${positionCode({ axle, side })}`);
  return end;
};

const psi = (value: number): string => `${value} psi`;

/** What is to be read at an axle end; null where the step asks for what is not there. */
function atEnd(end: EndTruth, step: Step, target: number): Reading | null {
  const { axle, side } = end;
  const at = { axle, side };
  const tyre = step.tyre ? end.tyres[step.tyre] : undefined;
  switch (step.kind) {
    case 'stroke-applied':
      return { kind: step.kind, ...at, value: inches(end.stroke16, 16), reservoir: psi(95) };
    case 'stroke-free':
      return { kind: step.kind, ...at, value: inches(end.free16, 16), method: 'bar' };
    case 'slack-pull':
      return { kind: step.kind, ...at, value: inches(end.free16, 16) };
    case 'scribe-marks':
      return { kind: step.kind, ...at, marks: [inches(1, 32), inches(end.stroke16 > 30 ? 4 : 1, 32)] };
    case 'lining':
      return { kind: step.kind, ...at, points: end.lining32.map((each) => inches(each, 32)) };
    case 'drum':
      return { kind: step.kind, ...at, value: inches(end.drum32, 32) };
    case 'rotor':
      return { kind: step.kind, ...at, value: `${end.rotorMm2 / 2} mm` };
    case 'end-play':
      return { kind: step.kind, ...at, value: `${(end.play1000 / 1_000).toFixed(3)} in` };
    case 'wheel-temperature':
      return { kind: step.kind, ...at, value: `${end.heatF} °F` };
    case 'dual':
      return { kind: step.kind, ...at, touching: end.touching };
    case 'hub-oil':
      return { kind: step.kind, ...at, ...end.hub };
    case 'wheel-nuts': {
      const { holes, loose, missing, rust } = end;
      return { kind: step.kind, ...at, holes, loose, missing, rust };
    }
    case 'tread':
      if (!tyre || !step.tyre) return null;
      return {
        kind: step.kind,
        ...at,
        tyre: step.tyre,
        grooves: tyre.grooves.map((row) => row.map((each) => `${each}/32`)),
      };
    case 'pressure':
      if (!tyre || !step.tyre) return null;
      return { kind: step.kind, ...at, tyre: step.tyre, value: psi(tyre.psi), target: psi(target) };
    case 'check':
      return {
        kind: step.kind,
        ...at,
        check: step.item ?? '',
        found: signsOf(step.item ?? '', end.codes),
        how: 'seen',
      };
    default:
      return goodReading(step.kind, step);
  }
}

/** What is to be read at the unit as a whole, or on one side of it. */
function atUnit(truth: UnitTruth, step: Step): Reading | null {
  const { air } = truth;
  switch (step.kind) {
    case 'king-pin':
      return { kind: step.kind, pin: [inches(truth.pin64[0], 64), inches(truth.pin64[1], 64)] };
    case 'mud-flap':
      return step.side ? { kind: step.kind, side: step.side, value: inches(truth.flap4[step.side], 4) } : null;
    case 'guard-height':
      return { kind: step.kind, value: inches(truth.guard2, 2), built: truth.built };
    case 'slider-pins':
      return { kind: step.kind, ...truth.pins };
    case 'wheel-play':
      return { kind: step.kind, value: inches(truth.playWheel8, 8), wheel: '20 in', power: true };
    case 'check': {
      const here = truth.seen.filter(({ check }) => check === step.item);
      const on = here.find((each) => each.on)?.on;
      return {
        kind: step.kind,
        check: step.item ?? '',
        found: here.map(({ code }) => code),
        how: 'seen',
        ...(on ? { on } : {}),
      };
    }
    case 'air-test': {
      const leak = (from: [number, number], seconds: number) => ({ start: psi(from[0]), end: psi(from[1]), seconds });
      const { kind } = step;
      switch (step.item) {
        case 'leak-released':
          return { kind, test: step.item, ...leak(air.released, 60), vehicles: 'single' };
        case 'leak-applied':
          return { kind, test: step.item, ...leak(air.applied, 60), vehicles: 'single' };
        case 'suspension-leak':
          return { kind, test: step.item, ...leak(air.suspension, 300) };
        case 'low-air':
          return { kind, test: step.item, value: psi(air.lowAir) };
        case 'spring-brake':
          return { kind, test: step.item, value: psi(air.springBrake) };
        case 'governor':
          return { kind, test: step.item, cutIn: psi(air.cutIn), cutOut: psi(air.cutOut) };
        case 'build-up':
          return { kind, test: step.item, seconds: air.buildUp };
        default:
          return null;
      }
    }
    default:
      return goodReading(step.kind, step);
  }
}

/** What a step of the route reads on a unit as it is; null where the step asks for what is not there. */
export function trueReading(truth: UnitTruth, step: Step, targetPsi: number): Reading | null {
  if (step.kind === 'own-check') return ownReading(truth.own, step);
  return step.axle && step.side ? atEnd(endAt(truth, step.axle, step.side), step, targetPsi) : atUnit(truth, step);
}
