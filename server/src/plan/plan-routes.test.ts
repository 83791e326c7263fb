import { checkPlan, type PlanAnswer, type PlanRequest, sumOf } from '@zealous-axle/core/plan';
import { openWorld, type World } from '../testing/world';
import { bestOf } from './planner';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const request = (more: Partial<PlanRequest> = {}): PlanRequest => ({
  now: '2026-11-24T07:00:00-06:00',
  horizonDays: 10,
  timeLimitMs: 100,
  seed: 1,
  bays: [{ id: 'B1', kinds: ['lift', 'long'], open: [['2026-11-24T07:00:00-06:00', '2026-11-24T17:00:00-06:00']] }],
  technicians: [
    { id: 'K1', skills: ['brakes', 'tyres'], shifts: [['2026-11-24T06:00:00-06:00', '2026-11-24T14:30:00-06:00']] },
  ],
  jobs: [
    {
      id: 'J1',
      trailer: 'T1',
      axle: 2,
      skill: 'brakes',
      technicians: 1,
      bayKind: 'lift',
      minutes: 90,
      setup: 'wheels-off',
      priority: 'out-of-service',
      release: '2026-11-24T07:00:00-06:00',
      due: '2026-11-24T12:00:00-06:00',
      after: [],
      pinned: null,
    },
  ],
  setups: { 'wheels-off': 35, shunt: 15 },
  ...more,
});
const ask = (body: unknown) => world.app.inject({ method: 'POST', url: '/api/v1/plan', payload: body as object });

test('a shop is planned by anybody, in the wire form, and the answer keeps every rule', async () => {
  const answer = await ask(request());
  expect(answer.statusCode).toBe(200);
  const plan = answer.json() as PlanAnswer & { boundSum: number };
  expect(plan.slots).toEqual([
    {
      job: 'J1',
      bay: 'B1',
      technicians: ['K1'],
      start: '2026-11-24T13:00:00.000Z',
      end: '2026-11-24T15:20:00.000Z',
      setupMinutes: 50,
    },
  ]);
  expect(checkPlan(request(), plan)).toEqual([]);
  expect(plan).toMatchObject({ unplaced: [], objective: { heldMinutes: 140, setupMinutes: 50 } });
  expect(plan.boundSum).toBeGreaterThan(0);
  expect(plan.boundSum).toBeLessThanOrEqual(sumOf(plan.objective));
});

test('what cannot be is refused with its path, as a problem document', async () => {
  const [job] = request().jobs;
  const unknown = await ask(request({ jobs: [{ ...(job as PlanRequest['jobs'][number]), after: ['J7'] }] }));
  expect([unknown.statusCode, unknown.json().errors]).toEqual([
    400,
    [{ path: 'jobs.0.after.0', message: 'there is no job J7' }],
  ]);
  const odd = await ask({ ...request(), colour: 'red' });
  expect([odd.statusCode, odd.json().errors[0].path]).toEqual([400, 'colour']);
  const long = await ask(request({ timeLimitMs: 1e9 }));
  expect([long.statusCode, long.json().errors[0].path]).toEqual([400, 'timeLimitMs']);
});

test('whoever is not signed in has so much searching a minute; who is, has none of that to share', async () => {
  const fleet = await world.makeFleet('planners');
  const from = (ip: string) =>
    world.app.inject({
      method: 'POST',
      url: '/api/v1/plan',
      remoteAddress: ip,
      payload: request({ timeLimitMs: 16_000, jobs: [] }),
    });
  expect((await from('10.0.0.1')).statusCode).toBe(200);
  const more = await from('10.0.0.1');
  expect([more.statusCode, Number(more.headers['retry-after']) > 0]).toEqual([429, true]);
  expect((await from('10.0.0.2')).statusCode).toBe(200);
  for (let nth = 0; nth < 3; nth++)
    expect(
      (await world.post(`driver@${fleet.slug}`, '/plan', request({ timeLimitMs: 16_000, jobs: [] }))).statusCode,
    ).toBe(200);
});

test('there was no time for even one plan: said as that, and never as a fault of ours', () =>
  expect(() => bestOf([{ tooLate: true }], () => {})).toThrow(expect.objectContaining({ code: 'too-slow' })));
