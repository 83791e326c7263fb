import fc from 'fast-check';
import { randomOf } from '../../chance';
import { sumOf } from '../weights';
import type { PlanJob, PlanRequest } from '../wire';
import { checkPlan } from './check';
import classical from './job-shops.json';
import { jobShop, madeUpShop, pairsOf } from './made-up';
import { modelOf } from './model';
import optima from './optima.json';
import { plan } from './plan';
import { PlanRefused } from './refused';

const at = (day: string, time: string) => `2026-11-${day}T${time}:00.000Z`;
const shop = (jobs: Partial<PlanJob>[], more: Partial<PlanRequest> = {}): PlanRequest => ({
  now: at('23', '07:00'),
  horizonDays: 5,
  timeLimitMs: 200,
  seed: 1,
  bays: [
    { id: 'B1', kinds: ['lift', 'floor'], open: [[at('23', '00:00'), at('28', '00:00')]] },
    { id: 'B2', kinds: ['floor'], open: [[at('23', '00:00'), at('28', '00:00')]] },
  ],
  technicians: ['23', '24', '25', '26'].reduce<PlanRequest['technicians']>(
    (people, day) =>
      people.map((each) => ({ ...each, shifts: [...each.shifts, [at(day, '07:00'), at(day, '15:00')]] })),
    [
      { id: 'K1', skills: ['brakes'], shifts: [] },
      { id: 'K2', skills: ['brakes', 'tyres'], shifts: [] },
    ],
  ),
  jobs: jobs.map((job, index) => ({
    id: `J${index + 1}`,
    trailer: 'T1',
    axle: null,
    skill: 'brakes',
    technicians: 1,
    bayKind: 'floor',
    minutes: 60,
    setup: null,
    priority: 'planned',
    ...job,
  })),
  setups: { 'wheels-off': 30, shunt: 15 },
  ...more,
});
const slotOf = (answer: ReturnType<typeof plan>, id: string) => answer.slots.find(({ job }) => job === id);
const refusal = (request: PlanRequest) => {
  try {
    plan(request);
  } catch (error) {
    if (error instanceof PlanRefused) return error.errors.map(({ path, message }) => `${path}: ${message}`);
    throw error;
  }
  return [];
};
const quick = { steps: 300, rounds: 25 };

test('a set-up is paid once a stay, its beginning by the first job of the axle and its end by the last', () => {
  const answer = plan(
    shop([
      { axle: 1, setup: 'wheels-off', bayKind: 'lift' },
      { axle: 1, setup: 'wheels-off', bayKind: 'lift' },
    ]),
    quick,
  );
  expect(answer.slots.map(({ setupMinutes }) => setupMinutes)).toEqual([30, 15]);
  expect(answer.objective).toMatchObject({ setupMinutes: 45, makespanMinutes: 165 });
});

test('what holds a trailer is in its first stay', () => {
  const answer = plan(
    shop([
      { priority: 'planned', bayKind: 'lift' },
      { priority: 'out-of-service', skill: 'tyres', release: at('24', '09:00') },
    ]),
    quick,
  );
  expect(answer.objective.heldMinutes).toBeGreaterThan(24 * 60);
  expect(
    checkPlan(
      shop([{ bayKind: 'lift' }, { priority: 'out-of-service', skill: 'tyres', release: at('24', '09:00') }]),
      answer,
    ),
  ).toEqual([]);
});

test('no job, nobody, no time: an answer all the same', () => {
  expect(plan(shop([]), quick)).toMatchObject({ slots: [], unplaced: [], objective: { makespanMinutes: 0 } });
  expect(plan(shop([{}], { technicians: [] }), quick).unplaced).toEqual([
    { job: 'J1', reason: 'Nobody has the skill brakes.' },
  ]);
  const noTime = plan(shop([{ priority: 'out-of-service' }], { horizonDays: 0 }), quick);
  expect(noTime.unplaced.map(({ job }) => job)).toEqual(['J1']);
});

