import fc from 'fast-check';
import { CHECKS, checkEntry } from '../catalogue';
import { AIR_TESTS, expectedReadings, goodReading, keyOf, MEASURED_KINDS, missingSteps, readingKey } from '../reading';
import {
  type Axle,
  BRAKE_KINDS,
  DOORS,
  HUB_KINDS,
  hasBrake,
  hasPushrod,
  SUSPENSIONS,
  TYRE_FITS,
  tyresOf,
  UNIT_KINDS,
  type Unit,
  type UnitKind,
  wheelEnd,
} from '../trailer';
import { isDriversWalk, mayLack, measuresAll, ROUTES, routeSchema, routeSteps, routesFor } from '.';

const axle: Axle = { brake: 's-cam', tyres: 'dual', hub: 'oil' };
const trailer: Unit = {
  id: 'T',
  kind: 'semitrailer',
  axles: [{ ...axle, lift: true, tyres: 'single' }, axle, { ...axle, brake: 'air-disc' }],
};
const steps = (id: string, unit = trailer) => {
  const route = ROUTES.find((each) => each.id === id);
  if (!route) throw new Error(id);
  return routeSteps(route, unit);
};
const places = (id: string, kind: string) =>
  steps(id)
    .filter((step) => step.kind === kind)
    .map((step) => `${step.axle}${step.side?.[0]}`);

test('the routes have the published shape, and name checks and tests that exist', () => {
  for (const route of ROUTES) {
    expect(routeSchema.parse(route)).toEqual(route);
    for (const { asks } of route.sections)
      for (const { kind, item } of asks) {
        if (kind === 'check') expect([item, checkEntry(item ?? '') !== null]).toEqual([item, true]);
        if (kind === 'air-test') expect(AIR_TESTS).toContain(item);
      }
  }
});

test.each(ROUTES.map(({ id }) => id))('%s asks for nothing twice', (id) => {
  const keys = steps(id).map(keyOf);
  expect(new Set(keys).size).toBe(keys.length);
});

// Oil and coolant are asked apart; what was once read of both together is still read.
const BESIDE = ['engine-fluids', 'other', 'other-end'];

test('no check is left that no route asks for, but what is found beside the way', () => {
  const asked = new Set(ROUTES.flatMap(({ sections }) => sections.flatMap(({ asks }) => asks.map(({ item }) => item))));
  expect(CHECKS.filter(({ id }) => !asked.has(id)).map(({ id }) => id)).toEqual(BESIDE);
});

test('the full route asks for everything that is expected, and more', () => {
  const keys = steps('full').map(keyOf);
  for (const step of expectedReadings(trailer)) expect(keys).toContain(keyOf(step));
  expect(measuresAll(ROUTES.find(({ id }) => id === 'full') as never)).toBe(true);
  expect(measuresAll(ROUTES.find(({ id }) => id === 'four-thing') as never)).toBe(false);
});

test('a driver is offered the walks, and nothing that takes the bench', () => {
  expect(ROUTES.filter(isDriversWalk).map(({ id }) => id)).toEqual([
    'walk-trailer',
    'walk-dolly',
    'four-thing',
    'walk-tractor',
    'walk-truck',
    'walk-bus',
  ]);
});

test('round the unit, and the lift-bay order', () => {
  expect(places('measure', 'hub-oil')).toEqual(['1l', '2l', '3l', '3r', '2r', '1r']);
  expect(places('lift-bay', 'hub-oil')).toEqual(['1l', '1r', '3l', '3r', '2l', '2r']);
});

test('what does not apply at an axle end is left out there', () => {
  expect(places('full', 'drum')).toEqual(['1l', '2l', '2r', '1r']);
  expect(places('full', 'rotor')).toEqual(['3l', '3r']);
  expect(places('full', 'dual')).not.toContain('1l');
});

test('a unit is offered the routes of its kind, the fleet’s own first', () => {
  expect(routesFor('bus').map(({ id }) => id)).toEqual(['measure', 'full-bus', 'walk-bus', 'heat']);
  const own = { ...(ROUTES[0] as (typeof ROUTES)[number]), id: 'own' };
  expect(routesFor('bus', [own])[0]?.id).toBe('own');
});

const anyAxle: fc.Arbitrary<Axle> = fc.record({
  brake: fc.constantFrom(...BRAKE_KINDS),
  tyres: fc.constantFrom(...TYRE_FITS),
  hub: fc.constantFrom(...HUB_KINDS),
  lift: fc.boolean(),
});
const anyUnit: fc.Arbitrary<Unit> = fc.record({
  id: fc.constant('U'),
  kind: fc.constantFrom(...UNIT_KINDS),
  axles: fc.array(anyAxle, { minLength: 1, maxLength: 5 }),
});

