import { chosen, type Random, randomOf, shuffled } from '../../chance';
import { type Route, routeSteps } from '../../inspection';
import { judge, judgeReading, outOfServiceAt, type UnitReading, worst } from '../../judge';
import { plainBook, type Verdict } from '../../limits';
import { goodHub, keyOf, type ReadingKey, type Step } from '../../reading';
import {
  type Axle,
  type Chamber,
  hasBrake,
  hasPushrod,
  isDisc,
  type Side,
  type Unit,
  type UnitKind,
  type WheelEnd,
  wheelEnd,
  wheelEnds,
} from '../../trailer';
import {
  askedBy,
  DECEPTIONS,
  type Deception,
  END_FAULTS,
  type EndFault,
  findable,
  HALF_STROKE,
  type There,
  type ThereAtEnd,
  UNIT_FAULTS,
} from './faults';
import { EXCLUSIVE, GOOD, LEVELS } from './settings';
import { type EndTruth, endAt, inches, trueReading, type UnitTruth } from './truth';

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
const KINDS: Record<Vehicle, readonly UnitKind[]> = {
  trailer: ['semitrailer'],
  dolly: ['dolly'],
  combination: ['dolly', 'semitrailer'],
  tractor: ['tractor'],
  truck: ['truck'],
  bus: ['bus'],
};

const BOOK = plainBook('na');
const CHAMBER: Chamber = { type: 'clamp', size: '30', stroke: 'standard' };
const SMALLER: Chamber = { type: 'clamp', size: '24', stroke: 'standard' };
const BODIES = ['Seed hopper', 'Live-floor, chips', 'Refrigerated, roots', 'Drop-deck'] as const;

const from = (random: Random, [least, most]: readonly [number, number]): number =>
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