test('what can never be placed is said with its reason, and the rest is planned', () => {
  const answer = plan(
    shop([
      { skill: 'welding' },
      { bayKind: 'wash' },
      { technicians: 3 },
      { release: at('29', '07:00') },
      {},
      { after: ['J1'] },
    ]),
    quick,
  );
  expect(answer.slots.map(({ job }) => job)).toEqual(['J5']);
  expect(Object.fromEntries(answer.unplaced.map(({ job, reason }) => [job, reason]))).toMatchObject({
    J1: 'Nobody has the skill welding.',
    J2: 'No bay is a wash.',
    J3: 'It takes 3 people with brakes; there are 2.',
    J6: 'It waits for J1, which cannot be placed.',
  });
});

test('a trailer that no one bay is fit for waits whole', () => {
  const bays: PlanRequest['bays'] = [
    { id: 'B1', kinds: ['lift'], open: [[at('23', '00:00'), at('28', '00:00')]] },
    { id: 'B2', kinds: ['floor'], open: [[at('23', '00:00'), at('28', '00:00')]] },
  ];
  const holds = { priority: 'out-of-service' } as const;
  const answer = plan(shop([{ ...holds, bayKind: 'lift' }, holds, {}], { bays }), quick);
  expect(answer.unplaced.map(({ job }) => job)).toEqual(['J1', 'J2', 'J3']);
  expect(answer.objective.heldMinutes).toBe(5 * 1_440);
});

test('a job longer than any shift goes on in the next one; a shorter one never does', () => {
  const request = shop([{ minutes: 600 }, { minutes: 465, trailer: 'T2' }]);
  const answer = plan(request, quick);
  expect(slotOf(answer, 'J1')).toMatchObject({ start: at('23', '07:00'), end: at('24', '09:15') });
  expect(checkPlan(request, answer)).toEqual([]);
  expect(slotOf(answer, 'J2')?.end).toBe(at('23', '15:00'));
});

test('shifts across midnight and the day that is an hour longer are minutes like others', () => {
  const night: [string, string][] = [['2026-10-31T22:00:00-05:00', '2026-11-01T06:00:00-06:00']];
  const request = shop([{ minutes: 480 }], {
    now: '2026-10-31T12:00:00-05:00',
    horizonDays: 3,
    bays: [{ id: 'B1', kinds: ['floor'], open: [['2026-10-30T00:00:00-05:00', '2026-11-05T00:00:00-06:00']] }],
    technicians: [{ id: 'K1', skills: ['brakes'], shifts: night }],
    setups: {},
  });
  const answer = plan(request, quick);
  expect(slotOf(answer, 'J1')).toMatchObject({ start: '2026-11-01T03:00:00.000Z', end: '2026-11-01T11:00:00.000Z' });
});

describe('what cannot be is refused with its path', () => {
  test.each<[string, PlanRequest, string]>([
    ['a name that is not there', shop([{ after: ['J9'] }]), 'jobs.0.after.0: there is no job J9'],
    ['a set-up that is not there', shop([{ setup: 'tent' }]), 'jobs.0.setup: there is no set-up tent'],
    ['a circle', shop([{ after: ['J2'] }, { after: ['J1'] }]), 'jobs.0.after: J1 waits for itself in a circle'],
    ['one id twice', shop([{}, { id: 'J1' }]), 'jobs.1.id: J1 stands here twice'],
    [
      'a pin in the wrong bay',
      shop([{ bayKind: 'lift', pinned: { bay: 'B2', technicians: ['K1'], start: at('23', '08:00') } }]),
      'jobs.0.pinned: rule 5: B2 is no lift bay',
    ],
    [
      'a pin of who has not the skill',
      shop([{ skill: 'tyres', pinned: { bay: 'B2', technicians: ['K1'], start: at('23', '08:00') } }]),
      'jobs.0.pinned: rule 3: K1 does not have the skill tyres',
    ],
    [
      'a pin past the end of a shift',
      shop([{ pinned: { bay: 'B2', technicians: ['K1'], start: at('23', '14:30') } }]),
      'jobs.0.pinned: rule 3: 75 minutes from there are not inside the shifts and the bay’s hours',
    ],
  ])('%s', (_, request, said) => {
    expect(refusal(request)).toContain(said);
  });
});

