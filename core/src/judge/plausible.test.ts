import { CATALOGUE, CHECKS, isCaseOf, plainSign } from '../catalogue';
import { contradiction, goodReading, implausible, type Reading, STEP_KINDS } from '../reading';
import { ask, at, first, type Given } from '../testing/judging';

const tyre = { ...at, tyre: 'outer' };

test.each<[string, Given]>([
  ['a lining of a foot', { kind: 'lining', ...at, points: ['12 in', '3/8 in'] }],
  ['pads of nine inches', { kind: 'lining', ...at, points: ['9 in'] }],
  ['a tread of eight inches', { kind: 'tread', ...tyre, grooves: [['8 in']] }],
  ['a tire of 9,500 psi', { kind: 'pressure', ...tyre, value: '9500 psi', target: '100 psi' }],
  ['a target of 1,000 psi', { kind: 'pressure', ...tyre, value: '100 psi', target: '1000 psi' }],
  ['a stroke of five inches', { kind: 'stroke-applied', ...at, value: '5 in', reservoir: '95 psi' }],
  ['a stroke of a hair', { kind: 'stroke-applied', ...at, value: '1/16 in', reservoir: '95 psi' }],
  ['a reservoir of 900 psi', { kind: 'stroke-applied', ...at, value: '1 1/2 in', reservoir: '900 psi' }],
  ['a free stroke of five inches', { kind: 'stroke-free', ...at, value: '5 in' }],
  ['a drum of a foot and nothing', { kind: 'drum', ...at, value: '0 in' }],
  ['a drum of two feet', { kind: 'drum', ...at, value: '24 in' }],
  ['a rotor of a foot', { kind: 'rotor', ...at, value: '12 in' }],
  ['an inch of end play', { kind: 'end-play', ...at, value: '1 in' }],
  ['a pin thicker than new', { kind: 'king-pin', pin: ['2.1 in', '1.98 in'] }],
  ['a collar thicker than new', { kind: 'king-pin', pin: ['1.98 in', '1.98 in'], collar: ['3 in', '2.87 in'] }],
  ['a flap five feet up', { kind: 'mud-flap', side: 'left', value: '60 in' }],
  ['tires of a foot', { kind: 'dual', ...at, diameters: ['12 in', '12 in'], size: 'large' }],
  [
    'a leak-down of an empty system',
    { kind: 'air-test', test: 'leak-released', start: '0 psi', end: '0 psi', seconds: 60 },
  ],
  ['cut-in above cut-out', { kind: 'air-test', test: 'governor', cutIn: '126 psi', cutOut: '120 psi' }],
  ['a warning at 1,000 psi', { kind: 'air-test', test: 'low-air', value: '1000 psi' }],
])('%s has no verdict, and says what to do', (_, reading) => {
  expect(first(reading)).toMatchObject({
    verdict: 'not-judged',
    because: expect.stringMatching(/again|both be right/),
  });
});

test('what is good can be', () => {
  for (const kind of STEP_KINDS) {
    const item = kind === 'check' ? 'spring' : undefined;
    expect(implausible(goodReading(kind, { axle: 1, side: 'left', tyre: null, ...(item ? { item } : {}) }))).toBeNull();
  }
});

describe('a pushrod that does not move', () => {
  const still = (reservoir?: string) => ({
    kind: 'stroke-applied',
    ...at,
    value: '0 in',
    ...(reservoir ? { reservoir } : {}),
  });
  test('is a brake that does not act', () => {
    expect(first(still('95 psi'))).toMatchObject({ verdict: 'violation', share: 1, measured: '0 in' });
    expect(first(still())).toMatchObject({ verdict: 'violation', share: 1 });
  });
  test('says nothing where there is too little air to move it', () => {
    expect(first(still('60 psi'))).toMatchObject({ verdict: 'not-judged', share: 0 });
  });
});

