import fc from 'fast-check';
import { type FleetLimit, plainBook } from '../limits';
import { formatLength } from '../measure';
import { AXLE } from '../testing/axle';
import { ask, at, first, type Given, type More } from '../testing/judging';
import type { Unit } from '../trailer';
import { judge, longestRun } from '.';

describe('drum and rotor', () => {
  const drum = (value: string, more = {}) => ({ kind: 'drum', ...at, value, ...more });
  test.each([
    ['16.620 in', {}, 'within'],
    ['16.621 in', {}, 'violation'],
    ['15.2 in', {}, 'not-judged'],
    ['15.2 in', { marked: '15.120 in' }, 'violation'],
    ['16.640 in', { marked: '16.700 in' }, 'within'],
  ])('a drum of %s %j is %s', (value, more, verdict) => expect(first(drum(value, more)).verdict).toBe(verdict));

  test.each([
    ['37 mm', {}, 'within'],
    ['36.999 mm', {}, 'violation'],
    ['46 mm', {}, 'not-judged'],
    ['36 mm', { marked: '34 mm' }, 'within'],
  ])('a rotor of %s %j is %s', (value, more, verdict) =>
    expect(first({ kind: 'rotor', ...at, value, ...more }, { axle: { brake: 'air-disc' } }).verdict).toBe(verdict),
  );
});

describe('lug nuts', () => {
  const nuts = (holes: number, loose: number[], missing: number[] = [], rust: number[] = []) =>
    first({ kind: 'wheel-nuts', ...at, holes, loose, missing, rust }).verdict;
  test.each([
    [10, [], [], 'within'],
    [10, [1], [], 'violation'],
    [10, [1, 4], [], 'violation'],
    [10, [1], [2], 'out-of-service'],
    [10, [10], [1], 'out-of-service'],
    [10, [1, 4, 7], [], 'out-of-service'],
    [8, [1], [], 'violation'],
    [8, [1, 5], [], 'out-of-service'],
    [6, [], [2, 4], 'out-of-service'],
  ])('%d holes, loose %j, missing %j: %s', (holes, loose, missing, verdict) =>
    expect(nuts(holes, loose, missing)).toBe(verdict),
  );
  test('a rust trail alone is the shop’s', () => expect(nuts(10, [], [], [3])).toBe('shop-limit'));

  test('the longest run goes round the wheel, and turning the wheel changes nothing', () => {
    expect([longestRun([10, 1, 2], 10), longestRun([], 8), longestRun([1, 3, 5], 10)]).toEqual([3, 0, 1]);
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 12 }), fc.array(fc.integer({ min: 0, max: 11 })), (holes, raw) => {
        const positions = raw.map((each) => (each % holes) + 1);
        const turned = positions.map((each) => (each % holes) + 1);
        return longestRun(positions, holes) === longestRun(turned, holes);
      }),
    );
  });
});

describe('duals', () => {
  const tread = (tyre: string, depth: string) => ({ kind: 'tread', ...at, tyre, grooves: [[depth]] });
  const pressure = (tyre: string, value: string) => ({ kind: 'pressure', ...at, tyre, value, target: '100 psi' });
  const kinds = (readings: Given[], more?: More) => ask(readings, more).findings.map(({ kind }) => kind);
  test('further apart than 4/32 is said, exactly 4/32 is not', () => {
    expect(kinds([tread('inner', '6/32'), tread('outer', '10/32')])).not.toContain('dual-tread');
    expect(kinds([tread('inner', '6/32'), tread('outer', '11/32')])).toContain('dual-tread');
  });
  test('more than 5 psi apart is said', () => {
    expect(kinds([pressure('inner', '100 psi'), pressure('outer', '105 psi')])).not.toContain('dual-pressure');
    expect(kinds([pressure('inner', '100 psi'), pressure('outer', '106 psi')])).toContain('dual-pressure');
  });
  test.each([
    [{ touching: true }, 'out-of-service'],
    [{ touching: false }, 'within'],
    [{}, 'not-judged'],
    [{ diameters: ['40 in', '40 1/2 in'], size: 'large' }, 'within'],
    [{ diameters: ['40 in', '40 9/16 in'], size: 'large' }, 'shop-limit'],
    [{ diameters: ['40 in', '40 5/16 in'], size: 'small' }, 'shop-limit'],
    [{ diameters: ['40 in', '41 in'] }, 'not-judged'],
  ])('%j is %s', (noted, verdict) => expect(first({ kind: 'dual', ...at, ...noted }).verdict).toBe(verdict));
  test('as a pair, the mate of a failing tire is reported too', () => {
    expect(kinds([tread('inner', '1/32'), tread('outer', '5/32')])).not.toContain('dual-pair');
    expect(kinds([tread('inner', '1/32'), tread('outer', '5/32')], { policies: { duals: 'pair' } })).toContain(
      'dual-pair',
    );
  });
});

