import fc from 'fast-check';
import { PLAN_WEIGHTS, sumOf } from '../weights';
import type { PlanWeights } from '../weights-form';
import type { PlanRequest } from '../wire';
import { checkPlan } from './check';
import { madeUpShop } from './made-up';
import { plan } from './plan';

const weight = fc.integer({ min: 1, max: 2_000 });
const weights: fc.Arbitrary<PlanWeights> = fc.record({
  sum: fc.record({ heldMinutes: weight, weightedLateness: weight, setupMinutes: weight, makespanMinutes: weight }),
  priority: fc.record({ 'out-of-service': weight, violation: weight, 'shop-limit': weight, planned: weight }),
  movedSlot: fc.integer({ min: 0, max: 10_000 }),
});

test('by whatever weights, a plan keeps every rule and sum, and stands above its bound', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), weights, (seed, own) => {
      const request: PlanRequest = { ...madeUpShop({ seed, jobs: 8 }), weights: own };
      const answer = plan(request, { steps: 300, rounds: 100 });
      expect(checkPlan(request, answer)).toEqual([]);
      expect(answer.boundSum).toBeLessThanOrEqual(sumOf(answer.objective, own) + 1e-6);
    }),
    { numRuns: 25 },
  );
});

test('the weights a shop starts with are those of a request that carries none', () => {
  const request = madeUpShop({ seed: 7, jobs: 10 });
  expect(plan({ ...request, weights: PLAN_WEIGHTS }, { steps: 500 }).slots).toEqual(
    plan(request, { steps: 500 }).slots,
  );
});

const FROM = '2026-03-02T08:00:00.000Z';
const TO = '2026-03-02T18:00:00.000Z';
const one = (id: string, more: object) => ({
  id,
  trailer: id,
  skill: 'brakes',
  technicians: 1,
  bayKind: 'lift',
  minutes: 120,
  priority: 'planned' as const,
  ...more,
});

test('what weighs more is given up last: a late departure or a held trailer', () => {
  const request: PlanRequest = {
    now: FROM,
    horizonDays: 2,
    timeLimitMs: 100,
    seed: 1,
    bays: [{ id: 'B', kinds: ['lift'], open: [[FROM, TO]] }],
    technicians: [{ id: 'K', skills: ['brakes'], shifts: [[FROM, TO]] }],
    jobs: [one('held', { priority: 'out-of-service' }), one('late', { due: '2026-03-02T10:00:00.000Z' })],
    setups: {},
  };
  const first = (own: PlanWeights) => {
    const { slots } = plan({ ...request, weights: own }, { steps: 200 });
    return [...slots].sort((a, b) => (a.start < b.start ? -1 : 1))[0]?.job;
  };
  expect(first(PLAN_WEIGHTS)).toBe('held');
  const sum = { ...PLAN_WEIGHTS.sum, heldMinutes: 1, weightedLateness: 1_000 };
  expect(first({ ...PLAN_WEIGHTS, sum })).toBe('late');
});
