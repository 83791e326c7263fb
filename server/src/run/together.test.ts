import { v7 as uuidv7 } from 'uuid';
import { bodies, NAMES, place } from '../testing/pairs';
import { openWorld, type World } from '../testing/world';

let world: World;
let count = 0;

beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

test('every command that decides about a unit is among the pairs', () => {
  const known = Object.keys(bodies({ id: '', slug: '', unit: '', bay: '' }, 0));
  expect(known.sort()).toEqual([...NAMES].sort());
});

test('jobs made crosswise of each other’s defects are refused, and nothing breaks', async () => {
  const [one, two] = [await world.makeFleet(`cross${count++}`), uuidv7()];
  await world.owner.pool.query(
    `insert into unit (fleet_id, id, number, body, kind, axles) select fleet_id, $2, 'T-2', body, kind, axles from unit where fleet_id = $1`,
    [one.id, two],
  );
  const who = `foreman@${one.slug}`;
  const [mine, theirs] = [uuidv7(), uuidv7()];
  const report = (defect: string, unit: string) =>
    world.done(who, 'report-defect', { defect, unit, code: 'lamp-out', place, words: '' });
  await report(mine, one.unit);
  await report(theirs, two);
  const make = (unit: string, defects: string[]) =>
    world.send(who, 'make-job', {
      job: uuidv7(),
      unit,
      title: 'Crossed',
      defects: defects.map((defect) => ({ defect, version: 1 })),
      minutes: 30,
      wheelsOff: false,
    });
  const answers = await Promise.all(
    Array.from({ length: 20 }, (_, n) => (n % 2 ? make(one.unit, [mine, theirs]) : make(two, [theirs, mine]))),
  );
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([409]));
});

test('a hold that was acknowledged exists under its own id, whatever its words', async () => {
  const fleet = await world.makeFleet(`hold${count++}`);
  const holds = [uuidv7(), uuidv7()];
  for (const hold of holds)
    await world.done(`technician@${fleet.slug}`, 'hold-trailer', { hold, unit: fleet.unit, reason: 'looks wrong' });
  const page = (await world.get(`manager@${fleet.slug}`, `/units/${fleet.unit}`)).body;
  expect(page.holds.map((each: { id: string }) => each.id)).toEqual(holds);
});
