import fc from 'fast-check';
import type { Route } from '../../../inspection';
import { judgeReading } from '../../../judge';
import { plainBook } from '../../../limits';
import { readDial } from '../drawing/read-back';
import { airMarks, seenDrawing } from './dash';
import {
  AIR_FAULTS,
  type AirSystem,
  airBalance,
  airSystem,
  gaugeOf,
  RESERVOIRS,
  restingAir,
  runAir,
  systemPsi,
  systemWith,
  withControls,
} from './model';
import {
  AIR_PARTS,
  AIR_TESTS_ASKED,
  type AirAct,
  type AirCheck,
  type AirPart,
  actAir,
  airOrderIn,
  airOrderOf,
  airReading,
  beginAirCheck,
  passAir,
  type Shown,
} from './order';

const NONE: Shown = beginAirCheck(restingAir()).shown;
const psi = fc.integer({ min: 0, max: 160 });

/** The whole check, done in its order. */
function inOrder(system: AirSystem): AirCheck {
  let check = beginAirCheck(restingAir());
  const act = (...acts: AirAct[]) => {
    for (const each of acts) check = actAir(system, check, each);
  };
  const until = (done: (now: AirCheck) => boolean, each: () => void) => {
    for (let nth = 0; nth < 2_000 && !done(check); nth++) each();
    expect(done(check)).toBe(true);
  };
  const pass = (seconds: number) => {
    check = passAir(system, check, seconds);
  };
  const pump = () => {
    act('press');
    pass(0.6);
    act('release');
    pass(0.6);
  };
  act('chock', 'key', 'engine', 'tractor', 'trailer');
  until(
    ({ part }) => part === 'cut-in',
    () => pass(1),
  );
  until(({ part }) => part === 'released', pump);
  until(
    ({ state }) => !state.loaded,
    () => pass(1),
  );
  act('engine', 'watch', 'press', 'watch');
  until(({ part }) => part === 'pop', pump);
  until(({ part }) => part === 'again', pump);
  act('engine');
  return check;
}

/** The check by another order: what each part asks for is done where it stands. */
function by(order: readonly AirPart[], system: AirSystem): AirCheck {
  let check = beginAirCheck(restingAir(), false, order);
  const act = (...acts: AirAct[]) => {
    for (const each of acts) check = actAir(system, check, each);
  };
  const until = (done: () => boolean, each: () => void) => {
    for (let nth = 0; nth < 2_000 && !done(); nth++) each();
    expect(done()).toBe(true);
  };
  const pass = () => {
    check = passAir(system, check, 1);
  };
  const pump = () => {
    act('press');
    check = passAir(system, check, 0.6);
    act('release');
    check = passAir(system, check, 0.6);
  };
  const controls = () => check.state.controls;
  const valvesIn = () => {
    if (!controls().tractorIn) act('tractor');
    if (!controls().trailerIn) act('trailer');
  };
  const fill = () => {
    if (!controls().engine) act('engine');
    // With less air than that they pop out again.
    until(() => systemPsi(check.state) > 60, pass);
    valvesIn();
    until(() => !check.state.loaded && systemPsi(check.state) > 100, pass);
  };
  const minute = (applied: boolean) => {
    if (systemPsi(check.state) < 100 || controls().engine) fill();
    if (controls().engine) act('engine');
    if (applied) act('press');
    act('watch');
  };
  const empty = (part: AirPart) => {
    if (controls().engine) act('engine');
    until(() => check.part !== part, pump);
  };
  const doing: Record<AirPart, () => void> = {
    build: () => {
      act('chock', 'key', 'engine');
      valvesIn();
      until(() => check.part !== 'build', pass);
    },
    'cut-in': () => {
      fill();
      check = passAir(system, check, 0.25);
      until(() => check.part !== 'cut-in', pump);
    },
    released: () => minute(false),
    applied: () => minute(true),
    warning: () => empty('warning'),
    pop: () => empty('pop'),
    again: () => act('engine'),
    done: () => undefined,
  };
  for (const part of order) if (check.part === part) doing[part]();
  return check;
}

const BOOK = plainBook('na');
const failing = (check: AirCheck): string[] =>
  AIR_TESTS_ASKED.filter((test) => {
    const reading = airReading(check.shown, test);
    return !reading || judgeReading(BOOK, null, reading).verdict !== 'within';
  });