function unitOf(random: Random, kind: UnitKind, level: number, nth: number): MadeUpUnit['unit'] {
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

const goodTruth = (random: Random, unit: Unit): UnitTruth => {
  const pin = from(random, GOOD.pin64);
  return {
    ends: wheelEnds(unit).map(({ axle, side }) => goodEnd(random, unit, axle, side)),
    seen: [],
    pin64: [pin, pin - random.below(2)],
    flap4: { left: from(random, GOOD.flap4), right: from(random, GOOD.flap4) },
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

const limits = new Map<string, number>();

/** The longest stroke that is within at an end, in sixteenths, by the book; 0 where none is judged. */
function limitAt(unit: Unit, axle: number, side: Side): number {
  const end = wheelEnd(unit, axle, side);
  if (!end || !hasPushrod(end)) return 0;
  const name = JSON.stringify(end.chamber);
  const known = limits.get(name) ?? longestWithin(end);
  limits.set(name, known);
  return known;
}

function longestWithin(end: WheelEnd): number {
  const { axle, side } = end;
  const within = (sixteenths: number) =>
    judgeReading(BOOK, end, { kind: 'stroke-applied', axle, side, value: inches(sixteenths, 16), reservoir: '95 psi' })
      .verdict === 'within';
  let most = 48;
  while (most > 0 && !within(most)) most--;
  return most;
}

/** Everything that can be read of what was made up, as it is. */
export const trueReadings = ({ units }: Pick<MadeUp, 'units'>): UnitReading[] =>
  units.flatMap(({ unit, truth, steps }) =>
    steps.flatMap((step): UnitReading[] => {
      const reading = trueReading(truth, step, GOOD.targetPsi);
      return reading ? [{ ...reading, unit: unit.id }] : [];
    }),
  );

/** What readings of made-up units meet: what was judged, and the brake count. What is not judged says nothing here. */
export function judged(units: readonly Unit[], readings: readonly UnitReading[]) {
  const answer = judge({ book: 'na', units: [...units], readings: [...readings] });
  const findings = answer.findings.filter(({ verdict }) => verdict !== 'not-judged');
  const counted = answer.combination.brakes.outOfService || answer.units.some(({ brakes }) => brakes.outOfService);
  const alone = worst(findings.map(({ verdict }) => verdict));
  const verdict: Verdict = counted ? 'out-of-service' : alone;
  return { answer, findings, verdict, byCountAlone: counted && alone !== 'out-of-service' };
}

const isExclusive = (one: readonly string[], other: readonly string[]): boolean =>
  EXCLUSIVE.some((group) => {
    const both = group.filter((code) => one.includes(code) || other.includes(code));
    return both.length > 1;
  });

interface Making {
  random: Random;
  units: MadeUpUnit[];
  hidden: Hidden[];
  /** Ends and checks that have a fault already. */
  taken: Set<string>;
  /** The seed: seeds in a row hide one fault after another first, so that each has its turn. */
  turn: number;
}

/** The first fault of a vehicle by its seed, further ones by chance. */
function inTurn<T>({ random, hidden, turn }: Making, faults: readonly T[]): T[] {
  if (hidden.length || faults.length === 0) return shuffled(random, faults);
  const first = Math.floor(turn / 2) % faults.length;
  return [...faults.slice(first), ...faults.slice(0, first)];
}

/** Steps at one axle end, or at the unit as a whole. */
const stepsAt = ({ steps }: MadeUpUnit, axle: number | null, side: Side | null): Step[] =>
  steps.filter((step) => step.axle === axle && (axle === null || step.side === side));

const readingsText = (made: MadeUpUnit, { axle, side }: Pick<Hidden, 'axle' | 'side'>): Map<ReadingKey, string> =>
  new Map(
    stepsAt(made, axle, side).map((step) => [
      keyOf(step),
      JSON.stringify(trueReading(made.truth, step, GOOD.targetPsi)),
    ]),
  );

const copied = (truth: UnitTruth): UnitTruth => JSON.parse(JSON.stringify(truth)) as UnitTruth;

/** Applies a fault and writes down which steps read otherwise because of it; takes it back where nothing does. */
function hide(
  making: Making,
  made: MadeUpUnit,
  fault: EndFault | { id: string; words: string },
  at: { axle: number | null; side: Side | null },
  apply: () => void,
): boolean {
  const before = readingsText(made, at);
  const kept = copied(made.truth);
  apply();
  const after = readingsText(made, at);
  const keys = [...after].flatMap(([key, text]) => (before.get(key) === text ? [] : [key]));
  if (keys.length === 0) {
    made.truth = kept;
    return false;
  }
  const foundOut = (fault as Partial<Deception>).foundOut ?? null;
  making.hidden.push({ id: fault.id, words: fault.words, unit: made.unit.id, ...at, keys, foundOut });
  return true;
}

const thereAt = (random: Random, made: MadeUpUnit, axle: number, side: Side): ThereAtEnd => {
  const fitted = wheelEnd(made.fitted, axle, side);
  if (!fitted) throw new Error('no such end');
  return {
    random,
    unit: made.truth,
    limit16: limitAt(made.fitted, axle, side),
    end: endAt(made.truth, axle, side),
    fitted,
  };
};

/** Hides one of these faults at an end that has none yet. */
function hideAtEnd(making: Making, faults: readonly EndFault[]): boolean {
  const { random, taken } = making;
  const places = shuffled(
    random,
    making.units.flatMap((made) =>
      wheelEnds(made.fitted).map(({ axle, side }) => ({ made, axle, side, name: `${made.unit.id} ${axle}${side}` })),
    ),
  ).filter(({ name }) => !taken.has(name));
  for (const { made, axle, side, name } of places) {
    const there = thereAt(random, made, axle, side);
    const asked = askedBy(stepsAt(made, axle, side));
    const fitting = faults.filter(
      (fault) => findable(fault, asked) && (fault.fits?.(there) ?? true) && !isExclusive([fault.id], there.end.codes),
    );
    for (const fault of inTurn(making, fitting).slice(0, 4)) {
      if (!hide(making, made, fault, { axle, side }, () => fault.apply(thereAt(random, made, axle, side)))) continue;
      taken.add(name);
      return true;
    }
  }
  return false;
}

function hideAtUnit(making: Making): boolean {
  const { random, taken } = making;
  for (const made of shuffled(random, making.units)) {
    const there: There = { random, unit: made.truth, limit16: 0 };
    const whole = askedBy(made.steps.filter(({ axle }) => axle === null));
    const fitting = UNIT_FAULTS.filter(
      (fault) => findable(fault, whole) && !fault.foundBy.some((by) => taken.has(`${made.unit.id} ${by}`)),
    );
    for (const fault of inTurn(making, fitting).slice(0, 4)) {
      const apply = () => fault.apply({ ...there, unit: made.truth });
      if (!hide(making, made, fault, { axle: null, side: null }, apply)) continue;
      for (const by of fault.foundBy) taken.add(`${made.unit.id} ${by}`);
      return true;
    }
  }
  return false;
}

/** One end has a chamber a size smaller than its mate and than the papers say: its limit is shorter. */
function hideSmallChamber(making: Making): boolean {
  const { random, taken } = making;
  const places = shuffled(
    random,
    making.units.flatMap((made) =>
      wheelEnds(made.fitted)
        .filter(
          (end) => hasPushrod(end) && stepsAt(made, end.axle, end.side).some(({ kind }) => kind === 'stroke-applied'),
        )
        .map(({ axle, side }) => ({ made, axle, side, name: `${made.unit.id} ${axle}${side}` })),
    ),
  ).filter(({ name }) => !taken.has(name));
  const [place] = places;
  if (!place) return false;
  const { made, axle, side, name } = place;
  taken.add(name);
  const axles = made.fitted.axles.map((each, nth) =>
    nth === axle - 1 ? { ...each, ends: { ...each.ends, [side]: { chamber: SMALLER } } } : each,
  );
  made.fitted = { ...made.fitted, axles };
  const apply = () => {
    const end = endAt(made.truth, axle, side);
    end.stroke16 = limitAt(made.fitted, axle, side) + 2;
    end.codes = [...end.codes, 'chamber-match'];
  };
  const fault = {
    id: 'small-chamber',
    words: 'A chamber a size smaller than its mate',
    foundOut: 'The size is read on the clamp: a smaller chamber has a shorter limit.',
  };
  return hide(making, made, fault, { axle, side }, apply);
}

const mayDeceive = (making: Making): (() => boolean)[] => [
  ...DECEPTIONS.map((fault) => () => hideAtEnd(making, [fault])),
  () => hideSmallChamber(making),
];

/** Strokes a little too long, as many as the count needs to hold the unit, each at another brake. */
function hideHalves(making: Making): void {
  const [made] = making.units;
  if (!made) return;
  const brakes = making.units.flatMap(({ fitted }) => wheelEnds(fitted).filter(hasBrake)).length;
  const own = wheelEnds(made.fitted).filter(hasBrake).length;
  const needed = 2 * Math.min(outOfServiceAt(BOOK, own) ?? 1, outOfServiceAt(BOOK, brakes) ?? 1);
  for (let nth = 0; nth < needed; nth++) hideAtEnd({ ...making, units: [made] }, [HALF_STROKE]);
}

function hideAll(making: Making, level: number): void {
  const { random } = making;
  const settings = LEVELS.find(({ id }) => id === level) ?? LEVELS[0];
  if (!settings || random.next() < settings.clean) return;
  if (level === 3) {
    hideHalves(making);
    return;
  }
  if (level >= 4) for (const one of shuffled(random, mayDeceive(making))) if (one()) break;
  const wanted = from(random, settings.faults);
  for (let tries = 0; making.hidden.length < wanted && tries < 20; tries++) {
    const ends = making.units.some(({ steps }) => steps.some(({ axle }) => axle !== null));
    const whole = making.units.some(({ steps }) => steps.some(({ axle }) => axle === null));
    const atUnit = making.hidden.length ? random.next() < 0.6 : making.turn % 2 === 0;
    if (whole && (!ends || atUnit)) hideAtUnit(making);
    else if (ends) hideAtEnd(making, END_FAULTS);
  }
}

const asksStrokes = (route: Route): boolean =>
  route.sections.some(({ asks }) => asks.some(({ kind }) => kind === 'stroke-applied'));
const DECEIVED_BY = ['lining', 'pressure', 'hub-oil', 'stroke-free', 'stroke-applied'];

/** The levels a route can be practised at: what adds up takes strokes, what deceives takes what can. */
export const levelsOf = (route: Route): readonly number[] =>
  LEVELS.map(({ id }) => id).filter((id) => {
    if (id === 3) return asksStrokes(route);
    return (
      id < 4 ||
      route.sections.some(({ at, asks }) => at === 'ends' && asks.some(({ kind }) => DECEIVED_BY.includes(kind)))
    );
  });

/** The vehicles a route can be practised on. */
export const vehiclesOf = (route: Route): Vehicle[] =>
  VEHICLES.filter((vehicle) => KINDS[vehicle].every((kind) => route.kinds.includes(kind)));

/** Makes one up. `seed` is a whole number; a route the vehicle is not walked by gives no steps. */
export function makeUp(seed: number, level: number, route: Route, vehicle: Vehicle = 'trailer'): MadeUp {
  const random = randomOf(seed * 31 + level);
  const units = KINDS[vehicle].map((kind, nth): MadeUpUnit => {
    const unit = unitOf(random, kind, level, nth);
    return { unit, fitted: unit, truth: goodTruth(random, unit), steps: routeSteps(route, unit) };
  });
  const making: Making = { random, units, hidden: [], taken: new Set(), turn: seed };
  hideAll(making, level);
  return { seed, level, route, units, hidden: making.hidden };
}

/** What it is, by the book: its true readings on what is fitted, judged. */
export const judgedTruth = (made: MadeUp) =>
  judged(
    made.units.map(({ fitted }) => fitted),
    trueReadings(made),
  );

/** What it seems to be to whoever does not look as one should: as its papers say, from where one stands first. */
export function seeming(made: MadeUp): UnitReading[] {
  const random = randomOf(made.seed);
  const units = made.units.map((unit) => {
    const deceived = made.hidden.filter((fault) => fault.unit === unit.unit.id && fault.foundOut);
    const ends = unit.truth.ends.map((end) => {
      const here = deceived.find(({ axle, side }) => axle === end.axle && side === end.side);
      const deception = DECEPTIONS.find(({ id }) => id === here?.id);
      if (deception) return deception.seems(end, thereAt(random, unit, end.axle, end.side));
      return here ? { ...end, codes: end.codes.filter((code) => code !== 'chamber-match') } : end;
    });
    return { ...unit, truth: { ...unit.truth, ends } };
  });
  return trueReadings({ units });
}