test('on any running gear, every route asks only for what is there, each once, and can be answered to its end', () => {
  fc.assert(
    fc.property(anyUnit, fc.constantFrom(...ROUTES), (unit, route) => {
      const asked = routeSteps(route, unit);
      expect(new Set(asked.map(keyOf)).size).toBe(asked.length);
      for (const { kind, axle: on, side, tyre, section } of asked) {
        expect(route.sections.some(({ id }) => id === section)).toBe(true);
        if (on === null || side === null) continue;
        const end = wheelEnd(unit, on, side);
        if (!end) throw new Error(`no end ${on}${side}`);
        if (tyre) expect(tyresOf(end)).toContain(tyre);
        if (kind === 'stroke-applied') expect(hasPushrod(end)).toBe(true);
        if (kind === 'lining') expect(hasBrake(end)).toBe(true);
        if (kind === 'dual') expect(end.tyres).toBe('dual');
      }
    }),
    { numRuns: 60 },
  );
});

test('on any running gear, the routes that measure all ask for everything that is expected', () => {
  fc.assert(
    fc.property(anyUnit, (unit) => {
      for (const route of routesFor(unit.kind).filter(measuresAll)) {
        const keys = new Set(routeSteps(route, unit).map(keyOf));
        expect(expectedReadings(unit).filter((step) => !keys.has(keyOf(step)))).toEqual([]);
      }
    }),
    { numRuns: 60 },
  );
});

describe('what a unit does not have', () => {
  const full = ROUTES.find(({ id }) => id === 'full');
  if (!full) throw new Error('no full route');
  const on = (suspension?: 'air' | 'spring'): Unit => ({
    id: 'T',
    kind: 'semitrailer',
    axles: [{ brake: 's-cam', tyres: 'dual', hub: 'oil', ...(suspension ? { suspension } : {}) }],
  });
  const items = (unit: Unit) => routeSteps(full, unit).map(({ item }) => item);
  test('a trailer on leaf springs is never asked for air bags', () => {
    expect(items(on('air'))).toContain('air-bag');
    expect(items(on('spring'))).not.toContain('air-bag');
    expect(items(on())).toContain('air-bag');
  });
  test('what it was found to lack is not asked for at that place', () => {
    const steps = routeSteps(full, { ...on(), notFitted: ['check:shock@1L'] });
    expect(steps.filter(({ item }) => item === 'shock').map(({ side }) => side)).toEqual(['right']);
  });
  test('the measured things are always there', () => {
    for (const kind of MEASURED_KINDS) expect(mayLack({ kind })).toBe(false);
    expect(mayLack({ kind: 'king-pin' })).toBe(true);
  });
});

const features = fc.record(
  { abs: fc.boolean(), autoInflation: fc.boolean(), liftGate: fc.boolean(), doors: fc.constantFrom(...DOORS) },
  { requiredKeys: [] },
);
const fitted = fc.record(
  {
    brake: fc.constantFrom(...BRAKE_KINDS),
    tyres: fc.constantFrom(...TYRE_FITS),
    hub: fc.constantFrom(...HUB_KINDS),
    suspension: fc.constantFrom(...SUSPENSIONS),
    steer: fc.boolean(),
    lift: fc.boolean(),
  },
  { requiredKeys: ['brake', 'tyres', 'hub'] },
);

test('every route over every unit asks only for what is fitted, each thing once, and can be walked to its end', () => {
  const unit = fc.record({
    id: fc.constant('T'),
    kind: fc.constantFrom(...UNIT_KINDS),
    axles: fc.array(fitted, { minLength: 1, maxLength: 5 }),
    features,
  });
  fc.assert(
    fc.property(unit, fc.nat(), (made, pick) => {
      for (const route of routesFor(made.kind, [])) {
        const whole = routeSteps(route, made);
        const keys = whole.map(keyOf);
        expect(new Set(keys).size).toBe(keys.length);
        for (const step of whole) {
          const end = step.axle && step.side ? wheelEnd(made, step.axle, step.side) : null;
          if (end?.suspension === 'spring') expect(step.item).not.toBe('air-bag');
          if (end && !end.steer) expect(step.item).not.toBe('steer-tyre');
          if (end && end.brake === 'none') expect(['stroke-applied', 'lining']).not.toContain(step.kind);
        }
        if (made.features.abs === false) expect(keys).not.toContain('check:abs-lamp@unit');
        if (made.features.liftGate === false) expect(keys).not.toContain('check:lift-gate@unit');
        const absent = whole.filter(mayLack)[pick % Math.max(1, whole.filter(mayLack).length)];
        const less = absent ? routeSteps(route, { ...made, notFitted: [keyOf(absent)] }).map(keyOf) : keys;
        expect(less).toEqual(absent ? keys.filter((key) => key !== keyOf(absent)) : keys);
        const read = new Set<string>(whole.map((step) => readingKey(goodReading(step.kind, step))));
        expect(missingSteps(whole, read)).toEqual([]);
      }
    }),
  );
});

