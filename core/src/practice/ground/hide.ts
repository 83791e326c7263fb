import { type Random, shuffled } from '../../chance';
import { judgeReading, outOfServiceAt } from '../../judge';
import { DEFAULT_BOOK, type KeptCheck, plainBook } from '../../limits';
import { keyOf, type ReadingKey, type Step } from '../../reading';
import {
  type Chamber,
  hasBrake,
  hasPushrod,
  type Side,
  type Unit,
  type WheelEnd,
  wheelEnd,
  wheelEnds,
} from '../../trailer';
import { type EndFault, figure, type There, type ThereAtEnd } from './at-end';
import { DECEPTIONS, type Deception } from './deceptions';
import { askedBy, END_FAULTS, findable, HALF_STROKE, UNIT_FAULTS } from './faults';
import { ownFaults } from './own';
import { EXCLUSIVE, GOOD, LEVELS, promiseOf } from './settings';
import { endAt, inches, trueReading, type UnitTruth } from './truth';
import { from, type Hidden, type MadeUpUnit } from './vehicle';

const BOOK = plainBook(DEFAULT_BOOK);
/** A chamber a size smaller than those that made-up units have. */
const SMALLER: Chamber = { type: 'clamp', size: '24', stroke: 'standard' };

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

const isExclusive = (one: readonly string[], other: readonly string[]): boolean =>
  EXCLUSIVE.some((group) => {
    const both = group.filter((code) => one.includes(code) || other.includes(code));
    return both.length > 1;
  });

export interface Making {
  random: Random;
  units: MadeUpUnit[];
  hidden: Hidden[];
  /** Ends and checks that have a fault already. */
  taken: Set<string>;
  /** The seed: seeds in a row hide one fault after another first, so that each has its turn. */
  turn: number;
  /** The shop's own checks. */
  checks: readonly KeptCheck[];
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
  making.hidden.push({
    id: fault.id,
    words: fault.words,
    unit: made.unit.id,
    ...at,
    keys,
    foundOut,
    promised: promiseOf(fault.id),
  });
  return true;
}

export const thereAt = (random: Random, made: MadeUpUnit, axle: number, side: Side): ThereAtEnd => {
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

/** Something wrong that only a check of the shop's own asks for. */
function hideOwn(making: Making): boolean {
  const { random, taken, checks } = making;
  for (const made of shuffled(random, making.units))
    for (const fault of ownFaults(random, checks, made.steps)) {
      const name = `${made.unit.id} ${keyOf(fault.step)}`;
      const { axle, side } = fault.step;
      const at = { axle: axle ?? null, side: side ?? null };
      if (taken.has(name) || !hide(making, made, fault, at, () => fault.apply(made.truth.own))) continue;
      taken.add(name);
      return true;
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
    end.stroke16 = limitAt(made.fitted, axle, side) + figure(random, 'small-chamber');
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

export function hideAll(making: Making, level: number): void {
  const { random } = making;
  const settings = LEVELS.find(({ id }) => id === level) ?? LEVELS[0];
  if (!settings || random.next() < settings.clean) return;
  if (level === 3) {
    hideHalves(making);
    return;
  }
  if (level >= 4) for (const one of shuffled(random, mayDeceive(making))) if (one()) break;
  const wanted = from(random, settings.faults);
  if (making.units.some(({ truth }) => truth.own.length)) hideOwn(making);
  for (let tries = 0; making.hidden.length < wanted && tries < 20; tries++) {
    const ends = making.units.some(({ steps }) => steps.some(({ axle }) => axle !== null));
    const whole = making.units.some(({ steps }) => steps.some(({ axle }) => axle === null));
    const atUnit = making.hidden.length ? random.next() < 0.6 : making.turn % 2 === 0;
    if (whole && (!ends || atUnit)) hideAtUnit(making);
    else if (ends) hideAtEnd(making, END_FAULTS);
  }
}
