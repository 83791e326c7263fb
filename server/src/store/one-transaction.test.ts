import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { paper } from '../units/schema';
import { inFleet, prepared, readInFleet } from '.';
import type { FleetStore } from './fleet-store';
import { TransactionOver } from './one-transaction';

let world: World;
let fleet: TestFleet;
beforeAll(async () => {
  world = await openWorld();
  fleet = await world.makeFleet('stragglers');
});
afterAll(() => world.close());

const papers = () => inFleet(world.db, fleet.id, (store) => store.select().from(paper));
const write = (store: FleetStore) =>
  store
    .insert(paper)
    .values({ fleetId: fleet.id, id: uuidv7(), unitId: fleet.unit, paper: 'late', dueOn: '2026-03-02' });

test('what a failed transaction left running is refused, and writes in no other one', async () => {
  let go: () => void = () => {};
  const gate = new Promise<void>((open) => {
    go = open;
  });
  let straggler: Promise<unknown> = Promise.resolve();
  const failed = inFleet(world.db, fleet.id, async (store) => {
    straggler = gate.then(() => write(store));
    straggler.catch(() => undefined);
    await Promise.all([store.execute(sql`select 1 / 0`), straggler]);
  });
  await expect(failed).rejects.toThrow();
  // The connection is another transaction's now.
  const next = inFleet(world.db, fleet.id, async (store) => {
    await store.execute(sql`select 1`);
    go();
    await straggler.catch(() => undefined);
    await store.execute(sql`select 2`);
  });
  await next;
  await expect(straggler).rejects.toThrow(TransactionOver);
  expect(await papers()).toEqual([]);
});

test.each(['inFleet', 'readInFleet'] as const)('a store kept beyond %s is worth nothing', async (name) => {
  const run = { inFleet, readInFleet }[name];
  let kept: FleetStore | undefined;
  await run(world.db, fleet.id, async (store) => {
    kept = store;
    await prepared(store, 'kept', () => store.select().from(paper)).execute({});
  });
  const after = kept as FleetStore;
  expect(() => after.select()).toThrow(TransactionOver);
  expect(() => prepared(after, 'kept', () => after.select().from(paper))).toThrow(TransactionOver);
});

test('a statement written once for its connection serves every transaction on it', async () => {
  const asked = () =>
    inFleet(world.db, fleet.id, (store) =>
      prepared(store, 'papers of the test', () => store.select().from(paper)).execute({}),
    );
  for (let nth = 0; nth < 20; nth++) expect(await asked()).toEqual([]);
});