test('a good system, checked in order, meets every published figure', () => {
  const check = inOrder(systemWith(null));
  expect([check.part, check.mistake, check.begunAgain]).toEqual(['done', null, 0]);
  expect(failing(check)).toEqual([]);
  expect(check.shown.buildUp).toBeLessThan(45);
});

test('its order is the route’s, the warning never after the valves, and what is not asked comes last', () => {
  expect(airOrderOf(['governor', 'build-up', 'leak-released', 'leak-applied', 'low-air', 'spring-brake'])).toEqual(
    AIR_PARTS,
  );
  expect(airOrderOf([])).toEqual(AIR_PARTS);
  expect(airOrderOf(['spring-brake', 'low-air', 'leak-released', 'leak-applied', 'governor'])).toEqual([
    'build',
    'warning',
    'pop',
    'released',
    'applied',
    'cut-in',
    'again',
    'done',
  ]);
});

test('a shop’s own route gives its order; without one it is as it ships', () => {
  const asks = (items: string[]) => items.map((item) => ({ kind: 'air-test' as const, item }));
  const route = (items: string[]) =>
    ({
      id: 'r',
      name: 'R',
      says: '',
      kinds: ['tractor'],
      sections: [{ id: 's', name: 'S', says: '', at: 'unit', asks: asks(items) }],
    }) as Route;
  expect(airOrderIn([])).toEqual(AIR_PARTS);
  expect(airOrderIn([route(['leak-released'])])).toEqual(AIR_PARTS);
  const own = route(['low-air', 'spring-brake', 'leak-released', 'leak-applied', 'governor']);
  expect(airOrderIn([route(['leak-released']), own]).slice(1, 6)).toEqual([
    'warning',
    'pop',
    'released',
    'applied',
    'cut-in',
  ]);
});

test('in any order of a route a good system meets every figure, and a faulty one fails its own', () => {
  const tests = fc.shuffledSubarray(['governor', 'leak-released', 'leak-applied', 'low-air', 'spring-brake'] as const, {
    minLength: 5,
  });
  fc.assert(
    fc.property(tests, (asked) => {
      const order = airOrderOf(asked);
      const good = by(order, systemWith(null));
      expect([good.part, good.mistake, good.begunAgain]).toEqual(['done', null, 0]);
      expect(failing(good)).toEqual([]);
      for (const [fault, figure] of Object.entries(FAILS))
        expect([fault, ...failing(by(order, systemWith(fault as never)))]).toContain(figure);
    }),
    { numRuns: 12 },
  );
});

const FAILS = {
  'leak-right': 'leak-released',
  'leak-applied': 'leak-applied',
  'late-warning': 'low-air',
  'valve-sticks': 'spring-brake',
  'governor-high': 'governor',
} as const;

test('each fault fails its own figure', () => {
  const wanted: Record<string, string> = {
    'leak-left': 'leak-released',
    'leak-right': 'leak-released',
    'leak-applied': 'leak-applied',
    'late-warning': 'low-air',
    'valve-sticks': 'spring-brake',
    'governor-high': 'governor',
    'governor-low': 'governor',
    'slow-compressor': 'build-up',
  };
  for (const fault of AIR_FAULTS)
    expect([fault, ...failing(inOrder(systemWith(fault)))]).toEqual(expect.arrayContaining([fault, wanted[fault]]));
});

test('no air is lost or made: what is there, and what left, is what was there and was compressed', () => {
  const controls = fc.record({
    engine: fc.boolean(),
    pedal: fc.constantFrom(0, 0.4, 1),
    tractorIn: fc.boolean(),
    trailerIn: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.nat(200), fc.array(controls, { minLength: 1, maxLength: 8 }), (seed, acts) => {
      const system = airSystem(seed);
      let state = restingAir();
      const before = airBalance(state);
      for (const each of acts) state = runAir(system, withControls(state, { key: true, ...each }), 7);
      expect(airBalance(state)).toBeCloseTo(before, 5);
      for (const vessel of RESERVOIRS) expect(gaugeOf(state, vessel)).toBeGreaterThan(-1e-6);
    }),
    { numRuns: 40 },
  );
});

