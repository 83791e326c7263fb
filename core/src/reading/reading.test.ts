import fc from 'fast-check';
import { judge, judgeRequestSchema, unsound } from '../judge';
import { type Axle, type Unit, wheelEnds } from '../trailer';
import {
  chockedBy,
  contradiction,
  judgedFigure,
  keyOf,
  parseKey,
  type Reading,
  readingKey,
  readingPlace,
  readingSchema,
} from '.';

const axle: Axle = { brake: 's-cam', tyres: 'dual', hub: 'oil' };
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [axle, { ...axle, tyres: 'single' }] };
const at = { axle: 1, side: 'left' } as const;

test.each<[Reading, string | null]>([
  [{ kind: 'wheel-nuts', ...at, holes: 8, loose: [8] }, null],
  [{ kind: 'wheel-nuts', ...at, holes: 8, loose: [9] }, 'loose'],
  [{ kind: 'wheel-nuts', ...at, holes: 8, missing: [1, 12] }, 'missing'],
  [{ kind: 'wheel-nuts', ...at, holes: 8, rust: [10] }, 'rust'],
  [{ kind: 'slider-pins', pins: 4, seated: 4 }, null],
  [{ kind: 'slider-pins', pins: 4, seated: 5 }, 'seated'],
  [{ kind: 'stroke-applied', ...at, value: '1 7/8 in', distances: ['3 in', '4 7/8 in'] }, null],
  [{ kind: 'stroke-applied', ...at, value: '1 3/4 in', distances: ['3 in', '4 7/8 in'] }, 'value'],
  [{ kind: 'stroke-applied', ...at, value: '1 7/8 in', distances: ['4 7/8 in', '3 in'] }, 'value'],
  [{ kind: 'stroke-applied', ...at, value: '47.63 mm', distances: ['3 in', '123.83 mm'] }, null],
  [{ kind: 'wheel-nuts', ...at, holes: 10, loose: [1, 4], missing: [4] }, 'loose'],
  [{ kind: 'wheel-nuts', ...at, holes: 10, loose: [1], missing: [4], rust: [1, 4] }, null],
])('%j says against itself: %s', (reading, path) => expect(contradiction(reading)?.path ?? null).toBe(path));

test.each<[Reading, string | null]>([
  [{ kind: 'lining', axle: 2, side: 'right', points: ['1/2 in'] }, null],
  [{ kind: 'lining', axle: 3, side: 'right', points: ['1/2 in'] }, '“T” has 2 axles, not 3'],
  [
    { kind: 'tread', axle: 1, side: 'left', tyre: 'single', grooves: [['6/32']] },
    'The tire here is inner or outer, not single',
  ],
  [{ kind: 'tread', axle: 2, side: 'left', tyre: 'inner', grooves: [['6/32']] }, 'The tire here is single, not inner'],
  [{ kind: 'check', check: 'tyre-look', found: [] }, 'This is noted at a wheel end: give its axle and side'],
  [{ kind: 'check', check: 'jaws', found: [] }, null],
  [{ kind: 'king-pin', pin: ['2 in', '2 in'] }, null],
])('%j on two axles: %s', (reading, message) => expect(unsound(reading, unit)?.message ?? null).toBe(message));

test('no pin and no nut that is not there makes a pass', () => {
  const readings = [{ kind: 'slider-pins', pins: 4, seated: 7, unit: 'T' } as const];
  const asked = judgeRequestSchema.safeParse({ book: 'na', units: [unit], readings });
  expect(asked.error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
    ['readings.0.seated', 'Of 4 pins 7 cannot be seated'],
  ]);
});

const refused = (reading: object) => readingSchema.safeParse(reading).error?.issues[0]?.path.join('.') ?? null;

test.each([
  [{ kind: 'lining', ...at, points: [] }, 'points'],
  [{ kind: 'lining', ...at, points: ['thick'] }, 'points.0'],
  [{ kind: 'lining', ...at, points: ['3/8'] }, 'points.0'],
  [{ kind: 'tread', ...at, tyre: 'outer', grooves: [[]] }, 'grooves.0'],
  [{ kind: 'stroke-applied', ...at, value: '2 in', reservoir: '95' }, 'reservoir'],
  [{ kind: 'stroke-applied', ...at, axle: 0, value: '2 in' }, 'axle'],
  [{ kind: 'stroke-applied', ...at, side: 'middle', value: '2 in' }, 'side'],
  [{ kind: 'pressure', ...at, tyre: 'outer', value: '-3 psi' }, 'value'],
  [{ kind: 'wheel-nuts', ...at, holes: 3 }, 'holes'],
  [{ kind: 'air-test', test: 'guess' }, 'test'],
  [{ kind: 'air-test', test: 'leak-released', seconds: 0 }, 'seconds'],
  [{ kind: 'check', check: 'guess', found: [] }, 'check'],
  [{ kind: 'check', check: 'jaws', found: ['guess'] }, 'found.0'],
  [{ kind: 'defect', code: 'guess' }, 'code'],
  [{ kind: 'end-play', ...at, value: '0.003 in', note: 'x' }, ''],
])('%j is refused at “%s”', (reading, path) => expect(refused(reading)).toBe(path));

