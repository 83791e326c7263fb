import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

test('an open holding defect bars the release, however many newer ones were dismissed', async () => {
  const fleet = await world.makeFleet('buried');
  const [driver, foreman] = [`driver@${fleet.slug}`, `foreman@${fleet.slug}`];
  const place = { axle: null, side: null, tyre: null };
  const defect = uuidv7();
  await world.done(driver, 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: 'dark' });
  await world.done(foreman, 'triage-defect', { defect, version: 1, holds: true });
  await world.owner.pool.query(
    `insert into defect (fleet_id, id, unit_id, code, words, origin, reported_by, reported_at, state, holds)
     select fleet_id, gen_random_uuid(), unit_id, code, words, origin, reported_by, reported_at + make_interval(secs => n), 'dismissed', false
     from defect, generate_series(1, 250) n where fleet_id = $1 and id = $2`,
    [fleet.id, defect],
  );
  const release = { release: uuidv7(), unit: fleet.unit, statement: 'good' };
  const answer = await world.send(foreman, 'release-trailer', release);
  expect(answer).toMatchObject({ status: 409, body: { detail: expect.stringContaining('not certified') } });
});

test('what the book holds is not answered away: only that nothing was found ends it', async () => {
  const fleet = await world.makeFleet('answered');
  const [driver, foreman] = [`driver@${fleet.slug}`, `foreman@${fleet.slug}`];
  const defect = uuidv7();
  const place = { axle: 1, side: 'left', tyre: null } as const;
  await world.done(driver, 'report-defect', {
    defect,
    unit: fleet.unit,
    code: 'lining-cracked',
    place,
    words: 'crack',
  });
  const release = () =>
    world.send(foreman, 'release-trailer', { release: uuidv7(), unit: fleet.unit, statement: 'good' });
  const answer = await world.send(foreman, 'triage-defect', { defect, version: 1, holds: false });
  expect(answer).toMatchObject({
    status: 409,
    body: { detail: expect.stringContaining('stays on hold until repaired') },
  });
  // An answer from before the book was asked, written as it was then.
  await world.owner.pool.query(
    `update defect set state = 'triaged', holds = false, version = 2 where fleet_id = $1 and id = $2`,
    [fleet.id, defect],
  );
  expect(await release()).toMatchObject({ status: 409, body: { detail: expect.stringContaining('not certified') } });
  await world.done(foreman, 'find-no-fault', {
    defect,
    version: 2,
    reason: 'Only dirt, wiped off and looked at again',
  });
  expect((await release()).status).toBe(200);
});
