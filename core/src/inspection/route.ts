import { z } from 'zod';
import {
  BENCH_KINDS,
  expectedReadings,
  fitsEnd,
  isMeasuredKind,
  keyOf,
  MEASURED_KINDS,
  STEP_KINDS,
  type Step,
  tyresAsked,
} from '../reading';
import {
  BRAKE_KINDS,
  HUB_KINDS,
  type Side,
  SUSPENSIONS,
  UNIT_KINDS,
  type Unit,
  type WheelEnd,
  wheelEnd,
  wheelEnds,
} from '../trailer';
import shipped from './routes.json';

/** In which order the axle ends are walked. */
export const WALKS = ['round', 'axle-by-axle', 'outer-axles-first'] as const;
export const WALK_WORDS: Record<(typeof WALKS)[number], string> = {
  round: 'Down the left side, back up the right',
  'axle-by-axle': 'Axle by axle, left then right',
  'outer-axles-first': 'First and last axle, then those between',
};

const askedSchema = z.strictObject({
  kind: z.enum(STEP_KINDS),
  /** The check or air test, for those kinds. */
  item: z.string().max(60).optional(),
  brake: z.array(z.enum(BRAKE_KINDS)).optional(),
  hub: z.array(z.enum(HUB_KINDS)).optional(),
  suspension: z.array(z.enum(SUSPENSIONS)).optional(),
  /** Only where the axle steers a power unit. */
  steer: z.literal(true).optional(),
  /** Only of these kinds of unit. */
  kinds: z.array(z.enum(UNIT_KINDS)).optional(),
  /** Only where the unit was set up with it. */
  fitted: z.enum(['liftGate', 'refrigeration']).optional(),
});
/** What a section asks for; where it does not apply to an axle end it is left out there. */
export type Asked = z.infer<typeof askedSchema>;

const sectionSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(60),
  /** Said when the section begins. */
  says: z.string().trim().max(300),
  /** Asked once for the unit, on each side of it, once at each axle, or at every axle end. */
  at: z.enum(['unit', 'sides', 'axles', 'ends']),
  walk: z.enum(WALKS).optional(),
  /** Everything at one end before the next end; otherwise one thing at all ends before the next thing. */
  endByEnd: z.boolean().optional(),
  /** Each is done and answered by itself: no one tap is good for several. */
  oneByOne: z.literal(true).optional(),
  asks: z.array(askedSchema).min(1).max(60),
});
export type Section = z.infer<typeof sectionSchema>;

export const routeSchema = z.strictObject({
  id: z.string().min(1).max(60),
  name: z.string().trim().min(1).max(60),
  says: z.string().trim().max(300),
  kinds: z.array(z.enum(UNIT_KINDS)).min(1),
  sections: z.array(sectionSchema).min(1).max(40),
});
/** One fixed order of a walk, as data that a shop can copy and change. */
export type Route = z.infer<typeof routeSchema>;

/** The version of the routes that ship with the program; one more at each change of what they ask. */
export const ROUTES_VERSION = shipped.version;

/** The routes that ship with the program: each names its sections, which stand once. Proven by the test beside them. */
export const ROUTES: readonly Route[] = shipped.routes.map(({ sections, ...route }) => ({
  ...route,
  sections: sections.flatMap((name) => shipped.sections[name] ?? []),
}));

/** Whether a thing is asked for at an axle end. Where the suspension is not known, what either has is asked for. */
const applies = ({ kind, brake, hub, suspension, steer, kinds }: Asked, end: WheelEnd): boolean =>
  (!kinds || kinds.includes(end.kind)) &&
  fitsEnd(kind, end) &&
  (!brake || brake.includes(end.brake)) &&
  (!hub || hub.includes(end.hub)) &&
  (!steer || end.steer) &&
  (!suspension || !end.suspension || suspension.includes(end.suspension));

const bare = ({ kind, item }: Asked, section?: string) => ({
  kind,
  ...(item ? { item } : {}),
  ...(section ? { section } : {}),
});

function atEnd(asked: Asked, end: WheelEnd, section?: string): Step[] {
  if (!applies(asked, end)) return [];
  return tyresAsked(asked.kind, end).map((tyre) => ({ ...bare(asked, section), axle: end.axle, side: end.side, tyre }));
}

/** The steps of these asks at one axle end; none where they do not apply. */
export function endSteps(unit: Unit, asks: readonly Asked[], axle: number, side: Side): Step[] {
  const end = wheelEnd(unit, axle, side);
  return end ? asks.flatMap((asked) => atEnd(asked, end)) : [];
}

