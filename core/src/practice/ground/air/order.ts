import type { Route } from '../../../inspection';
import { type AirTest, isAirTest } from '../../../reading';
import data from './air.json';
import { type AirState, type AirSystem, gaugeOf, runAir, systemPsi, withControls } from './model';

/** What a learner does at the dash. `watch` begins a minute by the clock, `chock` lays the chocks. */
export const AIR_ACTS = ['key', 'engine', 'press', 'release', 'tractor', 'trailer', 'watch', 'chock'] as const;
export type AirAct = (typeof AIR_ACTS)[number];

/** Between which pressures the build-up is timed, as words. */
export const TIMED_WORDS = `from ${data.timedPsi.from} to ${data.timedPsi.to} psi`;

/** The parts of the check, in their order. */
export const AIR_PARTS = ['build', 'cut-in', 'released', 'applied', 'warning', 'pop', 'again', 'done'] as const;
export type AirPart = (typeof AIR_PARTS)[number];

/** The part in which each test of a route is done. Both of what is heard at the governor belong to one filling. */
const PART_OF: Partial<Record<AirTest, AirPart>> = {
  governor: 'cut-in',
  'leak-released': 'released',
  'leak-applied': 'applied',
  'low-air': 'warning',
  'spring-brake': 'pop',
};

/**
 * The parts in the order in which a route asks for its air tests: it builds up first, and is left built up. What the route
 * does not ask for is done after the rest, as it ships; the warning comes before the valves, since both are of one emptying.
 */
export function airOrderOf(tests: readonly AirTest[]): AirPart[] {
  const asked = [...new Set(tests.flatMap((test) => PART_OF[test] ?? []))];
  const rest = AIR_PARTS.filter((part) => Object.values(PART_OF).includes(part) && !asked.includes(part));
  const middle: AirPart[] = [...asked, ...rest].filter((part) => part !== 'warning');
  middle.splice(warningAt(asked, middle), 0, 'warning');
  return ['build', ...middle, 'again', 'done'];
}

/** The order of a shop's own air check: that of its first route that asks for the whole of it; as it ships where none does. */
export function airOrderIn(routes: readonly Route[]): AirPart[] {
  const asked = routes
    .map(({ sections }) =>
      sections.flatMap(({ asks }) => asks.flatMap(({ kind, item }) => (kind === 'air-test' && item ? [item] : []))),
    )
    .find((items) => items.includes('spring-brake'));
  return airOrderOf((asked ?? []).filter(isAirTest));
}

/** Where the warning stands: where the route has it, never after the valves. */
function warningAt(asked: readonly AirPart[], others: readonly AirPart[]): number {
  const pop = others.indexOf('pop');
  const own = asked.indexOf('warning');
  return own < 0 ? pop : Math.min(own, pop);
}

export const AIR_PART_SAYS: Readonly<Record<AirPart, { name: string; says: string }>> = {
  build: {
    name: 'Build up',
    says: `Chock the wheels. Key on, engine on. Push both valves in. Let it build up until the governor cuts out; time it ${TIMED_WORDS}.`,
  },
  'cut-in': { name: 'Governor', says: 'Engine running: fan the brakes until the governor cuts in.' },
  released: {
    name: 'Leak-down, released',
    says: 'Let it build up. Then engine off, key on, both valves in, foot off: watch for a minute.',
  },
  applied: { name: 'Leak-down, applied', says: 'A full application, held. After the first drop, watch for a minute.' },
  warning: {
    name: 'Low-air warning',
    says: 'Key on, engine off: fan the brakes until the light and sound come on.',
  },
  pop: {
    name: 'Valves',
    says: 'Keep fanning until both valves pop out, or there is no air left.',
  },
  again: { name: 'Start again', says: 'Engine on: build up for the next driver.' },
  done: { name: 'Done', says: 'Every step was done in order. Now record the result on the pads.' },
};

/** What the gauges and the watch showed: what should stand on the pads. */
export interface Shown {
  buildUp: number | null;
  cutOut: number | null;
  cutIn: number | null;
  released: readonly [number, number] | null;
  applied: readonly [number, number] | null;
  warning: number | null;
  valves: number | null;
}

/** A check as far as it has come. `mistake` says what was out of order: then it begins again. */
export interface AirCheck {
  part: AirPart;
  /** Its parts, as they follow each other. */
  order: readonly AirPart[];
  /** The governor cut out since this part began. */
  full: boolean;
  state: AirState;
  /** The chocks are laid: before that the last brake is not let go. */
  chocked: boolean;
  shown: Shown;
  /** When the build-up began to be timed. */
  timedFrom: number | null;
  mistake: string | null;
  /** How often it began again. */
  begunAgain: number;
}

const NOTHING: Shown = {
  buildUp: null,
  cutOut: null,
  cutIn: null,
  released: null,
  applied: null,
  warning: null,
  valves: null,
};

export const beginAirCheck = (state: AirState, chocked = false, order: readonly AirPart[] = AIR_PARTS): AirCheck => ({
  part: 'build',
  order,
  full: false,
  state,
  chocked,
  shown: NOTHING,
  timedFrom: null,
  mistake: null,
  begunAgain: 0,
});

