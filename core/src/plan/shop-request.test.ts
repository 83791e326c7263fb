import fc from 'fast-check';
import { NO_WORK_KNOWN } from '../repair';
import { planDifference } from './difference';
import { type ShopFacts, type ShopJob, shopRequest } from './shop-request';
import { checkPlan, plan, replan } from './solver';
import type { KeptSlot } from './views';
import { PLAN_WEIGHTS } from './weights';

const NOW = new Date('2026-03-02T14:02:00Z');
const WEEK = [1, 2, 3, 4, 5];
const work = { ...NO_WORK_KNOWN, skills: ['brakes'], bay: 'lift' as const };
const job = (id: string, more: Partial<ShopJob> = {}): ShopJob => ({
  id,
  unit: `unit of ${id}`,
  work,
  minutes: 60,
  priority: 'planned',
  partsOn: null,
  leaves: null,
  begun: null,
  ...more,
});
const person = (id: string, skills: string[], away: { from: string; until: string; reason: string }[] = []) => ({
  id,
  work: { skills, qualifications: [], shifts: [{ days: WEEK, from: '06:00', to: '14:00' }], away },
});
const bay = (id: string, more: object = {}) => ({ id, name: id, rank: 0, kinds: [], hours: [], closed: [], ...more });
const facts = (more: Partial<ShopFacts> = {}): ShopFacts => ({
  now: NOW,
  zone: 'America/Chicago',
  seconds: 1,
  weights: PLAN_WEIGHTS,
  bays: [bay('B1')],
  people: [person('K1', ['brakes'])],
  holidays: [],
  jobs: [job('a')],
  slots: [],
  ...more,
});
const slot = (id: string, start: string, end: string, more: Partial<KeptSlot> = {}): KeptSlot => ({
  job: id,
  bay: 'B1',
  technicians: ['K1'],
  start,
  end,
  setupMinutes: 15,
  pinned: false,
  ...more,
});

test('plans stand on whole steps of the shop’s clock', () => {
  expect(shopRequest(facts()).request.now).toBe('2026-03-02T14:05:00.000Z');
  const { request } = shopRequest(facts({ jobs: [job('a', { leaves: '2026-03-03T08:04:22.281Z' })] }));
  expect(request.jobs[0]?.due).toBe('2026-03-03T08:00:00.000Z');
});

test('a job of two skills is for whoever has both', () => {
  const both = job('a', { work: { ...work, skills: ['tyres', 'brakes'] } });
  const people = [person('K1', ['brakes']), person('K2', ['brakes', 'tyres'])];
  const { request } = shopRequest(facts({ jobs: [both], people }));
  expect(request.jobs[0]?.skill).toBe('brakes and tyres');
  expect(request.technicians.map(({ skills }) => skills)).toEqual([[], ['brakes and tyres']]);
});

test('work of which nobody wrote what it takes is for anybody, in any bay', () => {
  const { request } = shopRequest(
    facts({ jobs: [job('a', { work: NO_WORK_KNOWN })], bays: [bay('B1', { kinds: ['wash'] })] }),
  );
  expect(plan(request, { steps: 50 }).unplaced).toEqual([]);
});

test('wheels off one axle are a set-up that jobs share; off several they are part of the work', () => {
  const wheels = (...axles: number[]) => ({ ...work, wheels: axles.map((axle) => ({ axle, side: 'left' as const })) });
  const { request } = shopRequest(
    facts({ jobs: [job('a', { work: wheels(2), minutes: 115 }), job('b', { work: wheels(1, 2), minutes: 230 })] }),
  );
  expect(request.jobs.map(({ axle, setup, minutes }) => [axle, setup, minutes])).toEqual([
    [2, 'wheels-off', 80],
    [null, null, 230],
  ]);
});

test('an absence, a holiday and a bay out of use leave nobody and nothing there', () => {
  const away = [{ from: '2026-03-03', until: '2026-03-04', reason: 'away' }];
  const { request } = shopRequest(
    facts({
      people: [person('K1', ['brakes'], away)],
      holidays: [{ day: '2026-03-05', name: 'Seed day' }],
      bays: [bay('B1', { closed: [{ from: '2026-03-02', until: '2026-03-02', reason: 'hoist' }] })],
    }),
  );
  expect(request.technicians[0]?.shifts.slice(0, 2).map(([from]) => from)).toEqual([
    '2026-03-02T12:00:00.000Z',
    '2026-03-06T12:00:00.000Z',
  ]);
  expect(request.bays[0]?.open[0]?.[0]).toBe('2026-03-03T06:00:00.000Z');
});