test('a reading names its place, and two places never share a key', () => {
  const keys = wheelEnds(unit).flatMap(({ axle: on, side }) => [
    readingKey({ kind: 'lining', axle: on, side, points: ['1/2 in'] }),
    readingKey({ kind: 'stroke-free', axle: on, side, value: '1/2 in' }),
    readingKey({ kind: 'check', check: 'tyre-look', axle: on, side, found: [] }),
  ]);
  expect(new Set(keys).size).toBe(keys.length);
  expect(readingPlace({ kind: 'mud-flap', side: 'left', value: '7 in' })).toEqual({
    axle: null,
    side: 'left',
    tyre: null,
  });
  expect(readingKey({ kind: 'air-test', test: 'low-air', value: '60 psi' })).toBe('air-test:low-air@unit');
});

test('the smallest of several figures is the one that is judged, in whatever order they were read', () => {
  const thirtySeconds = fc.integer({ min: 0, max: 40 }).map((count) => `${count}/32 in`);
  fc.assert(
    fc.property(fc.array(thirtySeconds, { minLength: 1, maxLength: 8 }), (points) => {
      const least = Math.min(...points.map((text) => Number(text.split('/')[0])));
      const length = judgedFigure({ kind: 'lining', ...at, points });
      expect(length).toBe(judgedFigure({ kind: 'lining', ...at, points: [...points].reverse() }));
      expect(length).toBe(least * 793_750);
    }),
  );
});

test('what was only half noted never passes', () => {
  const halves: Reading[] = [
    { kind: 'hub-oil', ...at },
    { kind: 'hub-oil', ...at, leak: 'none' },
    { kind: 'hub-oil', ...at, level: 'between', condition: 'clear' },
    { kind: 'dual', ...at },
    { kind: 'dual', ...at, size: 'large' },
    { kind: 'air-test', test: 'low-air' },
    { kind: 'air-test', test: 'governor' },
    { kind: 'air-test', test: 'build-up' },
    { kind: 'air-test', test: 'leak-released', start: '100 psi', end: '99 psi' },
    { kind: 'pressure', ...at, tyre: 'outer', value: '100 psi' },
    { kind: 'stroke-applied', ...at, value: '1 in' },
  ];
  for (const reading of halves) {
    const { findings } = judge({ book: 'na', units: [unit], readings: [{ ...reading, unit: 'T' }] });
    expect([reading, findings.filter(({ verdict }) => verdict === 'within')]).toEqual([reading, []]);
  }
});

test('who first said that the wheels were chocked is who is named, whatever order the readings stand in', () => {
  const stroke: Reading = { kind: 'stroke-applied', ...at, value: '1 7/8 in' };
  const read = (by: string, minute: number, chocked = true) => ({
    by,
    at: `2026-05-01T10:0${minute}:00.000Z`,
    value: chocked ? { ...stroke, chocked: true as const } : stroke,
  });
  expect(chockedBy([read('Ines', 1, false)])).toBeNull();
  expect(chockedBy([read('Tomas', 4), read('Ines', 1, false), read('Berit', 2), read('Tomas', 3)])?.by).toBe('Berit');
});

test.each([
  ['own-check:Ride height@A2', { axle: 2, side: null, tyre: null }],
  ['tread@2L-out', { axle: 2, side: 'left', tyre: 'outer' }],
  ['lining@1R', { axle: 1, side: 'right', tyre: null }],
  ['mud-flap@left', { axle: null, side: 'left', tyre: null }],
  ['king-pin@unit', { axle: null, side: null, tyre: null }],
])('%s is a key that is taken apart and put together again', (key, place) => {
  expect(parseKey(key)).toMatchObject(place);
  expect(keyOf(parseKey(key))).toBe(key);
});