describe('kingpin, slider, mud flap, end play', () => {
  test.each([
    [['2.000 in', '1.998 in'], 'within'],
    [['1.9 in', '1.875 in'], 'within'],
    [['1.9 in', '1.874 in'], 'violation'],
    [['3.4 in', '3.4 in'], 'not-judged'],
  ])('a pin of %j is %s', (pin, verdict) => expect(first({ kind: 'king-pin', pin }).verdict).toBe(verdict));
  test('a thin collar decides over a good pin', () =>
    expect(first({ kind: 'king-pin', pin: ['2 in', '2 in'], collar: ['2.8 in', '2.74 in'] }).verdict).toBe(
      'violation',
    ));
  test.each([
    [4, 4, 'within'],
    [4, 3, 'violation'],
    [4, 2, 'out-of-service'],
    [8, 6, 'violation'],
    [8, 5, 'out-of-service'],
  ])('of %d slider pins %d seated is %s', (pins, seated, verdict) =>
    expect(first({ kind: 'slider-pins', pins, seated }).verdict).toBe(verdict),
  );
  test.each([
    ['8', '8 in', 'within'],
    ['8', '8 1/16 in', 'shop-limit'],
    ['6', '7 in', 'shop-limit'],
  ])('policy %s: a flap at %s is %s', (policy, value, verdict) =>
    expect(first({ kind: 'mud-flap', side: 'left', value }, { policies: { 'mud-flap': policy } }).verdict).toBe(
      verdict,
    ),
  );
  test.each([
    ['18 in', false, '2 1/4 in', 'within'],
    ['18 in', false, '2 5/16 in', 'violation'],
    ['18 1/2 in', true, '4 3/4 in', 'within'],
    ['15 in', true, '4 3/8 in', 'violation'],
    ['20 in', false, '2 in', 'within'],
    ['20 in', false, '2 1/4 in', 'shop-limit'],
    ['20 in', false, '2 9/16 in', 'violation'],
    ['560 mm', true, '5 3/4 in', 'within'],
    ['22 in', true, '5 13/16 in', 'violation'],
  ])('a wheel %s across, powered %s: play of %s is %s', (wheel, power, value, verdict) =>
    expect(first({ kind: 'wheel-play', value, wheel, power }).verdict).toBe(verdict),
  );
  test('wheel play is not judged where the wheel or its steering is not known', () => {
    for (const known of [{ wheel: '20 in' }, { power: true }, {}])
      expect(first({ kind: 'wheel-play', value: '3 in', ...known })).toMatchObject({
        verdict: 'not-judged',
        because: expect.stringContaining('enter the steering wheel diameter'),
      });
  });
  test.each([
    ['0.001 in', 'within'],
    ['0.005 in', 'within'],
    ['0.0009 in', 'shop-limit'],
    ['0.006 in', 'shop-limit'],
  ])('end play of %s is %s', (value, verdict) =>
    expect(first({ kind: 'end-play', ...at, value }).verdict).toBe(verdict),
  );
});

