import fc from 'fast-check';
import { BOOKS } from '../limits';
import { formatLength, NM_PER_INCH, NM_PER_MM } from '../measure';
import type { Reading } from '../reading';
import type { PartLife, Unit } from '../trailer';
import { type MeterAt, metresAt } from './meter';
import { aheadOf, reaches, slopeOf } from './slope';
import { forecastOf, type TakenReading, type UnitFacts } from './unit';

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'single',
  hub: 'oil',
} as const;
const unit: Unit = { id: 'T-1', kind: 'semitrailer', axles: [axle, axle], features: {} };
const DAY_MS = 86_400_000;
const FIRST = Date.parse('2026-01-01T15:00:00Z');
const on = (day: number) => new Date(FIRST + day * DAY_MS).toISOString();
const read = (day: number, value: Reading): TakenReading => ({ at: on(day), by: 'Tomas Rask', value });
const lining = (day: number, text: string, side: 'left' | 'right' = 'left') =>
  read(day, { kind: 'lining', axle: 1, side, points: [text] });
const facts = (readings: TakenReading[], more: Partial<UnitFacts> = {}): UnitFacts => ({
  unit,
  book: BOOKS.na,
  zone: 'America/Chicago',
  readings,
  fitted: [],
  meters: [],
  ...more,
});
const only = (readings: TakenReading[], more: Partial<UnitFacts> = {}) =>
  forecastOf(facts(readings, more)).positions[0];

test('a lining that wears a thirty-second in ten days reaches a quarter inch when it must', () => {
  // 20/32 on day 0, 17/32 on day 30, 14/32 on day 60: 8/32 is sixty days on.
  const here = only([lining(0, '5/8 in'), lining(30, '17/32 in'), lining(60, '7/16 in')]);
  expect(here).toMatchObject({ state: 'foreseen', by: 'days', first: { whose: 'law', value: '1/4 in' } });
  expect(here?.first?.reach).toMatchObject({ on: '2026-05-01', metres: null });
  const { earliest, latest } = here?.first?.reach ?? {};
  expect(earliest && earliest < '2026-05-01' && latest && latest > '2026-05-01').toBe(true);
});

test('two readings, or three within a month, are not enough', () => {
  expect(only([lining(0, '5/8 in'), lining(60, '7/16 in')])?.state).toBe('not-enough');
  expect(only([lining(0, '5/8 in'), lining(10, '17/32 in'), lining(29, '7/16 in')])?.state).toBe('not-enough');
  expect(only([lining(0, '5/8 in'), lining(10, '17/32 in'), lining(30, '7/16 in')])?.state).toBe('foreseen');
});

test('what stands past a limit is past it, and nothing is foreseen', () => {
  expect(only([lining(0, '3/16 in')])).toMatchObject({ state: 'past', first: { value: '1/4 in', reach: null } });
});

test('what does not wear reaches nothing', () => {
  expect(only([lining(0, '5/8 in'), lining(30, '5/8 in'), lining(60, '5/8 in')])).toMatchObject({
    state: 'steady',
    first: null,
  });
});

test('by distance where every reading has one: the day follows from how far it runs in a day', () => {
  const meters: MeterAt[] = [
    { at: on(0), metres: 0 },
    { at: on(60), metres: 6_000_000 },
  ];
  const here = only([lining(0, '5/8 in'), lining(30, '17/32 in'), lining(60, '7/16 in')], { meters });
  expect(here).toMatchObject({ by: 'distance', first: { reach: { on: '2026-05-01', metres: 12_000_000 } } });
});

