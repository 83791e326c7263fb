import { chosen, type Random } from '../../chance';
import type { Route } from '../../inspection';
import type { KeptCheck } from '../../limits';
import { goodHub, type ReadingKey, type Step } from '../../reading';
import {
  type Axle,
  type Chamber,
  isDisc,
  type Side,
  type Unit,
  type UnitKind,
  wheelEnd,
  wheelEnds,
} from '../../trailer';
import { GOOD, type Promised } from './settings';
import type { EndTruth, UnitTruth } from './truth';

/** A fault that was hidden, and the steps that read otherwise because of it. */
export interface Hidden {
  id: string;
  words: string;
  unit: string;
  axle: number | null;
  side: Side | null;
  keys: ReadingKey[];
  /** How it is found out, where it deceives. */
  foundOut: string | null;
  /** What it is to be judged by itself, as the settings or the book's severities have it, before anything was judged. */
  promised: Promised;
}

/** One unit of what was made up. */
export interface MadeUpUnit {
  /** As its papers have it: what the pad shows. */
  unit: Unit & { number: string; body: string };
  /** As it stands there: a chamber may be another. */
  fitted: Unit;
  truth: UnitTruth;
  steps: Step[];
}

/** A trailer, a combination or a power unit with hidden faults. The same seed, level and route make the same one. */
export interface MadeUp {
  seed: number;
  level: number;
  route: Route;
  units: MadeUpUnit[];
  hidden: Hidden[];
  /** The shop's own checks, as they stood. */
  checks: readonly KeptCheck[];
}

export const VEHICLES = ['trailer', 'dolly', 'combination', 'tractor', 'truck', 'bus'] as const;
export type Vehicle = (typeof VEHICLES)[number];
export const VEHICLE_WORDS: Record<Vehicle, string> = {
  trailer: 'A trailer',
  dolly: 'A dolly',
  combination: 'A trailer on a dolly',
  tractor: 'A tractor',
  truck: 'A truck',
  bus: 'A bus',
};
export const KINDS: Record<Vehicle, readonly UnitKind[]> = {
  trailer: ['semitrailer'],
  dolly: ['dolly'],
  combination: ['dolly', 'semitrailer'],
  tractor: ['tractor'],
  truck: ['truck'],
  bus: ['bus'],
};

const CHAMBER: Chamber = { type: 'clamp', size: '30', stroke: 'standard' };
const BODIES = ['Seed hopper', 'Live-floor, chips', 'Refrigerated, roots', 'Drop-deck'] as const;

export const from = (random: Random, [least, most]: readonly [number, number]): number =>
  least + random.below(most - least + 1);

function axlesOf(random: Random, kind: UnitKind, level: number): Axle[] {
  const power = kind === 'tractor' || kind === 'truck' || kind === 'bus';
  const count =
    kind === 'dolly' ? 1 : power ? (kind === 'tractor' ? 3 : 2) : level >= 2 && random.next() < 0.35 ? 3 : 2;
  const disc = level >= 2 && random.next() < 0.15;
  const suspension = random.next() < 0.5 ? 'air' : 'spring';
  return Array.from({ length: count }, (_, nth): Axle => {
    const steer = power && nth === 0;
    return {
      brake: disc ? 'air-disc' : 's-cam',
      chamber: CHAMBER,
      adjuster: 'automatic',
      tyres: steer || random.next() < 0.3 ? 'single' : 'dual',
      hub: 'oil',
      liningStyle: 'pads',
      suspension,
      target: `${GOOD.targetPsi} psi`,
      ...(steer ? { steer } : {}),
    };
  });
}

export function unitOf(random: Random, kind: UnitKind, level: number, nth: number): MadeUpUnit['unit'] {
  const body = kind === 'semitrailer' ? chosen(random, BODIES) : kind === 'dolly' ? 'Dolly' : `Made-up ${kind}`;
  return {
    id: `made-up-${nth + 1}`,
    number: `P-${10 + random.below(89)}`,
    body,
    kind,
    axles: axlesOf(random, kind, level),
    features: {
      coupling: kind === 'semitrailer' ? 'king-pin' : 'fifth-wheel',
      autoInflation: random.next() < 0.3,
      liftGate: kind === 'truck',
      refrigeration: /refrigerated/i.test(body),
    },
  };
}

function goodEnd(random: Random, unit: Unit, axle: number, side: Side): EndTruth {
  const end = wheelEnd(unit, axle, side);
  if (!end) throw new Error('no such end');
  const thick = from(random, GOOD.lining32);
  const tread = from(random, GOOD.tread32);
  const psi = from(random, GOOD.psi);
  const tyre = () => ({
    grooves: [0, 1, 2].map(() => [0, 1, 2, 3].map(() => tread + random.below(2))),
    psi: psi + random.below(3) - 1,
  });
  return {
    axle,
    side,
    stroke16: from(random, GOOD.stroke16),
    free16: from(random, GOOD.free16),
    lining32: Array.from({ length: isDisc(end) ? 2 : 4 }, () => thick + random.below(2)),
    drum32: from(random, GOOD.drum32),
    rotorMm2: from(random, GOOD.rotorMm2),
    play1000: from(random, GOOD.play1000),
    // Follows from the place: drawn by lot it would change every unit that is made.
    heatF: GOOD.heatF + ((axle * 5 + (side === 'left' ? 3 : 0)) % 12),
    tyres: end.tyres === 'dual' ? { inner: tyre(), outer: tyre() } : { single: tyre() },
    hub: goodHub(end.hub),
    stain: null,
    holes: 10,
    loose: [],
    missing: [],
    rust: [],
    touching: false,
    codes: [],
  };
}

export const goodTruth = (random: Random, unit: Unit): UnitTruth => {
  const pin = from(random, GOOD.pin64);
  return {
    ends: wheelEnds(unit).map(({ axle, side }) => goodEnd(random, unit, axle, side)),
    seen: [],
    own: [],
    pin64: [pin, pin - random.below(2)],
    flap4: { left: from(random, GOOD.flap4), right: from(random, GOOD.flap4) },
    guard2: from(random, GOOD.guard2),
    built: GOOD.built,
    pins: { pins: 4, seated: 4 },
    playWheel8: from(random, GOOD.playWheel8),
    air: {
      released: [115, 114],
      applied: [100, 98],
      suspension: [100, 99],
      lowAir: from(random, GOOD.lowAir),
      springBrake: from(random, GOOD.springBrake),
      cutIn: from(random, GOOD.cutIn),
      cutOut: from(random, GOOD.cutOut),
      buildUp: from(random, GOOD.buildUp),
    },
  };
};