describe('air tests', () => {
  const air = (test: string, noted: object, more?: More) => first({ kind: 'air-test', test, ...noted }, more);
  const leak = (start: number, end: number, seconds = 60, vehicles = 'single') => ({
    start: `${start} psi`,
    end: `${end} psi`,
    seconds,
    vehicles,
  });
  test.each([
    ['leak-released', leak(100, 99), 'within'],
    ['leak-released', leak(100, 98), 'violation'],
    ['leak-released', leak(100, 97.1, 60, 'combination'), 'within'],
    ['leak-released', leak(100, 97, 60, 'combination'), 'violation'],
    ['leak-applied', leak(90, 87), 'within'],
    ['leak-applied', leak(90, 86), 'violation'],
    ['leak-applied', leak(90, 86, 60, 'combination'), 'within'],
    ['leak-applied', leak(90, 84, 120), 'within'],
    ['leak-applied', leak(90, 89, 20), 'not-judged'],
    ['leak-applied', leak(90, 92), 'not-judged'],
    ['leak-applied', {}, 'not-judged'],
    ['suspension-leak', leak(100, 97, 300), 'within'],
    ['suspension-leak', leak(100, 99, 299), 'not-judged'],
    ['suspension-leak', leak(100, 96, 300), 'shop-limit'],
    ['low-air', { value: '60 psi' }, 'within'],
    ['low-air', { value: '59 psi' }, 'shop-limit'],
    ['low-air', { value: '54 psi' }, 'violation'],
    ['low-air', { value: '54 psi', cutOut: '106 psi' }, 'shop-limit'],
    ['low-air', { value: '52 psi', cutOut: '106 psi' }, 'violation'],
    ['spring-brake', { value: '20 psi' }, 'within'],
    ['spring-brake', { value: '45 psi' }, 'within'],
    ['spring-brake', { value: '46 psi' }, 'shop-limit'],
    ['spring-brake', { value: '19 psi' }, 'shop-limit'],
    ['governor', { cutIn: '100 psi', cutOut: '125 psi' }, 'within'],
    ['governor', { cutIn: '95 psi', cutOut: '125 psi' }, 'shop-limit'],
    ['governor', {}, 'not-judged'],
    ['governor', { cutIn: '102 psi' }, 'not-judged'],
    ['governor', { cutIn: '95 psi' }, 'shop-limit'],
    ['governor', { cutOut: '120 psi' }, 'within'],
    ['build-up', { seconds: 45 }, 'within'],
    ['build-up', { seconds: 46 }, 'violation'],
    ['build-up', { seconds: 40, start: '80 psi', end: '105 psi' }, 'within'],
    ['build-up', { seconds: 40, start: '90 psi', end: '100 psi' }, 'not-judged'],
    ['build-up', { seconds: 50, start: '80 psi', end: '100 psi' }, 'not-judged'],
    ['build-up', { seconds: 50, start: '85 psi', end: '95 psi' }, 'violation'],
  ])('%s %j is %s', (test, noted, verdict) => expect(air(test, noted).verdict).toBe(verdict));

  test('the shop’s policy decides', () => {
    const two = leak(100, 96, 60, 'two-trailers');
    expect(air('leak-released', two).verdict).toBe('violation');
    expect(air('leak-released', two, { policies: { 'leak-down': '5-6' } })).toMatchObject({
      verdict: 'within',
      sure: 'check',
    });
    const policies = { 'low-air': '55-or-half' };
    expect(air('low-air', { value: '56 psi' }, { policies }).verdict).toBe('within');
    expect(air('low-air', { value: '52 psi', cutOut: '100 psi' }, { policies }).verdict).toBe('within');
    expect(air('low-air', { value: '52 psi', cutOut: '125 psi' }, { policies }).verdict).toBe('violation');
    expect(air('spring-brake', { value: '45 psi' }, { policies: { valves: '20-40' } }).verdict).toBe('shop-limit');
  });
});

describe('checks by eye', () => {
  test('good is within, and says how it was looked at', () => {
    const found = first({ kind: 'check', check: 'spring', ...at, found: [], how: 'as-other-end' });
    expect(found).toMatchObject({ kind: 'check:spring', verdict: 'within' });
    expect(found.because).toMatch('same as the other end');
  });
  test('what is found is judged by its code, and counts', () => {
    const answer = ask([{ kind: 'check', check: 'chamber', ...at, found: ['chamber-leak', 'chamber-drain'] }]);
    expect(answer.findings.slice(0, 2).map(({ measured, verdict }) => [measured, verdict])).toEqual([
      ['chamber-leak', 'violation'],
      ['chamber-drain', 'shop-limit'],
    ]);
    expect(answer.units[0]?.brakes.full).toBe(1);
  });
  test('a check the route asked for and nobody made is open', () => {
    const step = { kind: 'check', item: 'jaws', axle: null, side: null, tyre: null } as const;
    const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [AXLE] };
    const { findings } = judge({ book: 'na', units: [unit], readings: [] }, { expected: [step] });
    expect(findings.find(({ kind }) => kind === 'check:jaws')).toMatchObject({ verdict: 'not-judged' });
  });
});