/** The part after this one. */
const nextPart = ({ part, order }: AirCheck): AirPart => order[order.indexOf(part) + 1] ?? 'done';

/** Too little air for a minute that means anything: it is built up again first. */
const isLow = (state: AirState): boolean => systemPsi(state) < data.timedPsi.to;
const BUILD_FIRST = 'There is too little air for this minute: engine on, until the governor cuts out, then off.';

/** Why an act is out of order now; null where it is not. */
function against({ part, state }: AirCheck, act: AirAct): string | null {
  const { engine, key, pedal, tractorIn, trailerIn } = state.controls;
  const stops = act === 'engine' && engine;
  const starts = act === 'engine' && !engine;
  if (part === 'build') {
    if (act === 'watch') return 'There is nothing to watch yet: it builds up to cut-out first.';
    if (act === 'press')
      return `The pedal uses the air that is being built up: the time ${TIMED_WORDS} would mean nothing.`;
    if (stops) return 'The governor has not cut out yet: the engine runs until it does.';
    if (act === 'key' && key) return 'Without the key the warning cannot be seen: it stays on through the whole check.';
  }
  if (part === 'cut-in') {
    if (stops) return 'With the engine off no one can hear the governor cut in.';
    if (act === 'watch') return 'The minute comes later: first the governor has to cut in.';
  }
  if (act === 'key' && key) return 'Without the key there is no warning: it stays on.';
  if (part === 'released') {
    if (act === 'press' && !engine) return 'Released means foot off: the application has its own minute.';
    if (act === 'watch' && engine)
      return 'With the engine running the compressor fills what leaks: engine off, then watch.';
    if (act === 'watch' && !(tractorIn && trailerIn))
      return 'With a valve out its circuit is empty, and its leak is hidden: both valves in.';
    if (act === 'watch' && isLow(state)) return BUILD_FIRST;
    if (starts && !isLow(state)) return 'The engine stays off for this: else the compressor hides the leak.';
  }
  if (part === 'applied') {
    if (act === 'watch' && pedal < 1) return 'The minute is of a full application, held: press first.';
    if (act === 'watch' && engine) return 'With the engine running the compressor fills what leaks: engine off first.';
    if (act === 'release' && !engine && !isLow(state) && tractorIn && trailerIn)
      return 'It is held for the whole minute: let go, the minute means nothing.';
    if (starts && !isLow(state)) return 'With the engine running the compressor fills what leaks.';
    if ((act === 'tractor' && tractorIn) || (act === 'trailer' && trailerIn))
      return 'The valves stay in: a parked circuit hides its leak.';
    if (act === 'watch' && !(tractorIn && trailerIn)) return 'With a valve out its circuit is empty: both valves in.';
  }
  if (part === 'warning' || part === 'pop') {
    if (starts) return 'The engine stays off until the valves are out.';
    if (act === 'watch') return 'Nothing to time here: fan the brakes and watch the gauges.';
    if (part === 'warning' && ((act === 'tractor' && tractorIn) || (act === 'trailer' && trailerIn)))
      return 'The valves have to come out by themselves: leave them in.';
    if (part === 'pop' && ((act === 'tractor' && tractorIn) || (act === 'trailer' && trailerIn)))
      return 'The valves have to come out by themselves: pulled by hand, they prove nothing.';
  }
  return null;
}

/** Whether an act would let the last brake go of something that nothing holds. */
function letsRoll({ state: { controls }, chocked }: AirCheck, act: AirAct): boolean {
  if (chocked) return false;
  return (
    (act === 'tractor' && !controls.tractorIn && controls.trailerIn) ||
    (act === 'trailer' && !controls.trailerIn && controls.tractorIn)
  );
}
const ROLLS = 'With both valves in nothing holds it: first chock the wheels, both ways. The valve stays out.';

/** What an act does to the controls. */
function moved(state: AirState, act: AirAct): AirState {
  const { key, engine, tractorIn, trailerIn } = state.controls;
  if (act === 'key') return withControls(state, { key: !key, engine: key ? false : engine });
  if (act === 'engine') return withControls(state, { engine: !engine, key: true });
  if (act === 'press') return withControls(state, { pedal: 1 });
  if (act === 'release') return withControls(state, { pedal: 0 });
  if (act === 'tractor') return withControls(state, { tractorIn: !tractorIn });
  return act === 'trailer' ? withControls(state, { trailerIn: !trailerIn }) : state;
}

const round = (psi: number): number => Math.round(psi * 2) / 2;