test('a part that was fitted begins anew, and so does one that only reads like new', () => {
  const old = [lining(0, '1/2 in'), lining(30, '7/16 in'), lining(60, '3/8 in')];
  const life: PartLife = {
    part: 'lining',
    axle: 1,
    side: 'left',
    tyre: null,
    number: 'L-7',
    limit: null,
    since: on(70),
    by: 'Wyn',
    job: 'J',
  };
  const fitted = only([...old, lining(80, '3/8 in')], { fitted: [life] });
  expect(fitted?.lives.map(({ began, points }) => [began, points.length])).toEqual([
    ['first-reading', 3],
    ['fitted', 1],
  ]);
  expect(fitted?.state).toBe('not-enough');
  const seems = only([...old, lining(80, '3/4 in')]);
  expect(seems?.lives.map(({ began }) => began)).toEqual(['first-reading', 'seems-new']);
});

test('a fleet’s stricter limit is reached before the law’s, and both are said', () => {
  const book = {
    ...BOOKS.na,
    limits: [
      ...BOOKS.na.limits,
      {
        id: 'own',
        reading: 'lining',
        judges: 'verdict',
        where: {},
        is: 'at-least',
        value: '5/16 in',
        fails: 'shop-limit',
        source: 'Hills',
        sure: 'practice',
        from: 'fleet',
      } as const,
    ],
  };
  const here = only([lining(0, '5/8 in'), lining(30, '17/32 in'), lining(60, '7/16 in')], { book });
  expect(here?.first).toMatchObject({ whose: 'fleet', value: '5/16 in', reach: { on: '2026-04-11' } });
  expect(here?.limits.map(({ whose }) => whose)).toEqual(expect.arrayContaining(['law', 'fleet']));
});

test('a stroke that grows on an automatic adjuster is a finding, before any limit', () => {
  const stroke = (day: number, value: string) =>
    read(day, { kind: 'stroke-applied', axle: 1, side: 'left', value, reservoir: '95 psi' });
  const rising = forecastOf(facts([stroke(0, '1 3/8 in'), stroke(40, '1 1/2 in'), stroke(80, '1 11/16 in')]));
  expect(rising.findings).toMatchObject([{ finding: 'rising-stroke', axle: 1, side: 'left' }]);
  const level = forecastOf(facts([stroke(0, '1 3/8 in'), stroke(40, '1 1/2 in'), stroke(80, '1 3/8 in')]));
  expect(level.findings).toEqual([]);
});

test('a lining that wears twice as fast as its mate is a finding; one that may only seem to is not', () => {
  const both = [0, 40, 80, 120].flatMap((day, n) => [
    lining(day, formatLength(NM_PER_INCH * (0.75 - n * 0.09375), 'fraction')),
    lining(day, formatLength(NM_PER_INCH * (0.75 - n * 0.03125), 'fraction'), 'right'),
  ]);
  expect(forecastOf(facts(both)).findings).toMatchObject([{ finding: 'uneven-lining', axle: 1, side: 'left' }]);
  const few = both.slice(0, 4);
  expect(forecastOf(facts(few)).findings).toEqual([]);
});

test('a hub whose oil only falls loses it; one that was filled up does not', () => {
  const oil = (day: number, level: 'full' | 'between' | 'at-add') =>
    read(day, { kind: 'hub-oil', axle: 1, side: 'left', level, condition: 'clear', leak: 'none' });
  const words = (readings: TakenReading[]) => forecastOf(facts(readings)).findings.map(({ finding }) => finding);
  expect(words([oil(0, 'full'), oil(30, 'between'), oil(60, 'at-add')])).toEqual(['loses-oil']);
  expect(words([oil(0, 'at-add'), oil(30, 'full'), oil(60, 'between')])).toEqual([]);
});

/** Three to eight readings of a lining that wears, some days apart, in thirty-seconds. */
const worn = fc
  .record({
    from: fc.integer({ min: 16, max: 26 }),
    gaps: fc.array(fc.integer({ min: 15, max: 60 }), { minLength: 2, maxLength: 7 }),
    wear: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 7, maxLength: 7 }),
  })
  .map(({ from, gaps, wear }) => {
    const points = [{ day: 0, left: from }];
    for (const [n, gap] of gaps.entries()) {
      const last = points.at(-1) as { day: number; left: number };
      points.push({ day: last.day + gap, left: Math.max(9, last.left - (wear[n] ?? 0)) });
    }
    return points;
  });