test('a step half as long changes no gauge by more than 0.2 psi', () => {
  const system = systemWith('leak-left');
  let [one, half] = [restingAir(), restingAir()];
  for (const controls of [
    { key: true, engine: true, tractorIn: true, trailerIn: true },
    { pedal: 1 },
    { pedal: 0 },
    { engine: false },
    { pedal: 1 },
  ]) {
    one = runAir(system, withControls(one, controls), 20, 0.05);
    half = runAir(system, withControls(half, controls), 20, 0.025);
    for (const vessel of RESERVOIRS) expect(Math.abs(gaugeOf(one, vessel) - gaugeOf(half, vessel))).toBeLessThan(0.2);
  }
});

test('out of order it says why, and begins again', () => {
  const system = systemWith(null);
  const begun = beginAirCheck(restingAir());
  const pressed = actAir(system, actAir(system, begun, 'engine'), 'press');
  expect(pressed).toMatchObject({ part: 'build', begunAgain: 1, mistake: expect.stringContaining('85 to 100') });
  let check = (['chock', 'engine', 'tractor', 'trailer'] as const).reduce(
    (now, act) => actAir(system, now, act),
    begun,
  );
  for (let nth = 0; nth < 300 && check.part === 'build'; nth++) check = passAir(system, check, 1);
  while (check.part === 'cut-in')
    check = passAir(system, actAir(system, passAir(system, actAir(system, check, 'press'), 0.6), 'release'), 0.6);
  expect(actAir(system, check, 'watch').mistake).toContain('engine running');
  expect(actAir(system, actAir(system, check, 'engine'), 'press').mistake).toContain('foot off');
  const watched = actAir(system, actAir(system, check, 'engine'), 'watch');
  expect(watched.part).toBe('applied');
  expect(actAir(system, watched, 'watch').mistake).toContain('full application');
  expect(systemPsi(watched.state)).toBeGreaterThan(90);
});

test('unchocked the last valve is not pushed in, whichever it is; once chocked it is', () => {
  const system = systemWith(null);
  for (const [one, last] of [
    ['tractor', 'trailer'],
    ['trailer', 'tractor'],
  ] as const) {
    const begun = actAir(system, actAir(system, beginAirCheck(restingAir()), 'engine'), one);
    const refused = actAir(system, begun, last);
    expect([refused.begunAgain, refused.state.controls[`${last}In`]]).toEqual([1, false]);
    expect(refused.mistake).toContain('first chock the wheels');
    const chocked = actAir(system, actAir(system, refused, 'chock'), last);
    expect([chocked.mistake, chocked.state.controls[`${last}In`]]).toEqual([null, true]);
  }
});

test('what was seen stands on dials to be read, each needle at its figure', () => {
  expect(seenDrawing(NONE)).toBeNull();
  fc.assert(
    fc.property(
      psi,
      psi,
      fc.tuple(psi, psi),
      fc.tuple(psi, psi),
      psi,
      psi,
      (out, back, released, applied, low, popped) => {
        const shown = { ...NONE, cutOut: out, cutIn: back, released, applied, warning: low, valves: popped };
        const drawing = seenDrawing(shown);
        const read = (name: string) => drawing && readDial(drawing, `needle ${name}`, `centre-${name}`);
        expect(read('cut out')).toBeCloseTo(out, 1);
        expect(read('cut in')).toBeCloseTo(back, 1);
        expect(read('released, first')).toBeCloseTo(released[0], 1);
        expect(read('released, later')).toBeCloseTo(released[1], 1);
        expect(read('applied, first')).toBeCloseTo(applied[0], 1);
        expect(read('applied, later')).toBeCloseTo(applied[1], 1);
        expect(read('warning')).toBeCloseTo(low, 1);
        expect(read('valves out')).toBeCloseTo(popped, 1);
      },
    ),
  );
});

test('the marks of a check: the share that is right, less each new beginning, never below none', () => {
  expect([airMarks(6, 6, 0), airMarks(3, 6, 0), airMarks(6, 6, 2), airMarks(6, 6, 40), airMarks(0, 6, 3)]).toEqual([
    100, 50, 80, 50, 0,
  ]);
});
