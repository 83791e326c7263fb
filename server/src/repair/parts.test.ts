import { v7 as uuidv7 } from 'uuid';
import { shopFacts } from '../plan/facts';
import { inFleet } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`parts${count++}`);
  await world.done(who('foreman'), 'add-part', { part: 'hub-seal', form: SEAL, stock: 4 });
});
afterAll(() => world.close());

const SEAL = { name: 'Wheel seal', price: 4_200, leadDays: 2 };
const who = (role: string) => `${role}@${fleet.slug}`;
const room = async () => (await world.get(who('foreman'), '/parts')).body.parts;

/** A job whose work needs a hub seal, begun. */
async function begunJob(): Promise<string> {
  const [defect, job] = [uuidv7(), uuidv7()];
  const place = { axle: 1, side: 'left', tyre: null } as const;
  await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'hub-leak', place, words: '' });
  const make = {
    job,
    unit: fleet.unit,
    title: 'Seal',
    defects: [{ defect, version: 1 }],
    minutes: 60,
    wheelsOff: true,
  };
  const work = [{ template: 'hub-seal', ends: [{ axle: 1, side: 'left' as const }] }];
  await world.done(who('foreman'), 'make-job', { ...make, work });
  await world.done(who('foreman'), 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-02' });
  await world.done(who('technician'), 'start-job', { job, version: 2 });
  return job;
}

test('a price changed by what was known before undoes nothing that was taken since', async () => {
  const [{ version }] = await room();
  const job = await begunJob();
  await world.done(who('technician'), 'take-part', { job, use: uuidv7(), part: 'hub-seal', count: 1 });
  await world.done(who('foreman'), 'set-part', { part: 'hub-seal', version, form: { ...SEAL, price: 5_000 } });
  expect(await room()).toMatchObject([{ stock: 3, price: 5_000 }]);
  const late = await world.send(who('manager'), 'set-part', { part: 'hub-seal', version, form: SEAL });
  expect(late).toMatchObject({ status: 409, body: { current: { price: 5_000 } } });
});

test('a count of a stock that something was taken from since is counted again', async () => {
  const [{ stockVersion }] = await room();
  const job = await begunJob();
  await world.done(who('technician'), 'take-part', { job, use: uuidv7(), part: 'hub-seal', count: 1 });
  const count = (of: number) =>
    world.send(who('foreman'), 'count-part', { part: 'hub-seal', stockVersion: of, stock: 4 });
  expect(await count(stockVersion)).toMatchObject({ status: 409, body: { current: { stock: 3 } } });
  expect(await room()).toMatchObject([{ stock: 3 }]);
  expect((await count((await room())[0].stockVersion)).status).toBe(200);
  expect(await room()).toMatchObject([{ stock: 4 }]);
});

test('a part is added once', async () => {
  const again = await world.send(who('foreman'), 'add-part', { part: 'hub-seal', form: SEAL, stock: 90 });
  expect(again).toMatchObject({ status: 400, body: { errors: [{ path: 'body.part' }] } });
  expect(await room()).toMatchObject([{ stock: 4 }]);
});

test('a part may come from elsewhere, known here or not: it is fitted, and the parts room keeps what it has', async () => {
  const job = await begunJob();
  const take = (part: string, elsewhere: string) =>
    world.done(who('technician'), 'take-part', { job, use: uuidv7(), part, count: 1, elsewhere });
  await take('hub-seal', 'Bought on the road');
  await take('hub-gasket', 'From D-42');
  expect(await room()).toMatchObject([{ stock: 4 }]);
  const { body } = await world.get(who('technician'), `/jobs/${job}`);
  const of = (part: string) => body.parts.find((each: { part: string }) => each.part === part);
  expect(of('hub-seal')).toMatchObject({ taken: 1, elsewhere: ['Bought on the road'] });
  expect(of('hub-gasket')).toMatchObject({ taken: 1, leadDays: null, elsewhere: ['From D-42'] });
});

test('a job that was begun without a clock has begun when it was begun', async () => {
  const job = await begunJob();
  const began = world.now().toISOString();
  const begun = () =>
    inFleet(world.db, fleet.id, async (store) => {
      const facts = await shopFacts(store, world.now());
      return facts.jobs.find(({ id }) => id === job)?.begun?.at;
    });
  expect(await begun()).toBe(began);
  world.later(300);
  expect(await begun()).toBe(began);
});