const inInches = (count: number) => formatLength((count * NM_PER_INCH) / 32, 'fraction');
const inMetric = (count: number) => formatLength((count * NM_PER_INCH) / 32, 'mm');

test('the forecast does not know in which unit a length was written', () => {
  fc.assert(
    fc.property(worn, (points) => {
      const as = (write: (count: number) => string) => only(points.map(({ day, left }) => lining(day, write(left))));
      const [inches, metric] = [as(inInches), as(inMetric)];
      expect(metric?.first?.reach).toEqual(inches?.first?.reach);
      expect(metric?.state).toBe(inches?.state);
    }),
  );
  expect(NM_PER_MM).toBe(1_000_000);
});

test('a thinner last reading never brings a later date', () => {
  fc.assert(
    fc.property(worn, fc.integer({ min: 1, max: 3 }), (points, thinner) => {
      const last = points.at(-1);
      const as = (less: number) =>
        only(
          points.map((each) => lining(each.day, inInches(each === last ? Math.max(8, each.left - less) : each.left))),
        );
      const [before, after] = [as(0), as(thinner)];
      if (before?.state !== 'foreseen') return;
      expect(['foreseen', 'past']).toContain(after?.state);
      const [was, is] = [before.first?.reach, after?.first?.reach];
      if (is && was) {
        expect(is.on <= was.on).toBe(true);
        expect(is.earliest <= was.earliest).toBe(true);
      }
    }),
  );
});

test('nothing of one life is in another: the old part’s readings change no date of the new one', () => {
  fc.assert(
    fc.property(worn, worn, (old, now) => {
      const end = (old.at(-1)?.day ?? 0) + 10;
      const fitted: PartLife[] = [
        { part: 'lining', axle: 1, side: 'left', tyre: null, number: '', limit: null, since: on(end), by: '', job: '' },
      ];
      const after = now.map(({ day, left }) => lining(end + 1 + day, inInches(left)));
      const before = old.map(({ day, left }) => lining(day, inInches(left)));
      const alone = only(after, { fitted });
      const both = only([...before, ...after], { fitted });
      expect([both?.state, both?.first, both?.slope]).toEqual([alone?.state, alone?.first, alone?.slope]);
    }),
  );
});

test('the interval holds its line: earliest, expected and latest are in this order', () => {
  fc.assert(
    fc.property(worn, (points) => {
      const reach = only(points.map(({ day, left }) => lining(day, inInches(left))))?.first?.reach;
      if (!reach) return;
      expect(reach.earliest <= reach.on).toBe(true);
      expect(reach.latest === null || reach.latest >= reach.on).toBe(true);
    }),
  );
});

test('a line reaches a level at its last point at the earliest', () => {
  const points = [
    { x: 0, y: 10 },
    { x: 10, y: 8 },
  ];
  expect(slopeOf(points, 0.8, 0)?.slope).toBe(-0.2);
  expect(reaches(aheadOf(points, -0.2), 9)).toBe(10);
  expect(reaches(aheadOf(points, -0.2), 6)).toBe(20);
  expect(reaches(aheadOf(points, 0), 6)).toBeNull();
  expect(slopeOf([points[0] as { x: number; y: number }], 0.8, 0)).toBeNull();
});

test('a meter says where it stood between its readings, and a few days beside them', () => {
  const meters = [
    { at: on(10), metres: 1_000 },
    { at: on(20), metres: 3_000 },
  ];
  const stood = [2, 8, 15, 20, 24, 28].map((day) => metresAt(meters, on(day)));
  expect(stood).toEqual([null, 600, 2_000, 3_000, 3_800, null]);
  expect(metresAt([], on(1))).toBeNull();
  expect(metresAt(meters.slice(0, 1), on(11))).toBeNull();
});
