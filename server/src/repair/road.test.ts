import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

async function begin() {
  const fleet = await world.makeFleet(`road-${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const [defect, call] = [uuidv7(), uuidv7()];
  const place = { axle: null, side: null, tyre: null };
  await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: '' });
  await world.done(who('driver'), 'ask-road', { call, unit: fleet.unit, defect, place: 'Mile 12, northbound' });
  const road = async () => (await world.get(who('foreman'), `/units/${fleet.unit}/road`)).body;
  const take = (job = uuidv7()) => world.send(who('foreman'), 'take-road-report', { call, unit: fleet.unit, job });
  return { fleet, who, defect, road, take };
}

test('the provider accepts, arrives and reports, each in its time', async () => {
  const { road } = await begin();
  const states: string[] = [];
  for (const minutes of [0, 5, 45, 60]) {
    world.later(minutes);
    states.push((await road()).calls[0].state);
  }
  expect(states).toEqual(['asked', 'accepted', 'arrived', 'done']);
});

test('its report becomes a job once, done and not certified, with the invoice on it', async () => {
  const { fleet, who, defect, take } = await begin();
  expect((await take()).body.detail).toContain('has not reported yet');
  world.later(120);
  const job = uuidv7();
  expect((await take(job)).status).toBe(200);
  expect((await take()).status).toBe(409);
  const page = (await world.get(who('foreman'), `/jobs/${job}`)).body;
  expect(page).toMatchObject({
    job: { state: 'done', certified: null },
    defects: [{ id: defect, state: 'done' }],
    documents: [{ title: 'Invoice of the road service' }],
  });
  const sign = { job, version: 1, statement: 'Lamp seen lit' };
  expect((await world.send(who('technician'), 'certify-job', sign)).status).toBe(200);
  expect((await world.get(who('driver'), `/units/${fleet.unit}`)).body.defects[0].state).toBe('certified');
});

test('costs are the shop’s own, and unknown until it wrote them', async () => {
  const { who, road } = await begin();
  expect((await road()).costs).toBeNull();
  const costs = { callOut: 18_500, serviceHour: 11_000, lostHour: 9_000, fine: 60_000, points: 6 };
  await world.done(who('manager'), 'set-road-costs', { costs });
  expect((await road()).costs).toEqual(costs);
  expect((await world.send(who('driver'), 'set-road-costs', { costs })).status).toBe(403);
});
