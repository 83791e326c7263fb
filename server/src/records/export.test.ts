import { once } from 'node:events';
import { streamInFleet } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { openExports } from './export';

let world: World;
let fleet: TestFleet;
let other: TestFleet;
beforeAll(async () => {
  world = await openWorld();
  [fleet, other] = [await world.makeFleet('export'), await world.makeFleet('export-2')];
});
afterAll(() => world.close());

test('so many exports are written at once and no more, of one fleet and of all; one that ends makes room', async () => {
  const exports = openExports(world.db);
  const [one, two] = [exports.readings(fleet.id, null), exports.readings(fleet.id, null)];
  expect(() => exports.readings(fleet.id, null)).toThrow('Other files');
  const others = [exports.readings(other.id, null), exports.readings(other.id, null)];
  const third = await world.makeFleet('export-3');
  expect(() => exports.readings(third.id, null)).toThrow('Other files');
  // Left before anything was read, and read to its end.
  one.destroy();
  await once(one, 'close');
  expect(await two.toArray()).toHaveLength(1);
  const again = [exports.readings(fleet.id, null), exports.readings(fleet.id, null)];
  for (const each of [...others, ...again]) each.destroy();
});

const MANY = 'select n from generate_series(1, 100000) as n';
const patience = { batchMs: 20_000, readerMs: 20_000, wholeMs: 60_000 };

async function readAll(rows: AsyncIterable<unknown[]>, each: () => Promise<void> = async () => {}): Promise<number> {
  let count = 0;
  for await (const batch of rows) {
    count += batch.length;
    await each();
  }
  return count;
}

test('an export whose connection is lost ends with an error, and not with the process', async () => {
  const cut = async () => {
    await world.owner.pool.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'zealous-axle export' and datname = current_database()",
    );
  };
  const rows = streamInFleet(world.db, fleet.id, MANY, [], patience);
  await expect(readAll(rows, cut)).rejects.toThrow();
});

test('an export that takes too long is cut, and so is a batch', async () => {
  const whole = streamInFleet(world.db, fleet.id, MANY, [], { ...patience, wholeMs: -1 });
  await expect(readAll(whole)).rejects.toThrow('it took too long');
  const batch = streamInFleet(world.db, fleet.id, 'select pg_sleep(5)', [], { ...patience, batchMs: 100 });
  await expect(readAll(batch)).rejects.toThrow('statement timeout');
});
