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