test('parts of a day are counted on from the morning after', () => {
  const { request } = shopRequest(facts({ jobs: [job('a', { partsOn: '2026-03-03' })] }));
  expect(request.jobs[0]?.release).toBe('2026-03-04T06:00:00.000Z');
});

test('begun work keeps its bay and people until it is expected to end, and its trailer', () => {
  const begun = { at: '2026-03-02T13:30:00Z', bay: 'B1', people: ['K1'] };
  const { request, begun: slots } = shopRequest(
    facts({ jobs: [job('a', { begun, unit: 'T' }), job('b', { unit: 'T' })] }),
  );
  expect(slots).toMatchObject([{ job: 'a', end: '2026-03-02T14:30:00.000Z' }]);
  expect(request.jobs.map(({ id, release }) => [id, release])).toEqual([['b', '2026-03-02T14:30:00.000Z']]);
  expect(request.bays[0]?.open[0]?.[0]).toBe('2026-03-02T14:30:00.000Z');
});

test('work that has run over is expected to end soon, never before now', () => {
  const begun = { at: '2026-03-02T12:00:00Z', bay: 'B1', people: ['K1'] };
  const { begun: slots } = shopRequest(facts({ jobs: [job('a', { begun })] }));
  expect(slots[0]?.end).toBe('2026-03-02T14:20:00.000Z');
});

test('what was to begin a moment ago still may; what was to begin long ago is planned anew', () => {
  const jobs = [job('a'), job('b')];
  const slots = [
    slot('a', '2026-03-02T13:55:00.000Z', '2026-03-02T15:10:00.000Z'),
    slot('b', '2026-03-02T12:00:00.000Z', '2026-03-02T13:15:00.000Z', { pinned: true }),
  ];
  const { request, before } = shopRequest(facts({ jobs, slots }));
  expect(before.map(({ job: id }) => id)).toEqual(['a']);
  expect(request.jobs[1]?.pinned).toBeNull();
});

test('whatever a shop’s facts are, its plan keeps every rule, and again from where it stands', () => {
  const anyJob = fc.record({
    unit: fc.integer({ min: 1, max: 4 }).map((n) => `T${n}`),
    minutes: fc.integer({ min: 2, max: 40 }).map((n) => n * 5),
    priority: fc.constantFrom('out-of-service', 'violation', 'planned') as fc.Arbitrary<ShopJob['priority']>,
    partsOn: fc.constantFrom(null, '2026-03-02', '2026-03-04'),
    begun: fc.constantFrom(null, null, { at: '2026-03-02T13:30:00Z', bay: 'B1', people: ['K1'] }),
    skills: fc.constantFrom(['brakes'], ['tyres'], ['brakes', 'tyres'], []),
  });
  fc.assert(
    fc.property(fc.array(anyJob, { minLength: 1, maxLength: 8 }), (jobs) => {
      const one = jobs.findIndex(({ begun }) => begun);
      const all = jobs.map(({ skills, ...rest }, n) =>
        job(`j${n}`, { ...rest, begun: n === one ? rest.begun : null, work: { ...work, skills: [...skills] } }),
      );
      const people = [person('K1', ['brakes']), person('K2', ['brakes', 'tyres'])];
      const here = facts({ jobs: all, people, bays: [bay('B1'), bay('B2', { kinds: ['lift'] })] });
      const { request } = shopRequest(here);
      const planned = plan(request, { steps: 60 });
      expect(checkPlan(request, planned)).toEqual([]);
      const slots = planned.slots.map((each) => ({ ...each, pinned: false }));
      const then = shopRequest({ ...here, slots });
      const again = replan(then.request, then.before, { steps: 40 });
      expect(planDifference({ ...planned, slots: then.before }, again).moves.length).toBeLessThanOrEqual(all.length);
      expect(
        checkPlan(then.request, { ...again, bound: planned.bound }).filter(({ rule }) => rule !== 'bound'),
      ).toEqual([]);
    }),
    { numRuns: 15 },
  );
});