describe('brakes whose pushrod is not measured', () => {
  const stroke = { kind: 'stroke-applied', ...at, value: '3 in', reservoir: '95 psi' };
  const lining = (side: string) => ({ kind: 'lining', axle: 1, side, points: ['1/2 in'] });
  test.each(['air-disc', 'wedge'] as const)('%s: none is expected, and the lining measures the brake', (brake) => {
    const answer = ask([lining('left'), lining('right')], { axle: { brake } });
    expect(answer.findings.some(({ kind }) => kind === 'stroke-applied')).toBe(false);
    expect(answer.units[0]?.brakes).toMatchObject({ total: 2, measured: 2, defectiveAtMost: 0 });
  });
  test.each(['air-disc', 'wedge'] as const)(
    '%s: a stroke given anyway is judged by its maker’s figure alone',
    (brake) => {
      expect(first(stroke, { axle: { brake } })).toMatchObject({ verdict: 'not-judged' });
      const maker = { 'stroke-applied': { value: '2 in', source: 'manual' } };
      expect(first(stroke, { axle: { brake, maker } })).toMatchObject({ verdict: 'violation', limit: '2 in' });
    },
  );
  test.each([
    ['1/16 in', '1/16 in', 'within', 0],
    ['1/16 in', '3/32 in', 'violation', 1],
  ])('scribe marks that move %s and %s are %s', (a, b, verdict, share) => {
    expect(first({ kind: 'scribe-marks', ...at, marks: [a, b] }, { axle: { brake: 'wedge' } })).toMatchObject({
      verdict,
      share,
    });
  });
});

describe('tyres', () => {
  const pressure = (value: string, more = {}) => ({ kind: 'pressure', ...tyre, value, ...more });
  test.each([
    ['0 psi', {}, 'out-of-service'],
    ['50 psi', { target: '100 psi' }, 'out-of-service'],
    ['51 psi', { target: '100 psi' }, 'violation'],
    ['55 psi', { target: '100 psi', sidewallMax: '120 psi' }, 'out-of-service'],
    ['60 psi', { target: '100 psi', sidewallMax: '110 psi' }, 'violation'],
    ['65 psi', { target: '100 psi', hot: true }, 'out-of-service'],
    ['66 psi', { target: '100 psi', hot: true }, 'violation'],
    ['60 psi', {}, 'not-judged'],
  ])('%s %j is %s', (value, more, verdict) => expect(first(pressure(value, more)).verdict).toBe(verdict));

  const pair = (inner: string, outer: string, hot: [boolean, boolean]) =>
    ask([
      { kind: 'pressure', ...at, tyre: 'inner', value: inner, target: '80 psi', hot: hot[0] },
      { kind: 'pressure', ...at, tyre: 'outer', value: outer, target: '80 psi', hot: hot[1] },
    ]).findings.filter(({ kind }) => kind === 'dual-pressure');
  test('hot duals are compared with each other, not with cold ones', () => {
    expect(pair('110 psi', '104 psi', [true, true])).toHaveLength(1);
    expect(pair('110 psi', '105 psi', [true, true])).toHaveLength(0);
    expect(pair('110 psi', '90 psi', [true, false])).toHaveLength(0);
  });

  test('the larger tire inside is a finding', () => {
    const dual = (diameters: string[]) => first({ kind: 'dual', ...at, diameters, size: 'large' });
    expect(dual(['40 1/4 in', '40 in'])).toMatchObject({
      verdict: 'shop-limit',
      because: expect.stringMatching('larger tire is inside'),
    });
    expect(dual(['40 in', '40 1/4 in'])).toMatchObject({ verdict: 'within' });
  });

  test.each([
    [['0.5 mm', '3 mm', '3 mm', '3 mm'], 'within'],
    [['0 mm', '3 mm', '3 mm', '3 mm'], 'violation'],
    [['0.5 mm', '3 mm', '3 mm', '0.5 mm'], 'violation'],
    [['0.5 mm', '3 mm', '3 mm', '3 mm', '3 mm', '3 mm', '3 mm', '0.5 mm'], 'violation'],
    [['0.5 mm', '3 mm', '3 mm'], 'within'],
    [['3 mm', '0.5 mm', '3 mm'], 'violation'],
    [['0.5 mm', '0.5 mm', '3 mm', '3 mm'], 'violation'],
    [['0.5 mm'], 'violation'],
  ])('the band of Great Britain: %j is %s', (row, verdict) => {
    const found = first({ kind: 'tread', ...tyre, grooves: [row] }, { book: 'gb' });
    expect(found.verdict).toBe(verdict);
    expect(found.margin?.startsWith('-')).toBe(verdict === 'violation');
  });
});

