import { appendFile, cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkFleet } from '../proof/check';
import { addTask, connect, inFleet, prepareDatabase, serverUrl } from '../store';
import { inspectAll } from '../testing/measure';
import { emptyDatabase, openWorld, type TestFleet, type World } from '../testing/world';
import { unitPage } from '../yard/queries';
import { backUp, keepBefore, restore, verify } from '.';

const MIGRATIONS = join(__dirname, '../store/migrations');
let world: World;
let ours: TestFleet;
let theirs: TestFleet;
let folder: string;
let file: string;
beforeAll(async () => {
  world = await openWorld();
  [ours, theirs] = [await world.makeFleet('kept'), await world.makeFleet('kept-too')];
  await inspectAll(world, ours);
  await inspectAll(world, theirs);
  await inFleet(world.db, ours.id, (store) =>
    addTask(store, 'watch-plan', { fleet: ours.id, because: null }, ours.id, { seconds: 3_600 }),
  );
  folder = await mkdtemp(join(tmpdir(), 'za-'));
  file = join(folder, 'axle.dump');
  await backUp(world.ownerUrl, file, new Date('2026-03-02T12:00:00Z'));
}, 60_000);
afterAll(async () => {
  await rm(folder, { recursive: true });
  await world.close();
});

const pageIn = async (url: string, { id, unit }: TestFleet) => {
  const { db, pool } = connect(serverUrl(url));
  try {
    return await inFleet(db, id, (store) => unitPage(store, unit, new Date('2026-03-02T12:00:00Z')));
  } finally {
    await pool.end();
  }
};

test('everything comes back, for every fleet, as the server itself sees it, with the tasks that waited', async () => {
  const url = await emptyDatabase();
  const { tables, tasks, madeAt } = await restore(url, file, MIGRATIONS);
  expect(madeAt).toBe('2026-03-02T12:00:00.000Z');
  expect(tables.reading?.rows).toBeGreaterThan(20);
  for (const fleet of [ours, theirs]) expect(await pageIn(url, fleet)).toEqual(await pageIn(world.ownerUrl, fleet));
  expect(await pageIn(url, { ...ours, unit: theirs.unit })).toBeNull();
  expect(tasks.some(({ key }) => key === `watch-plan ${ours.id}`)).toBe(true);
  const { db, pool } = connect(serverUrl(url));
  const audited = await Promise.all([ours, theirs].map(({ id }) => checkFleet(db, id))).finally(() => pool.end());
  expect(audited.map(({ problems }) => problems)).toEqual([[], []]);
  expect(audited[0]?.head).toEqual((await checkFleet(world.db, ours.id)).head);
}, 60_000);

test('it is tried in a database of its own, which is thrown away', async () => {
  const databases = async () =>
    (await world.owner.pool.query(`select datname from pg_database where datname like 'za_verify_${process.pid}%'`))
      .rows;
  expect(await verify(world.ownerUrl, file, MIGRATIONS)).toMatchObject({ form: 'zealous-axle/backup/1' });
  expect(await databases()).toEqual([]);
}, 60_000);

test('a database that has something in it is left as it is', async () =>
  expect(restore(world.ownerUrl, file, MIGRATIONS)).rejects.toThrow('not empty'));

test('a file that was changed, one of a newer program and one without what stands beside it are refused', async () => {
  const copy = async (name: string) => {
    const path = join(folder, name);
    await writeFile(path, await readFile(file));
    const beside = JSON.parse(await readFile(`${file}.json`, 'utf8'));
    await writeFile(`${path}.json`, JSON.stringify(beside));
    return { path, beside };
  };
  const url = await emptyDatabase();
  const changed = await copy('changed');
  await appendFile(changed.path, 'x');
  await expect(restore(url, changed.path, MIGRATIONS)).rejects.toThrow('not as it was written');
  const newer = await copy('newer');
  await writeFile(`${newer.path}.json`, JSON.stringify({ ...newer.beside, lastChange: 4_102_444_800_000 }));
  await expect(restore(url, newer.path, MIGRATIONS)).rejects.toThrow('newer program');
  const other = await copy('other');
  const tables = { ...other.beside.tables, reading: { rows: 1, sum: '0' } };
  await writeFile(`${other.path}.json`, JSON.stringify({ ...other.beside, tables }));
  await expect(restore(url, other.path, MIGRATIONS)).rejects.toThrow('not what was kept: reading has');
  await rm(`${other.path}.json`);
  await expect(restore(url, other.path, MIGRATIONS)).rejects.toThrow('is not there');
}, 60_000);

test('before its shape is changed a database is kept, and what was kept comes back in the new shape', async () => {
  const old = join(folder, 'old-migrations');
  await cp(MIGRATIONS, old, { recursive: true });
  const journal = join(old, 'meta/_journal.json');
  const { entries, ...rest } = JSON.parse(await readFile(journal, 'utf8'));
  await writeFile(journal, JSON.stringify({ ...rest, entries: entries.slice(0, -2) }));
  const url = await emptyDatabase();
  await prepareDatabase(url, old);
  const asked = { databaseUrl: url, migrations: MIGRATIONS, backups: join(folder, 'before') };
  const kept = await keepBefore(asked, new Date('2026-03-02T12:00:00Z'));
  expect(kept?.changes).toEqual(entries.slice(-2).map(({ tag }: { tag: string }) => tag));
  await prepareDatabase(url, MIGRATIONS);
  expect(await keepBefore(asked, new Date())).toBeNull();
  expect(await restore(await emptyDatabase(), kept?.file ?? '', MIGRATIONS)).toMatchObject({
    changes: entries.length - 2,
  });
  expect(await keepBefore({ ...asked, databaseUrl: await emptyDatabase() }, new Date())).toBeNull();
}, 60_000);

test('a database that cannot be kept is not changed: it is said why', async () => {
  const nowhere = join(file, 'no-folder');
  await expect(backUp(world.ownerUrl, join(nowhere, 'x.dump'), new Date())).rejects.toThrow();
});
