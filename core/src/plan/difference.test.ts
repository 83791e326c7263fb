import fc from 'fast-check';
import { planDifference } from './difference';
import { sumOf } from './weights';
import type { Objective, Slot } from './wire';

const NONE: Objective = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const slot = (job: string, hour: number, more: Partial<Slot> = {}): Slot => ({
  job,
  bay: 'B1',
  technicians: ['K1'],
  start: new Date(Date.UTC(2026, 2, 2, hour)).toISOString(),
  end: new Date(Date.UTC(2026, 2, 2, hour + 1)).toISOString(),
  setupMinutes: 0,
  ...more,
});
const plan = (slots: Slot[], objective: Objective = NONE) => ({ slots, objective });
const hows = (before: Slot[], after: Slot[]) =>
  planDifference(plan(before), plan(after)).moves.map(({ job, how, by }) => [job, how, by]);

test('each job that stands otherwise is named with how: earlier, later, elsewhere, new, gone', () => {
  const before = [slot('a', 8), slot('b', 9), slot('c', 10), slot('d', 11)];
  const after = [slot('a', 7), slot('b', 11), slot('c', 10, { bay: 'B2' }), slot('e', 12)];
  expect(hows(before, after).sort()).toEqual([
    ['a', 'earlier', -60],
    ['b', 'later', 120],
    ['c', 'elsewhere', 0],
    ['d', 'gone', 0],
    ['e', 'new', 0],
  ]);
});

test('the same people in another order are the same people', () => {
  expect(hows([slot('a', 8, { technicians: ['K1', 'K2'] })], [slot('a', 8, { technicians: ['K2', 'K1'] })])).toEqual(
    [],
  );
  expect(hows([slot('a', 8)], [slot('a', 8, { technicians: ['K2'] })])).toEqual([['a', 'elsewhere', 0]]);
});

test('there and back is no difference, and the sum is that of the terms', () => {
  const minutes = fc.integer({ min: 0, max: 10_000 });
  const terms = fc.record({
    heldMinutes: minutes,
    weightedLateness: minutes,
    setupMinutes: minutes,
    makespanMinutes: minutes,
  });
  fc.assert(
    fc.property(terms, terms, (one, other) => {
      const there = planDifference(plan([], one), plan([], other));
      const back = planDifference(plan([], other), plan([], one));
      expect(sumOf(there.terms)).toBe(sumOf(other) - sumOf(one));
      expect(sumOf(there.terms) + sumOf(back.terms)).toBe(0);
    }),
  );
});