describe('a walk asks for what its kind of unit has, and for nothing else', () => {
  const air: Axle = { brake: 's-cam', tyres: 'dual', hub: 'oil', suspension: 'air' };
  const asked = (kind: UnitKind, id: string, more: Partial<Unit> = {}) => {
    const route = ROUTES.find((each) => each.id === id);
    if (!route) throw new Error(`no route ${id}`);
    return routeSteps(route, { id: 'U', kind, axles: [air, air], ...more }).map(({ kind: of, item }) => item ?? of);
  };

  test.each([
    [
      'semitrailer',
      ['jaws', 'king-pin', 'landing-gear'],
      ['drawbar-eye', 'safety-chains', 'turntable', 'dolly-support'],
    ],
    [
      'full-trailer',
      ['drawbar-eye', 'drawbar-hinge', 'safety-chains', 'turntable'],
      ['king-pin', 'landing-gear', 'jaws'],
    ],
    [
      'dolly',
      ['drawbar-eye', 'safety-chains', 'dolly-support', 'plate'],
      ['king-pin', 'landing-gear', 'doors', 'mud-flap'],
    ],
  ] as const)('of a %s', (kind, has, lacks) => {
    const full = asked(kind, 'full');
    expect(full).toEqual(expect.arrayContaining([...has]));
    for (const each of lacks) expect(full).not.toContain(each);
  });

  test('of an axle on air bags: arms and bags, no leaves', () => {
    const full = asked('semitrailer', 'full');
    expect(full).toEqual(expect.arrayContaining(['air-bag', 'ride-arms']));
    expect(full).not.toContain('spring');
    const leaves = asked('semitrailer', 'full', { axles: [{ ...air, suspension: 'spring' }] });
    expect(leaves).toContain('spring');
    expect(leaves).not.toContain('ride-arms');
  });

  test('of a rotor and of a drum, each its own signs', () => {
    const disc = asked('semitrailer', 'full', { axles: [{ ...air, brake: 'air-disc' }] });
    expect([disc.includes('rotor-look'), disc.includes('drum-look')]).toEqual([true, false]);
    const drum = asked('semitrailer', 'full');
    expect([drum.includes('rotor-look'), drum.includes('drum-look')]).toEqual([false, true]);
  });

  test('what is fitted is on the periodic walk, what is not is not', () => {
    const fitted = asked('semitrailer', 'full', { features: { liftGate: true, refrigeration: true } });
    expect(fitted).toEqual(expect.arrayContaining(['lift-gate', 'refrigeration']));
    const plain = asked('semitrailer', 'full');
    for (const each of ['lift-gate', 'refrigeration']) expect(plain).not.toContain(each);
  });

  test.each(['tractor', 'truck', 'bus'] as const)('a %s is measured and inspected whole', (kind) => {
    const full = asked(kind, `full-${kind}`);
    expect(full).toEqual(
      expect.arrayContaining([
        'stroke-applied',
        'lining',
        'tread',
        'hub-oil',
        'governor',
        'steering-links',
        kind === 'bus' ? 'bus-steer-tyre' : 'steer-tyre',
      ]),
    );
    // The hub's oil is read where the walk has a look at it, and the free stroke measured where it is pulled by hand.
    const instead = ['hub-look', 'slack-pull'];
    const left = asked(kind, `walk-${kind}`).filter((each) => !instead.includes(each) && !full.includes(each));
    expect(left).toEqual([]);
  });

  test('brake tests that move are answered one by one', () => {
    const oneByOne = ROUTES.flatMap(({ sections }) => sections).filter(({ asks }) =>
      asks.some(({ item }) => ['parking-brake', 'service-brake', 'trailer-supply'].includes(item ?? '')),
    );
    expect(oneByOne.length).toBeGreaterThan(0);
    for (const section of oneByOne) expect(section.oneByOne).toBe(true);
  });
});
