import fc from 'fast-check';
import { planRequestSchema } from '../wire';
import { checkPlan } from './check';
import { madeUpShop } from './made-up';
import { plan } from './plan';
import { PlanTooLate } from './too-late';

/** A clock that runs out the so manieth time somebody looks at it. */
const endingAt = (look: number) => {
  let looks = 0;
  return { elapsed: () => (looks++ < look ? 0 : 1e9), looks: () => looks };
};

const shops = [12, 60, 150].map((jobs) => madeUpShop({ seed: 7, jobs }));

test('whenever the time is over, what comes of it is a whole plan that keeps every rule, or that there was no time for one', () => {
  fc.assert(
    fc.property(fc.constantFrom(...shops), fc.nat(4_000), (shop, look) => {
      const clock = endingAt(look);
      try {
        const planned = plan({ ...shop, timeLimitMs: 100 }, { elapsed: clock.elapsed, steps: 200, rounds: 20 });
        expect(checkPlan(shop, planned)).toEqual([]);
        expect(planned.slots.length + planned.unplaced.length).toBe(shop.jobs.length);
      } catch (error) {
        expect(error).toBeInstanceOf(PlanTooLate);
      }
    }),
    { numRuns: 60 },
  );
});

test('once the time is over nothing goes on: the clock is looked at a few times more, and no further', () => {
  for (const shop of shops) {
    const clock = endingAt(600);
    try {
      plan({ ...shop, timeLimitMs: 100 }, { elapsed: clock.elapsed });
    } catch (error) {
      expect(error).toBeInstanceOf(PlanTooLate);
    }
    expect(clock.looks()).toBeLessThan(600 + 2 * shop.jobs.length + 100);
  }
});

test('a large shop asks the clock job by job: no stretch between two looks is longer', () => {
  const [, , large] = shops;
  if (!large) throw new Error('no large shop');
  let looks = 0;
  plan({ ...large, timeLimitMs: 100 }, { elapsed: () => Math.min(0, looks++), steps: 1, rounds: 1 });
  expect(looks).toBeGreaterThan(large.jobs.length);
});

test('what would keep everybody waiting is refused before anything of it is worked out', () => {
  const from = Date.parse('2026-11-24T07:00:00Z');
  const hour = (nth: number) => new Date(from + nth * 3_600_000).toISOString();
  const cut = Array.from({ length: 400 }, (_, nth): [string, string] => [hour(2 * nth), hour(2 * nth + 1)]);
  const hostile = {
    now: hour(0),
    horizonDays: 60,
    timeLimitMs: 500,
    seed: 1,
    bays: [{ id: 'B', kinds: ['lift'], open: cut }],
    technicians: Array.from({ length: 40 }, (_, nth) => ({ id: `K${nth}`, skills: ['s'], shifts: cut })),
    jobs: Array.from({ length: 400 }, (_, nth) => ({
      id: `J${nth}`,
      trailer: `T${nth}`,
      skill: 's',
      technicians: 20,
      bayKind: 'lift',
      minutes: 600,
      priority: 'planned',
    })),
    setups: {},
  };
  expect(planRequestSchema.safeParse(hostile).error?.issues).toMatchObject([{ path: ['jobs'] }]);
  const names = Object.fromEntries(Array.from({ length: 201 }, (_, nth) => [`s${nth}`, 5]));
  const many = { ...hostile, jobs: hostile.jobs.slice(0, 1), setups: names };
  expect(planRequestSchema.safeParse(many).error?.issues).toMatchObject([{ path: ['setups'] }]);
  expect(planRequestSchema.safeParse({ ...many, setups: {} }).success).toBe(true);
});

test('a set-up may be called like anything', () => {
  const [shop] = shops;
  if (!shop) throw new Error('no shop');
  const [job] = shop.jobs;
  const named = (setup: string, setups: Record<string, number>) => ({
    ...shop,
    jobs: [{ ...job, setup }] as typeof shop.jobs,
    setups,
  });
  expect(() => plan(named('constructor', {}), { steps: 10 })).toThrow('there is no set-up constructor');
  const planned = plan(named('constructor', { constructor: 20 } as Record<string, number>), { steps: 10 });
  expect(planned.objective.setupMinutes).toBe(20);
});
