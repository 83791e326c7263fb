import fc from 'fast-check';
import { BOOKS } from '../limits';
import { formatLength, NM_PER_INCH } from '../measure';
import { TEMPLATES } from '../repair';
import type { Unit } from '../trailer';
import { type BundleFacts, bundlesFor, nextVisitOf } from './bundle';
import { forecastOf, type TakenReading } from './unit';

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'single',
  hub: 'oil',
} as const;
const unit: Unit = { id: 'T-1', kind: 'semitrailer', axles: [axle, axle], features: {} };
const DAY_MS = 86_400_000;
const on = (day: number) => new Date(Date.parse('2026-01-01T15:00:00Z') + day * DAY_MS).toISOString();
/** Linings of both ends of an axle, worn down by so many thirty-seconds a month. */
const worn = (number: number, from: number, wear: number): TakenReading[] =>
  [0, 30, 60].flatMap((day, n) =>
    (['left', 'right'] as const).map((side) => ({
      at: on(day),
      by: 'Tomas',
      value: {
        kind: 'lining' as const,
        axle: number,
        side,
        points: [formatLength(((from - n * wear) * NM_PER_INCH) / 32, 'fraction')],
      },
    })),
  );
const positionsOf = (readings: TakenReading[]) =>
  forecastOf({ unit, book: BOOKS.na, zone: 'UTC', readings, fitted: [], meters: [] }).positions;
const facts = (): BundleFacts => ({
  axles: unit.axles,
  positions: positionsOf([...worn(1, 16, 3), ...worn(2, 16, 3)]),
  axlesOff: [1],
  planned: [],
  declined: [],
  templates: TEMPLATES,
  prices: new Map([
    ['shoe-kit', 5_000],
    ['spring-and-pin-kit', 1_000],
  ]),
  shuntMinutes: 15,
  today: '2026-03-03',
  nextVisit: '2026-06-01',
});

test('what reaches its limit before the next visit is proposed where the wheels come off: an axle at a time, with its sum', () => {
  const all = bundlesFor({ ...facts() });
  // 10/32 left, 8/32 the limit, 16/32 when it was new: a quarter of its life is thrown away, of 120.00 in parts.
  expect(all).toMatchObject([
    { template: 'reline-drum', where: 'Axle 1', minutes: 80, saves: 50, unused: 0.25, unusedCost: 3_000 },
  ]);
});

test('nothing is proposed for an axle whose wheels stay on, what is planned already, or what lasts until the next visit', () => {
  expect(bundlesFor({ ...facts(), axlesOff: [] })).toEqual([]);
  expect(bundlesFor({ ...facts(), planned: [{ template: 'reline-drum', axle: 1 }] })).toEqual([]);
  expect(bundlesFor({ ...facts(), planned: [{ template: 'reline-drum', axle: 2 }] })).toHaveLength(1);
  expect(bundlesFor({ ...facts(), nextVisit: '2026-03-10' })).toEqual([]);
});

test('what was declined is never proposed again for the same readings, whatever else is so; read anew it may be', () => {
  const wear = fc.integer({ min: 1, max: 3 });
  fc.assert(
    fc.property(wear, wear, fc.subarray([1, 2]), (one, other, axlesOff) => {
      const here = { ...facts(), axlesOff, positions: positionsOf([...worn(1, 17, one), ...worn(2, 17, other)]) };
      const all = bundlesFor(here);
      // Both ends of an axle ask for one piece of work: each is answered.
      const ends = here.positions.filter(({ first }) => first?.reach);
      const declined = ends.map(({ key, lives }) => ({ key, seen: lives.at(-1)?.points.at(-1)?.at ?? '' }));
      expect(bundlesFor({ ...here, declined })).toEqual([]);
      const older = declined.map(({ key }) => ({ key, seen: on(30) }));
      expect(bundlesFor({ ...here, declined: older })).toEqual(all);
    }),
  );
});

test('declined at one end it is declined for the axle; a newer reading at the other end asks again', () => {
  const [bundle] = bundlesFor(facts());
  const declined = [{ key: bundle?.key ?? '', seen: bundle?.seen ?? '' }];
  expect(bundlesFor({ ...facts(), declined })).toEqual([]);
  const other: TakenReading = {
    at: on(70),
    by: 'Wyn',
    value: { kind: 'lining', axle: 1, side: 'right', points: ['9/32 in'] },
  };
  const positions = positionsOf([...worn(1, 16, 3), other]);
  expect(bundlesFor({ ...facts(), positions, declined })).toMatchObject([{ where: 'Axle 1', seen: on(70) }]);
});

test('the next visit is the first paper that is not done now, or comes after a while', () => {
  expect(nextVisitOf('2026-03-01', [])).toBe('2026-05-30');
  expect(nextVisitOf('2026-03-01', ['2026-03-05', '2026-04-20', '2026-09-01'])).toBe('2026-04-20');
});
