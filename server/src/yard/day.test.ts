import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const NOWHERE = { axle: null, side: null, tyre: null };

test('an empty shop has nothing before it', async () => {
  await world.makeFleet('idle');
  const { body } = await world.get('manager@idle', '/day');
  expect(body).toMatchObject({
    held: { count: 0, first: [] },
    leaving: { count: 0, first: [] },
    reports: { waiting: 0, overADay: 0, oldest: null },
    working: [],
    help: 0,
    parts: { awaited: 0, late: 0 },
    papers: { over: 0, soon: 0 },
    wear: { past: 0, soon: 0 },
    comeBacks: 0,
    retorques: 0,
  });
});

test('what is held, leaves unready, waits, is worked on and is awaited is counted, and named with why and since when', async () => {
  const fleet = await world.makeFleet('busy');
  const who = (role: string) => `${role}@busy`;
  await world.done(who('technician'), 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'Cracked drum' });
  const leaves = { at: new Date(world.now().getTime() + 3 * 3_600_000).toISOString(), to: 'North silo' };
  await world.done(who('foreman'), 'set-departure', { unit: fleet.unit, departure: leaves });
  const [waiting, taken, job] = [uuidv7(), uuidv7(), uuidv7()];
  for (const defect of [waiting, taken])
    await world.done(who('driver'), 'report-defect', {
      defect,
      unit: fleet.unit,
      code: 'lamp-out',
      place: NOWHERE,
      words: defect,
    });
  const defects = [{ defect: taken, version: 1 }];
  await world.done(who('foreman'), 'make-job', {
    job,
    unit: fleet.unit,
    title: 'Lamp',
    defects,
    minutes: 15,
    wheelsOff: false,
  });
  await world.done(who('foreman'), 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-02' });
  await world.done(who('technician'), 'start-job', { job, version: 2 });
  await world.done(who('technician'), 'clock-on', { job, time: uuidv7() });
  await world
    .done(who('foreman'), 'add-part', {
      part: 'lamp',
      form: { name: 'Lamp', price: 1_600, leadDays: 1 },
      stock: 0,
    } as never)
    .catch(() => undefined);
  world.later(25 * 60);
  const { body } = await world.get(who('foreman'), '/day');
  expect(body.held).toMatchObject({ count: 1, first: [{ unit: { number: 'T-1' }, why: 'Cracked drum' }] });
  expect(body.reports).toMatchObject({ waiting: 1, overADay: 1, oldest: expect.any(String) });
  expect(body.working).toMatchObject([{ person: 'The technician', job: { id: job }, unit: 'T-1', minutes: 15 }]);
  expect(body.working[0].spent).toBeGreaterThan(15);
  expect((await world.get(who('technician'), '/day')).status).toBe(403);
  const early = (await world.get(who('foreman'), '/day')).body.leaving;
  expect(early.count).toBe(0);
});

test('what leaves soon and is held, or has open defects, is named; what is ready is not', async () => {
  const fleet = await world.makeFleet('leaves');
  const at = new Date(world.now().getTime() + 5 * 3_600_000).toISOString();
  await world.done('foreman@leaves', 'set-departure', { unit: fleet.unit, departure: { at, to: 'North silo' } });
  expect((await world.get('foreman@leaves', '/day')).body.leaving.count).toBe(0);
  await world.done('technician@leaves', 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'Cracked drum' });
  expect((await world.get('foreman@leaves', '/day')).body.leaving).toMatchObject({
    count: 1,
    first: [{ unit: { number: 'T-1' }, to: 'North silo', held: true, at }],
  });
});