describe('kingpins', () => {
  const pin = (size: string, collar?: string) =>
    first({ kind: 'king-pin', pin: [size, size], ...(collar ? { collar: [collar, collar] } : {}) });
  test('one of 3 1/2 in without a limit stays open, whatever its collar', () => {
    expect(pin('3.5 in').verdict).toBe('not-judged');
    expect(pin('3.5 in', '2.8 in').verdict).toBe('not-judged');
  });
  test('a worn collar is said beside a pin that cannot be judged', () => {
    const found = ask([{ kind: 'king-pin', pin: ['3.5 in', '3.5 in'], collar: ['2.7 in', '2.7 in'] }]).findings.filter(
      ({ kind }) => kind === 'king-pin',
    );
    expect(found.map(({ verdict }) => verdict)).toEqual(['violation', 'not-judged']);
  });
});

describe('the catalog', () => {
  test('every code is a sign of some check', () => {
    const signs = CHECKS.flatMap(({ signs }) => signs.map(({ code }) => code));
    // What somebody says in general, a check says of a case.
    expect(CATALOGUE.filter(({ code }) => !signs.some((sign) => isCaseOf(sign, code)))).toEqual([]);
  });
  test('a code that is no sign of its check is refused', () => {
    const check = (found: string[]) => ({ kind: 'check', check: 'shock', ...at, found }) as Reading;
    expect(contradiction(check(['lamp-out']))).toMatchObject({ path: 'found.0' });
    expect(contradiction(check(['shock-wet']))).toBeNull();
  });
  test.each([
    ['wheel-cracked', 'violation', 0],
    ['wheel-crack-long', 'out-of-service', 0],
    ['air-bag-body-down', 'out-of-service', 0],
    ['lining-wear-mark', 'violation', 1],
    ['metal-on-metal', 'violation', 1],
    ['tyre-nail', 'shop-limit', 0],
    ['tyre-stone', 'shop-limit', 0],
  ])('%s is %s and counts %d', (code, verdict, share) => {
    expect(first({ kind: 'defect', ...at, code })).toMatchObject({ verdict, share });
    expect(first({ kind: 'defect', ...at, code }, { book: 'gb' }).verdict).not.toBe('out-of-service');
  });
  test('no two checks share a name', () => {
    const names = CHECKS.map(({ name }) => name);
    expect(names).toHaveLength(new Set(names).size);
  });
});

test('a hub that leaks onto the lining says that it counts', () => {
  const hub = first({ kind: 'hub-oil', ...at, level: 'between', condition: 'clear', leak: 'onto-lining' });
  expect(hub).toMatchObject({ verdict: 'out-of-service', share: 1, because: expect.stringMatching('Counts as one') });
});

test('a limit that is kept says what is to spare', () => {
  expect(first({ kind: 'stroke-applied', ...at, value: '1 7/8 in', reservoir: '95 psi' }).because).toMatch(
    '1/8 in to spare',
  );
});

test('a driver has at most six plain signs of a part, in no shop words', () => {
  const plain = CATALOGUE.filter(({ code }) => plainSign(code) !== null);
  const groups = new Map<string, number>();
  for (const { part, where } of plain) {
    const group = `${part} ${where === 'unit' ? 'unit' : 'end'}`;
    groups.set(group, (groups.get(group) ?? 0) + 1);
  }
  expect(Math.max(...groups.values())).toBeLessThanOrEqual(6);
  for (const { code } of plain) expect(plainSign(code)).not.toMatch(/clevis|equalizer|stance|spider|caliper|bushing/i);
});
