import { randomOf } from '../../chance';
import { type Route, routeSteps } from '../../inspection';
import { judge, type UnitReading, worst } from '../../judge';
import { DEFAULT_BOOK, type KeptCheck, type Verdict } from '../../limits';
import type { Unit } from '../../trailer';
import { DECEPTIONS } from './deceptions';
import { hideAll, type Making, thereAt } from './hide';
import { goodOwn, practiceBook } from './own';
import { GOOD, LEVELS } from './settings';
import { trueReading } from './truth';
import { goodTruth, KINDS, type MadeUp, type MadeUpUnit, unitOf, VEHICLES, type Vehicle } from './vehicle';

/** Everything that can be read of what was made up, as it is. */
export const trueReadings = ({ units }: Pick<MadeUp, 'units'>): UnitReading[] =>
  units.flatMap(({ unit, truth, steps }) =>
    steps.flatMap((step): UnitReading[] => {
      const reading = trueReading(truth, step, GOOD.targetPsi);
      return reading ? [{ ...reading, unit: unit.id }] : [];
    }),
  );

/** What readings of made-up units meet: what was judged, and the brake count. What is not judged says nothing here. */
export function judged(units: readonly Unit[], readings: readonly UnitReading[], book = practiceBook([])) {
  const answer = judge({ book: DEFAULT_BOOK, units: [...units], readings: [...readings] }, { book });
  const findings = answer.findings.filter(({ verdict }) => verdict !== 'not-judged');
  const counted = answer.combination.brakes.outOfService || answer.units.some(({ brakes }) => brakes.outOfService);
  const alone = worst(findings.map(({ verdict }) => verdict));
  const verdict: Verdict = counted ? 'out-of-service' : alone;
  return { answer, findings, verdict, byCountAlone: counted && alone !== 'out-of-service' };
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
export function makeUp(
  seed: number,
  level: number,
  route: Route,
  vehicle: Vehicle = 'trailer',
  checks: readonly KeptCheck[] = [],
): MadeUp {
  const random = randomOf(seed * 31 + level);
  const units = KINDS[vehicle].map((kind, nth): MadeUpUnit => {
    const unit = unitOf(random, kind, level, nth);
    const steps = routeSteps(route, unit);
    return { unit, fitted: unit, truth: { ...goodTruth(random, unit), own: goodOwn(checks, steps) }, steps };
  });
  const making: Making = { random, units, hidden: [], taken: new Set(), turn: seed, checks };
  hideAll(making, level);
  return { seed, level, route, units, hidden: making.hidden, checks };
}

/** What it is, by the book: its true readings on what is fitted, judged. */
export const judgedTruth = (made: MadeUp) =>
  judged(
    made.units.map(({ fitted }) => fitted),
    trueReadings(made),
    practiceBook(made.checks),
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