function walked(unit: Unit, walk: Section['walk'] = 'round'): WheelEnd[] {
  const ends = wheelEnds(unit);
  if (walk === 'axle-by-axle') return ends;
  if (walk === 'outer-axles-first') {
    const outer = ({ axle }: WheelEnd) => axle === 1 || axle === unit.axles.length;
    return [...ends.filter(outer), ...ends.filter((end) => !outer(end))];
  }
  return [...ends.filter(({ side }) => side === 'left'), ...ends.filter(({ side }) => side === 'right').reverse()];
}

/** Whether a thing is asked for of a unit. */
const asksOf = ({ kinds, fitted }: Asked, { kind, features }: Unit): boolean =>
  (!kinds || kinds.includes(kind)) && (!fitted || features?.[fitted] === true);

function sectionSteps({ asks, ...section }: Section, unit: Unit): Step[] {
  const asked = asks.filter((each) => asksOf(each, unit));
  if (section.at === 'unit')
    return asked.map((each) => ({ ...bare(each, section.id), axle: null, side: null, tyre: null }));
  if (section.at === 'sides')
    return (['left', 'right'] as const).flatMap((side) =>
      asked.map((each) => ({ ...bare(each, section.id), axle: null, side, tyre: null })),
    );
  if (section.at === 'axles')
    return unit.axles.flatMap((_, at) =>
      asked.map((each) => ({ ...bare(each, section.id), axle: at + 1, side: null, tyre: null })),
    );
  const ends = walked(unit, section.walk);
  return section.endByEnd === false
    ? asked.flatMap((each) => ends.flatMap((end) => atEnd(each, end, section.id)))
    : ends.flatMap((end) => asked.flatMap((each) => atEnd(each, end, section.id)));
}

/** Every step of a route for a unit, in the order it is walked; what does not apply to the unit is left out. */
export const routeSteps = (route: Route, unit: Unit): Step[] =>
  fittedSteps(
    unit,
    route.sections.flatMap((section) => sectionSteps(section, unit)),
  );

/** Checks of what a unit was set up not to have. */
const lacked = ({ abs, autoInflation, doors, liftGate }: NonNullable<Unit['features']>): string[] => [
  ...(autoInflation === false ? ['check:auto-inflation@unit'] : []),
  ...(liftGate === false ? ['check:lift-gate@unit'] : []),
  ...(abs === false ? ['check:abs-lamp@unit'] : []),
  ...(doors === 'none' ? ['check:doors@unit'] : []),
];

/** Of steps those whose thing the unit was neither set up nor found to lack. */
export function fittedSteps<S extends Step>(
  { notFitted = [], features = {} }: Pick<Unit, 'notFitted' | 'features'>,
  steps: readonly S[],
): S[] {
  const absent = new Set<string>([...notFitted, ...lacked(features)]);
  return steps.filter((step) => !absent.has(keyOf(step)));
}

/** Whether a unit may be found to lack what is asked for: the four measured things are always there. */
export const mayLack = ({ kind }: Pick<Step, 'kind'>): boolean => !isMeasuredKind(kind);

/** What a full inspection must have read: what its route asked, and everything an axle end is measured for. */
export function wholeSteps(unit: Unit, asked: readonly Step[]): Step[] {
  const keys = new Set<string>(asked.map(keyOf));
  return [...asked, ...expectedReadings(unit).filter((step) => !keys.has(keyOf(step)))];
}

/** The routes that may be walked round a kind of unit, the fleet's own first. */
export const routesFor = (kind: Unit['kind'], own: readonly Route[] = []): Route[] =>
  [...own, ...ROUTES].filter(({ kinds }) => kinds.includes(kind));

/** Whether a route asks for all four measured things, so that its inspection stands on its own. */
export const measuresAll = (route: Route): boolean =>
  MEASURED_KINDS.every((kind) =>
    route.sections.some(({ at, asks }) => at === 'ends' && asks.some((each) => each.kind === kind)),
  );

/** Whether a driver can walk a route: it asks for nothing that takes the bench. */
export const isDriversWalk = (route: Route): boolean =>
  route.sections.every(({ asks }) => asks.every(({ kind }) => !BENCH_KINDS.includes(kind)));

/** The four measured things alone: strokes first while the air is up, then each end from one kneeling position. */
export const measuringRoute = (unit: Unit): Step[] => {
  const [basic] = ROUTES;
  return basic ? routeSteps(basic, unit) : [];
};