test('a pinned job stays, and the rest goes round it', () => {
  const pinned = { bay: 'B1', technicians: ['K2'], start: at('23', '08:00') };
  const request = shop([{ pinned }, { bayKind: 'lift', trailer: 'T2', minutes: 120 }, { trailer: 'T1' }]);
  const answer = plan(request, quick);
  expect(slotOf(answer, 'J1')).toMatchObject(pinned);
  expect(checkPlan(request, answer)).toEqual([]);
  expect(answer.unplaced).toEqual([]);
});

const shops = fc.record({
  seed: fc.integer({ min: 1, max: 1e6 }),
  jobs: fc.integer({ min: 1, max: 18 }),
  hard: fc.boolean(),
});

test('any plan keeps every rule, and no bound is above it', () => {
  fc.assert(
    fc.property(shops, (made) => {
      const request = madeUpShop(made);
      const answer = plan(request, { steps: 200, rounds: 25 });
      expect(checkPlan(request, answer)).toEqual([]);
      expect(answer.boundSum).toBeLessThanOrEqual(sumOf(answer.objective));
    }),
    { numRuns: 40 },
  );
});

test('a search that came to no end with a choice goes on from the beginning, and ends', () => {
  // Of this shop jobs are taken out and put where nothing can come of it: what was kept then is of several choices.
  const request = madeUpShop({ seed: 649_258, jobs: 17, hard: true });
  expect(checkPlan(request, plan(request, { steps: 200, rounds: 25 }))).toEqual([]);
});

test('the same seed and steps give the same plan; another clock does not matter', () => {
  const request = madeUpShop({ seed: 4, jobs: 25 });
  const [one, two] = [plan(request, { steps: 2_000, rounds: 25 }), plan(request, { steps: 2_000, rounds: 25 })];
  expect({ ...one, elapsedMs: 0 }).toEqual({ ...two, elapsedMs: 0 });
});

test('more steps are never worse, nor is a plan that begins from a given one', () => {
  const request = madeUpShop({ seed: 7, jobs: 30, hard: true });
  const few = plan(request, { steps: 50, proof: false });
  const given = plan(request, { steps: 50, from: few.slots, proof: false });
  expect(sumOf(given.objective)).toBeLessThanOrEqual(sumOf(few.objective));
});

test('the search finds what trying every order and every grouping finds', () => {
  for (const seed of [1, 2, 3, 4, 5, 6]) {
    const request = madeUpShop({ seed, jobs: 5, days: 4 });
    const searched = plan(request, { steps: 6_000, proof: false });
    expect(sumOf(searched.objective)).toBeLessThanOrEqual(bestOfAll(request) + 1e-6);
  }
});

test('one more technician never raises a bound above the plan that has them', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
      const request = madeUpShop({ seed, jobs: 8 });
      const extra = { ...(request.technicians[0] as PlanRequest['technicians'][number]), id: 'KX' };
      const more = plan({ ...request, technicians: [...request.technicians, extra] }, { steps: 400, rounds: 25 });
      const bound = plan(request, { steps: 50, rounds: 25 });
      expect(more.boundSum).toBeLessThanOrEqual(sumOf(bound.objective) + 1e-6);
    }),
    { numRuns: 15 },
  );
});

test('pins of a plan are the plan: nothing moves', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
      const request = madeUpShop({ seed, jobs: 10 });
      const first = plan(request, { steps: 100, proof: false });
      const bySlot = new Map(first.slots.map((slot) => [slot.job, slot]));
      const jobs = request.jobs.map((job) => {
        const slot = bySlot.get(job.id);
        return slot ? { ...job, pinned: { bay: slot.bay, technicians: slot.technicians, start: slot.start } } : job;
      });
      const held = new Map(first.slots.map((slot) => [slot.job, slot.setupMinutes]));
      const again = plan({ ...request, jobs }, { steps: 100, held, proof: false });
      expect(again.slots).toEqual(first.slots);
    }),
    { numRuns: 25 },
  );
});