describe('fleet and maker limits', () => {
  const own = (tightens: string, value: string): FleetLimit => ({
    id: 'f',
    tightens,
    value,
    reason: 'hills',
    by: 'B',
    at: '',
  });
  const stroke = (value: string) => ({ kind: 'stroke-applied', ...at, value, reservoir: '95 psi' });
  test('past the fleet’s limit alone is the shop’s, and never counts', () => {
    const found = first(stroke('1 15/16 in'), { limits: [own('stroke.clamp.30.standard', '1 7/8 in')] });
    expect(found).toMatchObject({ verdict: 'shop-limit', limit: '1 7/8 in', share: 0 });
    expect(found.because).toMatch('1 7/8 in (the fleet), 2 in (the book)');
  });
  test('past the law stays a violation', () =>
    expect(first(stroke('2 1/4 in'), { limits: [own('stroke.clamp.30.standard', '1 7/8 in')] })).toMatchObject({
      verdict: 'violation',
      limit: '2 in',
      share: 1,
    }));
  test('a maker’s stricter limit wins, a looser one does not', () => {
    const maker = (value: string) => ({ axle: { maker: { lining: { value, source: 'manual' } } } });
    const lining = { kind: 'lining', ...at, points: ['9/32 in'] };
    expect(first(lining, maker('5/16 in'))).toMatchObject({ verdict: 'violation', share: 1, limit: '5/16 in' });
    expect(first(lining, { ...maker('5/16 in'), axle: { ...maker('5/16 in').axle, brake: 'air-disc' } })).toMatchObject(
      {
        verdict: 'shop-limit',
        limit: '5/16 in',
      },
    );
    expect(first(lining, maker('1/8 in'))).toMatchObject({ verdict: 'within', limit: '1/4 in' });
  });
  test('where the book has no stroke limit, the maker’s decides', () => {
    const axle = {
      chamber: { type: 'clamp', size: '36', stroke: 'long' },
      maker: { 'stroke-applied': { value: '2 1/2 in', source: 'marked' } },
    } as const;
    expect(first(stroke('2 5/8 in'), { axle }).verdict).toBe('violation');
    expect(first(stroke('2 1/2 in'), { axle }).verdict).toBe('within');
  });
});

describe('the book of Great Britain', () => {
  const gb = { book: 'gb' } as const;
  const tread = (...grooves: string[][]) => first({ kind: 'tread', ...at, tyre: 'outer', grooves }, gb).verdict;
  test.each([
    ['1.5 mm', 'within'],
    ['1.499 mm', 'violation'],
  ])('lining of %s is %s', (value, verdict) =>
    expect(first({ kind: 'lining', ...at, points: [value] }, gb)).toMatchObject({ verdict, share: 0 }),
  );
  test('tread holds in a band of three quarters', () => {
    expect(tread(['1.0 mm', '1.0 mm', '1.0 mm', '1.0 mm'])).toBe('within');
    expect(tread(['0.9 mm', '2 mm', '2 mm', '2 mm'])).toBe('within');
    expect(tread(['2 mm', '0.9 mm', '2 mm', '2 mm'])).toBe('violation');
    expect(tread(['0.9 mm', '2 mm', '2 mm'], ['2 mm', '2 mm', '0.9 mm'])).toBe('violation');
    expect(tread(['0.9 mm'])).toBe('violation');
  });
  test('there is no figure for a stroke without the maker’s', () => {
    const stroke = { kind: 'stroke-applied', ...at, value: '1 in' };
    expect(first(stroke, gb).verdict).toBe('not-judged');
    const axle = { maker: { 'stroke-applied': { value: '50 mm', source: 'manual' } } };
    expect(first(stroke, { ...gb, axle }).verdict).toBe('within');
  });
  test('there is no roadside brake count', () =>
    expect(ask([], gb).units[0]?.brakes).toMatchObject({ outOfServiceAt: null, outOfService: false }));
  test.each([
    [['49.0 mm', '50 mm'], 'within'],
    [['48.9 mm', '50 mm'], 'violation'],
  ])('a pin of %j is %s', (pin, verdict) => expect(first({ kind: 'king-pin', pin }, gb).verdict).toBe(verdict));
});