/** Goes on to the next part where this one is done. */
function onward(check: AirCheck): AirCheck {
  const { part, state, shown } = check;
  const psi = systemPsi(state);
  if (part === 'build') {
    const timedFrom = check.timedFrom ?? (psi >= data.timedPsi.from ? state.seconds : null);
    const timed = timedFrom !== null && psi >= data.timedPsi.to ? Math.round(state.seconds - timedFrom) : null;
    const buildUp = shown.buildUp ?? timed;
    const next = { ...check, timedFrom, shown: { ...shown, buildUp } };
    if (state.loaded || !state.controls.tractorIn || !state.controls.trailerIn) return next;
    return {
      ...next,
      part: nextPart(check),
      full: true,
      shown: { ...next.shown, cutOut: round(gaugeOf(state, 'supply')) },
    };
  }
  if (part === 'cut-in' && !check.full) return { ...check, full: state.controls.engine && !state.loaded };
  if (part === 'cut-in' && state.loaded)
    return {
      ...check,
      part: nextPart(check),
      full: false,
      shown: { ...shown, cutIn: round(gaugeOf(state, 'supply')) },
    };
  if (part === 'warning' && state.warning)
    return { ...check, part: nextPart(check), full: false, shown: { ...shown, warning: round(psi) } };
  if (part === 'pop') {
    const { tractorIn, trailerIn } = state.controls;
    if (!tractorIn && !trailerIn)
      return { ...check, part: nextPart(check), full: false, shown: { ...shown, valves: round(psi) } };
    if (psi < data.emptyPsi) return { ...check, part: nextPart(check), full: false, shown: { ...shown, valves: 0 } };
  }
  if (part === 'again' && state.controls.engine) return { ...check, part: 'done' };
  return check;
}

/** A minute by the clock, watched at the lower gauge; after an application first its drop settles. */
function watched(system: AirSystem, check: AirCheck): AirCheck {
  const settled = runAir(system, check.state, data.settleSeconds);
  const gauge = (state: AirState) => Math.min(systemPsi(state), gaugeOf(state, 'trailer'));
  const state = runAir(system, settled, data.watchSeconds);
  const minute: [number, number] = [round(gauge(settled)), round(gauge(state))];
  return check.part === 'released'
    ? { ...check, state, part: nextPart(check), full: false, shown: { ...check.shown, released: minute } }
    : {
        ...withFoot({ ...check, state }),
        part: nextPart(check),
        full: false,
        shown: { ...check.shown, applied: minute },
      };
}

const withFoot = (check: AirCheck): AirCheck => ({ ...check, state: withControls(check.state, { pedal: 0 }) });

/** Does one thing. Out of order, it says why, and the check begins again with the air as it is. */
export function actAir(system: AirSystem, check: AirCheck, act: AirAct): AirCheck {
  if (check.part === 'done') return check;
  const again = (state: AirState, mistake: string): AirCheck => ({
    ...beginAirCheck(state, check.chocked, check.order),
    mistake,
    begunAgain: check.begunAgain + 1,
  });
  if (letsRoll(check, act)) return again(withControls(check.state, { pedal: 0 }), ROLLS);
  const mistake = against(check, act);
  if (mistake) return again(withControls(moved(check.state, act), { pedal: 0 }), mistake);
  const fresh = { ...check, mistake: null };
  if (act === 'chock') return { ...fresh, chocked: true };
  if (act === 'watch' && (check.part === 'released' || check.part === 'applied')) return watched(system, fresh);
  return onward({ ...fresh, state: moved(check.state, act) });
}

/** Lets time pass. */
export function passAir(system: AirSystem, check: AirCheck, seconds: number): AirCheck {
  let now = check;
  // What is read off the needle as it falls is read off finer.
  const falls = check.part === 'warning' || check.part === 'pop';
  const steps = Math.max(1, Math.round(seconds / (falls ? 0.05 : 0.25)));
  for (let nth = 0; nth < steps; nth++) now = onward({ ...now, state: runAir(system, now.state, seconds / steps) });
  return now;
}

/** What stands on the pads when each test was read as it was shown; null where the part was not done. */
export function airReading(shown: Shown, test: AirTest) {
  const psi = (value: number) => `${value} psi`;
  const leak = (minute: readonly [number, number] | null) =>
    minute && {
      start: psi(minute[0]),
      end: psi(minute[1]),
      seconds: data.watchSeconds,
      vehicles: 'combination' as const,
    };
  if (test === 'leak-released' || test === 'leak-applied') {
    const minute = leak(test === 'leak-released' ? shown.released : shown.applied);
    return minute && ({ kind: 'air-test', test, ...minute } as const);
  }
  if (test === 'governor')
    return shown.cutIn !== null && shown.cutOut !== null
      ? ({ kind: 'air-test', test, cutIn: psi(shown.cutIn), cutOut: psi(shown.cutOut) } as const)
      : null;
  if (test === 'build-up')
    return shown.buildUp === null ? null : ({ kind: 'air-test', test, seconds: Math.max(1, shown.buildUp) } as const);
  const value = test === 'low-air' ? shown.warning : test === 'spring-brake' ? shown.valves : null;
  return value === null ? null : ({ kind: 'air-test', test, value: psi(value) } as const);
}
export const AIR_TESTS_ASKED: readonly AirTest[] = [
  'governor',
  'build-up',
  'leak-released',
  'leak-applied',
  'low-air',
  'spring-brake',
];
