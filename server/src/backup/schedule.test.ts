import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openWorld, type World } from '../testing/world';
import { backUpIfDue, dueDay, type Schedule } from './schedule';

let world: World;
let folder: string;
beforeAll(async () => {
  world = await openWorld();
  await world.makeFleet('nightly');
});
afterAll(() => world.close());
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'za-nightly-'));
});
afterEach(() => rm(folder, { recursive: true }));

const schedule = (more: Partial<Schedule> = {}): Schedule => ({
  databaseUrl: world.ownerUrl,
  migrations: join(__dirname, '../store/migrations'),
  folder,
  at: '02:15',
  keep: { days: 2, weeks: 0, months: 0 },
  recipient: null,
  ...more,
});

test('what is due is yesterday’s until today’s time has come', () => {
  expect(dueDay(new Date('2026-03-02T02:14:00Z'), '02:15')).toBe('2026-03-01');
  expect(dueDay(new Date('2026-03-02T02:15:00Z'), '02:15')).toBe('2026-03-02');
});

test('one is made each day, tried, and those that are no longer kept go', async () => {
  for (const name of ['axle-2026-02-20.dump', 'axle-2026-02-20.dump.json', 'axle-2026-03-01.dump', 'mine.txt'])
    await writeFile(join(folder, name), '');
  const now = new Date('2026-03-02T12:00:00Z');
  expect(await backUpIfDue(schedule(), now)).toEqual({ good: true, file: 'axle-2026-03-02.dump' });
  expect((await readdir(folder)).sort()).toEqual([
    'axle-2026-03-01.dump',
    'axle-2026-03-02.dump',
    'axle-2026-03-02.dump.json',
    'mine.txt',
  ]);
  expect(await backUpIfDue(schedule(), now)).toBeNull();
}, 60_000);

test('two servers on one database make one', async () => {
  const now = new Date('2026-03-02T12:00:00Z');
  const came = await Promise.all([backUpIfDue(schedule(), now), backUpIfDue(schedule(), now)]);
  expect(came.filter((each) => each !== null)).toHaveLength(1);
}, 60_000);

test('one that could not be encrypted is said to have failed, and nothing open is left behind', async () => {
  const came = await backUpIfDue(schedule({ recipient: 'age1nobody-has-this-key' }), new Date('2026-03-02T12:00:00Z'));
  expect(came).toEqual({ good: false, why: expect.stringContaining('could not encrypt') });
  expect(await readdir(folder)).toEqual([]);
}, 60_000);