describe('properties of all books', () => {
  const lengths = fc.integer({ min: 1, max: 600 }).map((count) => ({
    in: formatLength(count * 396_875, 'fraction'),
    mm: `${((count * 396_875) / 1_000_000).toFixed(6)} mm`,
  }));
  const kinds = fc.constantFrom('stroke-free', 'lining', 'drum', 'rotor', 'end-play', 'king-pin', 'mud-flap');
  const reading = (kind: string, value: string): Given => {
    if (kind === 'lining') return { kind, ...at, points: [value] };
    if (kind === 'king-pin') return { kind, pin: [value, value] };
    return kind === 'mud-flap' ? { kind, side: 'left', value } : { kind, ...at, value };
  };
  test('writing a length in other units never changes a verdict', () => {
    fc.assert(
      fc.property(fc.constantFrom('na', 'gb'), kinds, lengths, (book, kind, length) => {
        const more = { book, axle: { brake: kind === 'rotor' ? 'air-disc' : 's-cam' } } as More;
        return first(reading(kind, length.in), more).verdict === first(reading(kind, length.mm), more).verdict;
      }),
    );
  });
  test('a fleet’s limit never gives a milder verdict', () => {
    const order = ['out-of-service', 'violation', 'shop-limit', 'within', 'not-judged'];
    const limits = plainBook('na').limits.filter(({ judges }) => judges === 'verdict');
    fc.assert(
      fc.property(
        kinds,
        lengths,
        fc.constantFrom(...limits.map(({ id }) => id)),
        lengths,
        (kind, length, tightens, own) => {
          const fleet: FleetLimit = { id: 'f', tightens, value: own.in, reason: 'r', by: 'b', at: '' };
          const mild = first(reading(kind, length.in)).verdict;
          const hard = first(reading(kind, length.in), { limits: [fleet] }).verdict;
          return order.indexOf(hard) <= order.indexOf(mild);
        },
      ),
    );
  });
  test('shuffling readings of every kind changes nothing', () => {
    const tread = (tyre: string, depth: number) => ({
      kind: 'tread',
      ...at,
      tyre,
      grooves: [[`${depth}/32`]],
      wear: ['cupped'],
    });
    const pressure = (tyre: string, psi: number) => ({
      kind: 'pressure',
      ...at,
      tyre,
      value: `${psi} psi`,
      target: '100 psi',
    });
    const small = fc.integer({ min: 0, max: 14 });
    const one: fc.Arbitrary<Given> = fc.oneof(
      fc.tuple(kinds, lengths).map(([kind, { in: value }]) => reading(kind, value)),
      fc.tuple(fc.constantFrom('inner', 'outer'), small).map(([tyre, depth]) => tread(tyre, depth)),
      fc.tuple(fc.constantFrom('inner', 'outer'), small).map(([tyre, psi]) => pressure(tyre, 90 + psi)),
      fc.uniqueArray(fc.integer({ min: 1, max: 10 })).map((loose) => ({ kind: 'wheel-nuts', ...at, holes: 10, loose })),
      fc.subarray(['leaf-broken', 'joint-rust']).map((found) => ({ kind: 'check', check: 'spring', ...at, found })),
      small.map((psi) => ({ kind: 'air-test', test: 'low-air', value: `${50 + psi} psi` })),
    );
    fc.assert(
      fc.property(
        fc
          .array(one, { maxLength: 12 })
          .chain((all) => fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }))),
        ([all, shuffled]) => expect(ask(shuffled)).toEqual(ask(all)),
      ),
    );
  });
  test('adding a reading elsewhere changes no finding already there', () => {
    fc.assert(
      fc.property(kinds, lengths, lengths, (kind, one, other) => {
        const alone = first(reading(kind, one.in));
        const nuts = { kind: 'wheel-nuts', axle: 1, side: 'right', holes: 10 };
        const both = ask([
          reading(kind, one.in),
          nuts,
          { kind: 'stroke-free', axle: 1, side: 'right', value: other.in },
        ]);
        return both.findings.some((each) => JSON.stringify(each) === JSON.stringify(alone));
      }),
    );
  });
});

test('slack adjusters are alike on an axle: in length by law, in kind by practice', () => {
  const stroke = { kind: 'stroke-applied', ...at, value: '1 1/2 in', reservoir: '95 psi' };
  const match = (left: object, right: object) =>
    ask([stroke], { axle: { ends: { left, right } } }).findings.find(({ kind }) => kind === 'adjuster-match');
  expect(match({ slack: '5 1/2 in' }, { slack: '5.5 in' })).toBeUndefined();
  expect(match({ slack: '5 1/2 in' }, { slack: '6 in' })).toMatchObject({
    verdict: 'violation',
    rule: '49 CFR 393.47(c)',
    measured: '5 1/2 in, 6 in',
  });
  expect(match({ adjuster: 'manual' }, {})).toMatchObject({ verdict: 'shop-limit', measured: 'manual, automatic' });
  expect(match({}, {})).toBeUndefined();
});