test('with any of its slots pinned a plan keeps every rule, and they stay where they are', () => {
  fc.assert(
    fc.property(shops, fc.double({ min: 0.05, max: 0.9, noNaN: true }), (made, share) => {
      const request = madeUpShop(made);
      const first = plan(request, { steps: 60, proof: false });
      const chance = randomOf(made.seed);
      const jobs = request.jobs.map((job) => {
        const slot = first.slots.find((each) => each.job === job.id && chance.next() < share);
        return slot ? { ...job, pinned: { bay: slot.bay, technicians: slot.technicians, start: slot.start } } : job;
      });
      const asked = { ...request, jobs };
      const again = plan(asked, { steps: 60, proof: false });
      expect(checkPlan(asked, again)).toEqual([]);
      for (const { id, pinned } of jobs)
        if (pinned) expect(slotOf(again, id) ?? again.unplaced.find(({ job }) => job === id)).toBeDefined();
    }),
    { numRuns: 60 },
  );
});

test('what has no place is held to the horizon, to the fraction of a minute', () => {
  const request = shop([{ priority: 'out-of-service', minutes: 300 }], { horizonDays: 0.123456 });
  expect(plan(request, quick).objective.heldMinutes).toBeCloseTo(0.123456 * 1_440, 6);
});

test('a stop ends it with the best plan so far', () => {
  let asked = 0;
  const answer = plan(madeUpShop({ seed: 3, jobs: 20 }), { steps: 1e9, proof: false, stop: () => ++asked > 3 });
  expect(answer.slots).toHaveLength(20);
});

test('five hundred jobs are planned whole', () => {
  const request = { ...madeUpShop({ seed: 5, jobs: 500, days: 40 }), horizonDays: 40 };
  const answer = plan(request, { steps: 10, proof: false });
  expect(answer.slots.length + answer.unplaced.length).toBe(500);
  expect(answer.unplaced).toEqual([]);
});

test('the classical job shop of six machines reaches its optimum', () => {
  const [six] = classical;
  const answer = plan(jobShop((six?.jobs ?? []).map(pairsOf)), { steps: 20_000, proof: false });
  expect([six?.name, answer.objective.makespanMinutes]).toEqual(['6 × 6', six?.optimum]);
});

/** Every order of the jobs, with stays as whole and as apart as they can be. */
function bestOfAll(request: PlanRequest): number {
  const { Decoder } = jest.requireActual<typeof import('./decode')>('./decode');
  const { firstVisits } = jest.requireActual<typeof import('./first')>('./first');
  const decoder = new Decoder(modelOf(request));
  const orders = permutations([...Array(decoder.shop.count).keys()]);
  const none = new Int32Array(decoder.shop.count).fill(-1);
  let best = Number.POSITIVE_INFINITY;
  for (const visit of [firstVisits(decoder), firstVisits(decoder, true)])
    for (const order of orders)
      best = Math.min(best, decoder.decode({ order: Int32Array.from(order), visit, room: none, person: none }));
  return best;
}

function permutations(items: number[]): number[][] {
  if (items.length < 2) return [items];
  return items.flatMap((item, index) =>
    permutations([...items.slice(0, index), ...items.slice(index + 1)]).map((rest) => [item, ...rest]),
  );
}

test('small shops come to the optima that were proven, and never below', () => {
  const searched = (request: PlanRequest, seed: number) =>
    sumOf(plan({ ...request, seed }, { steps: 15_000, proof: false }).objective);
  const missed = optima.shops.filter((shop) => {
    const request = madeUpShop(shop);
    return ![1, 2, 3].some((seed) => {
      const sum = searched(request, seed);
      expect(sum).toBeGreaterThanOrEqual(shop.sum);
      return sum === shop.sum;
    });
  });
  expect(optima.shops).toHaveLength(20);
  expect(missed).toEqual([]);
});
