import { v7 as uuidv7 } from 'uuid';
import { addTask, inFleet, queueUrl, type Tasks } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { type Doers, openQueue, type Queue } from './queue';

let world: World;
let fleet: TestFleet;
const open: Queue[] = [];
beforeAll(async () => {
  world = await openWorld();
  fleet = await world.makeFleet('queue');
});
afterEach(async () => {
  for (const queue of open.splice(0)) await queue.close();
});
afterAll(() => world.close());

type Search = Tasks['search-plan'];

/** A queue whose searches are done by `search`; what else is asked for is left undone. */
async function working(
  search: Doers['search-plan'],
  { failed = () => {}, againMs = 60_000, tasks = 1 }: Partial<Parameters<typeof openQueue>[2]> = {},
): Promise<Queue> {
  const doers: Doers = {
    'search-plan': search,
    'prove-plan': async () => {},
    'watch-plan': async () => {},
    'judge-again': async () => {},
    'tell-outside': async () => {},
    'make-up-road': async () => {},
    'check-records': async () => {},
    'tell-hook': async () => {},
    forecast: async () => {},
  };
  const queue = await openQueue(queueUrl(world.ownerUrl), doers, { tasks, failed, sweepMs: 50, againMs });
  open.push(queue);
  return queue;
}

const ask = (run: string, key = run) =>
  inFleet(world.db, fleet.id, (store) => addTask(store, 'search-plan', { fleet: fleet.id, run }, key));
/** A promise, and what settles it. */
function later<T>() {
  let settle: (value: T) => void = () => {};
  const promise = new Promise<T>((resolve) => {
    settle = resolve;
  });
  return { promise, settle };
}

test('a task is done with what it was asked, by a server that may not touch the queue itself', async () => {
  const did = later<Search>();
  await working(async (asked) => did.settle(asked));
  const run = uuidv7();
  await ask(run);
  expect(await did.promise).toEqual({ fleet: fleet.id, run });
  await expect(world.pool.query('select * from graphile_worker.jobs')).rejects.toThrow('permission denied');
});

test('a task whose transaction is given up is not done', async () => {
  const ran: string[] = [];
  const did = later<void>();
  await working(async ({ run }) => {
    ran.push(run);
    did.settle();
  });
  const given = inFleet(world.db, fleet.id, async (store) => {
    await addTask(store, 'search-plan', { fleet: fleet.id, run: 'given up' }, 'given up');
    throw new Error('given up');
  });
  await expect(given).rejects.toThrow('given up');
  await ask('kept');
  await did.promise;
  expect(ran).toEqual(['kept']);
});

test('two processes share the queue, and each task is done by one of them', async () => {
  const ran: string[] = [];
  const all = later<void>();
  const runs = Array.from({ length: 12 }, () => uuidv7());
  const note: Doers['search-plan'] = async ({ run }) => {
    ran.push(run);
    if (ran.length >= runs.length) all.settle();
  };
  await working(note);
  await working(note);
  for (const run of runs) await ask(run);
  await all.promise;
  expect(ran.sort()).toEqual([...runs].sort());
});

test('the task of a worker that died is taken up by another', async () => {
  const [begun, again] = [later<void>(), later<string>()];
  const never = new Promise<void>(() => {});
  const dying = await openQueue(
    queueUrl(world.ownerUrl),
    {
      'prove-plan': async () => {},
      'search-plan': () => {
        begun.settle();
        return never;
      },
      'watch-plan': async () => {},
      'judge-again': async () => {},
      'tell-outside': async () => {},
      'make-up-road': async () => {},
      'check-records': async () => {},
      'tell-hook': async () => {},
      forecast: async () => {},
    },
    // It looks for nobody itself, and does not come back within this test.
    { tasks: 1, failed: () => {}, sweepMs: 3_600_000, retryMs: 3_600_000 },
  );
  const run = uuidv7();
  await ask(run);
  await begun.promise;
  await world.owner.pool.query(
    "select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'zealous-axle worker' and datname = current_database()",
  );
  await working(async (asked) => again.settle(asked.run));
  expect(await again.promise).toBe(run);
  void dying.close();
});

test('fleets take turns: however many searches of one wait, another’s is begun beside the first of them', async () => {
  const begun: string[] = [];
  const mine = later<void>();
  const other = await world.makeFleet('queue-turns');
  const waiting = Array.from({ length: 8 }, (_, nth) => `${nth}`);
  const add = ({ id }: TestFleet, run: string) =>
    inFleet(world.db, id, (store) =>
      addTask(store, 'search-plan', { fleet: id, run }, `${id} ${run}`, { queue: `asked ${id}` }),
    );
  for (const run of waiting) await add(fleet, run);
  await add(other, 'mine');
  const [blocked, all] = [later<void>(), later<void>()];
  await working(
    async ({ run }) => {
      begun.push(run);
      if (begun.length === waiting.length + 1) all.settle();
      if (run === 'mine') mine.settle();
      else await blocked.promise;
    },
    { tasks: 2 },
  );
  await mine.promise;
  expect(begun.filter((run) => run !== 'mine')).toHaveLength(1);
  blocked.settle();
  await all.promise;
});

test('a task that fails says so, and is tried again', async () => {
  const said: string[] = [];
  const did = later<number>();
  let tries = 0;
  await working(
    async () => {
      tries++;
      if (tries === 1) throw new Error('no luck');
      did.settle(tries);
    },
    { failed: (message) => said.push(message) },
  );
  await ask(uuidv7());
  expect(await did.promise).toBe(2);
  expect(said).toEqual(['search-plan: no luck']);
});

test('a task that is asked for again and again is not put off: it is done at the first of its times', async () => {
  const did: string[] = [];
  const last = later<void>();
  await working(async ({ run }) => {
    did.push(run);
    last.settle();
  });
  const add = (run: string, seconds: number) =>
    inFleet(world.db, fleet.id, (store) =>
      addTask(store, 'search-plan', { fleet: fleet.id, run }, 'again', { seconds }),
    );
  await add('first', 0.3);
  await add('second', 3_600);
  await last.promise;
  expect(did).toEqual(['second']);
});

test('a task that was given up is found, and begun again', async () => {
  const run = uuidv7();
  await ask(run);
  await world.owner.pool.query(
    `update graphile_worker._private_jobs set attempts = max_attempts, updated_at = now() - interval '1 hour'`,
  );
  const did = later<string>();
  await working(async (asked) => did.settle(asked.run), { againMs: 1_000 });
  expect(await did.promise).toBe(run);
});

test('what failed is said without what was asked of the database', async () => {
  const said = later<string>();
  await working(
    async () => {
      const cause = new Error('duplicate key value violates unique constraint');
      throw new Error('Failed query: insert into person\nparams: K7QM-2XWD-9HRT', { cause });
    },
    { failed: said.settle },
  );
  await ask(uuidv7());
  expect(await said.promise).toBe('search-plan: duplicate key value violates unique constraint');
});
