import { type CatalogueEntry, catalogueAt, catalogueEntry, checkEntry, type Part } from '../catalogue';
import { isPowerUnit, type Side, type Unit } from '../trailer';
import { type Asked, fittedSteps, ROUTES, routeSteps } from './route';

/** Parts that what moves itself has alone. */
const POWERED: readonly Part[] = ['engine', 'steering', 'cab', 'emergency'];

const codesOf = (items: readonly { item?: string }[]): string[] =>
  items.flatMap(({ item }) => checkEntry(item ?? '')?.signs.map(({ code }) => code) ?? []);

const sections = ROUTES.flatMap((route) => route.sections);
const asksAt = (ends: boolean): Asked[] =>
  sections.filter(({ at }) => (at === 'ends') === ends).flatMap(({ asks }) => asks);
const AT_ENDS = new Set(codesOf(asksAt(true)));
/** Couplings are asked for by what a unit couples with. */
const COUPLINGS = new Set(
  codesOf(asksAt(false).filter(({ kinds }) => kinds)).filter((code) => catalogueEntry(code)?.part === 'coupling'),
);

/** What every check asked of a unit leads to, at an end of an axle or of the unit as a whole. */
function askedHere(unit: Unit, at: { axle: number; side: Side } | null): Set<string> {
  const steps = ROUTES.filter(({ kinds }) => kinds.includes(unit.kind)).flatMap((route) => routeSteps(route, unit));
  return new Set(
    codesOf(steps.filter(({ axle, side }) => axle === (at?.axle ?? null) && (at === null || side === at.side))),
  );
}

/** The checks that some walk asks of a unit as a whole, by their ids. */
export const checksAsked = (unit: Unit): ReadonlySet<string> =>
  new Set(
    ROUTES.filter(({ kinds }) => kinds.includes(unit.kind))
      .flatMap((route) => routeSteps(route, unit))
      .flatMap(({ kind, axle, item }) => (kind === 'check' && axle === null && item ? [item] : [])),
  );

/** What a unit was set up, or found, not to have. */
function lackedBy({ notFitted, features }: Unit): Set<string> {
  const all = asksAt(false).map(({ kind, item }) => ({
    kind,
    ...(item ? { item } : {}),
    axle: null,
    side: null,
    tyre: null,
  }));
  const fitted = new Set(codesOf(fittedSteps({ notFitted, features }, all)));
  const noted = asksAt(false).filter(({ fitted: thing }) => thing && features?.[thing] === false);
  return new Set([...codesOf(all).filter((code) => !fitted.has(code)), ...codesOf(noted)]);
}

/**
 * What may be reported of a unit, at an end of an axle or (null) as a whole: not what it cannot have. A trailer has no engine
 * bay, a bus no king pin, a drum no caliper. What nobody knows it to lack is offered.
 */
export function codesOffered(unit: Unit, at: { axle: number; side: Side } | null): CatalogueEntry[] {
  const asked = askedHere(unit, at);
  const lacked = lackedBy(unit);
  const entries = catalogueAt(at ? 'end' : 'unit');
  /** A general kind is led to by what leads to a case of it. */
  const led = (codes: ReadonlySet<string>, { code }: CatalogueEntry) =>
    codes.has(code) || entries.some(({ of, code: own }) => of === code && codes.has(own));
  const cannot = (entry: CatalogueEntry): boolean => {
    if (/^(unsure|other)/.test(entry.code)) return false;
    if (led(lacked, entry)) return true;
    if (led(asked, entry)) return false;
    if (at) return led(AT_ENDS, entry);
    if (entry.part === 'bus') return unit.kind !== 'bus';
    return (POWERED.includes(entry.part) && !isPowerUnit(unit.kind)) || led(COUPLINGS, entry);
  };
  return entries.filter((entry) => !cannot(entry));
}
