import { v7 as uuidv7 } from 'uuid';
import { MADE_UP_ANSWERS } from '../outside';
import { openWorld, type World } from '../testing/world';
import { doMakeUpRoad } from '../told';

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
  await world.done(who('manager'), 'set-outside', {
    thing: 'road-service',
    version: 0,
    form: { way: 'made-up', phone: '', url: '' },
  });
  const place = { axle: null, side: null, tyre: null };
  await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: '' });
  await world.done(who('driver'), 'ask-road', { call, unit: fleet.unit, defect, place: 'Mile 12, northbound' });
  const road = async () => (await world.get(who('foreman'), `/units/${fleet.unit}/road`)).body;
  const take = (job = uuidv7()) => world.send(who('foreman'), 'take-road-report', { call, unit: fleet.unit, job });
  /** The stand-in says what comes next. */
  const says = (step: number) => doMakeUpRoad({ db: world.db, now: world.now }, { fleet: fleet.id, call, step });
  return { fleet, who, defect, call, road, take, says };
}

test('the stand-in accepts, arrives and reports, one after the other, and says that it made that up', async () => {
  const { road, says } = await begin();
  const states: string[] = [(await road()).calls[0].state];
  for (const step of MADE_UP_ANSWERS.keys()) {
    await says(step);
    const [call] = (await road()).calls;
    states.push(call.state);
    expect(call).toMatchObject({ words: expect.stringContaining('Made up'), told: { source: 'made-up', by: null } });
  }
  expect(states).toEqual(['asked', 'accepted', 'arrived', 'done']);
});

test('a call that was taken back is not answered any more', async () => {
  const { fleet, who, call, road, says } = await begin();
  const note = (state: 'cancelled' | 'arrived') =>
    world.send(who('driver'), 'note-road', { call, unit: fleet.unit, answer: uuidv7(), told: { state } });
  expect((await note('cancelled')).status).toBe(200);
  await says(0);
  expect((await road()).calls[0].state).toBe('cancelled');
  expect((await note('arrived')).status).toBe(409);
});

test('its report becomes a job once, done and not certified, with the invoice on it', async () => {
  const { fleet, who, defect, take, says } = await begin();
  expect((await take()).body.detail).toContain('has not reported yet');
  for (const step of MADE_UP_ANSWERS.keys()) await says(step);
  const job = uuidv7();
  expect((await take(job)).status).toBe(200);
  expect((await take()).status).toBe(409);
  const page = (await world.get(who('foreman'), `/jobs/${job}`)).body;
  expect(page).toMatchObject({
    job: { state: 'done', certified: null },
    defects: [{ id: defect, state: 'done' }],
    documents: [{ title: 'Invoice of the road service (made up)' }],
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
