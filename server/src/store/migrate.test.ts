import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  BOOK_IDS,
  DEFECT_STATES,
  JOB_STATES,
  PURPOSES,
  ROLES,
  SIDES,
  TYRES,
  UNIT_KINDS,
  VERDICTS,
} from '@zealous-axle/core';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { sheetOf } from '../inspection/queries';
import { emptyDatabase } from '../testing/world';
import { unitPage, yardPage } from '../yard/queries';
import { connect, inFleet } from './connect';
import { prepareDatabase, serverUrl } from './migrate';

const FOLDER = join(__dirname, 'migrations');
const OLD = join(__dirname, '../testing/fixtures');
const FLEET = '01900000-0000-7000-8000-00000000000f';
const UNIT = '01900000-0000-7000-8000-000000000011';
const INSPECTION = '01900000-0000-7000-8000-000000000021';

/** The migrations up to a version, in a folder of their own. */
function upTo(version: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'migrations-'));
  cpSync(FOLDER, folder, { recursive: true });
  const journal = join(folder, 'meta/_journal.json');
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number }[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.filter(({ idx }) => idx <= version) }));
  return folder;
}

/** A database as a version of the program left it, brought up to date. */
async function upgraded(version: number): Promise<string> {
  const url = await emptyDatabase();
  const folder = upTo(version);
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await migrate(drizzle(client), { migrationsFolder: folder });
  await client.query(readFileSync(join(OLD, `version-${version}.sql`), 'utf8'));
  await client.end();
  rmSync(folder, { recursive: true });
  await prepareDatabase(url, FOLDER);
  return url;
}

describe('a database of version 3', () => {
  let server: ReturnType<typeof connect>;
  beforeAll(async () => {
    server = connect(serverUrl(await upgraded(3)));
  });
  afterAll(() => server.pool.end());

  test('keeps its inspections, with their steps and what was not read', async () => {
    const sheet = await inFleet(server.db, FLEET, (store) => sheetOf(store, INSPECTION));
    expect(sheet?.steps?.map(({ kind, item }) => item ?? kind)).toEqual(['lining', 'jaws']);
    const kinds = sheet?.judgement?.findings.map(({ kind, verdict }) => `${kind} ${verdict}`) ?? [];
    expect(kinds[0]).toBe('lining violation');
    expect(kinds.filter((each) => each === 'check:jaws not-judged')).toHaveLength(1);
  });

  test('stands in the yard as its facts say, with one paper of a kind', async () => {
    const page = await inFleet(server.db, FLEET, (store) =>
      yardPage(store, {}, { order: 'urgency', key: null, today: '2026-03-02' }),
    );
    expect(page.units).toEqual([
      {
        id: UNIT,
        number: 'O-1',
        body: 'Hopper',
        kind: 'semitrailer',
        site: '',
        held: true,
        openDefects: 1,
        toAcknowledge: 0,
        lastMeasured: '2026-02-01T09:00:00.000Z',
        verdict: 'violation',
        due: { paper: 'Periodic inspection', on: '2027-03-31' },
        // Marked, until it is judged by the rules that now hold.
        judging: true,
        looked: [],
        walked: null,
        helpSince: null,
        inspecting: null,
      },
    ]);
    const unit = await inFleet(server.db, FLEET, (store) => unitPage(store, UNIT, new Date()));
    expect(unit).toMatchObject({ papers: [{ on: '2027-03-31' }], standing: [{ key: 'lining@1L' }] });
  });

  test('follows the policies it chose', async () => {
    const { rows } = await inFleet(server.db, FLEET, (store) => store.execute('select policies from fleet'));
    expect(rows).toEqual([{ policies: { 'mud-flap': '6' } }]);
  });
});

test('a database that a newer program has changed is refused, and says what it has', async () => {
  const owner = await emptyDatabase();
  await prepareDatabase(owner);
  const client = new pg.Client({ connectionString: owner });
  await client.connect();
  await client.query(`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 4102444800000)`);
  await client.end();
  await expect(prepareDatabase(owner)).rejects.toThrow('of a newer program');
});

describe('the shape of the database', () => {
  let owner: pg.Client;
  beforeAll(async () => {
    owner = new pg.Client({ connectionString: process.env.TEST_CLUSTER_URL });
    await owner.connect();
  });
  afterAll(() => owner.end());
  const ask = async (sql: string) => (await owner.query(sql)).rows;

  test('wherever a row names another, a key says that it exists', async () => {
    // A device names itself, and an act is a command or a task: neither is a row of ours.
    const named = await ask(`
      select table_name || '.' || column_name as name from information_schema.columns
      where table_schema = 'public' and data_type = 'uuid' and column_name not in ('fleet_id', 'id', 'device_id', 'act')`);
    const kept = await ask(`
      select c.conrelid::regclass || '.' || a.attname as name from pg_constraint c
      join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any(c.conkey)
      where c.contype = 'f' and a.attname <> 'fleet_id'`);
    const keys = new Set(kept.map(({ name }) => name));
    expect(named.map(({ name }) => name).filter((name) => !keys.has(name))).toEqual([]);
    expect(named.length).toBeGreaterThan(35);
  });

  test('every row with JSON in it says in which shape', async () => {
    const without = await ask(`
      select distinct table_name from information_schema.columns c where table_schema = 'public' and data_type = 'jsonb'
        and not exists (select 1 from information_schema.columns s where s.table_schema = 'public'
          and s.table_name = c.table_name and s.column_name = 'shape')`);
    expect(without).toEqual([]);
  });

  test.each([
    ['fleet', 'book', BOOK_IDS],
    ['person', 'role', ROLES],
    ['unit', 'kind', UNIT_KINDS],
    ['yard_row', 'kind', UNIT_KINDS],
    ['yard_row', 'verdict', VERDICTS],
    ['defect', 'state', DEFECT_STATES],
    ['defect', 'side', SIDES],
    ['defect', 'tyre', TYRES],
    ['job', 'state', JOB_STATES],
    ['inspection', 'purpose', PURPOSES],
    ['inspection', 'verdict', VERDICTS],
    ['current_reading', 'verdict', VERDICTS],
    ['judgement', 'verdict', VERDICTS],
  ] as const)('%s.%s takes the words of the core and no other', async (table, column, words) => {
    const [check] = await ask(
      `select pg_get_constraintdef(oid) as said from pg_constraint where conname = '${table}_${column}_known'`,
    );
    const [, known = ''] = /\{([^}]*)\}/.exec(check.said) ?? [];
    expect(known.split(',').sort()).toEqual([...words].sort());
  });
});
