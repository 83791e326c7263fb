import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { foundFleet } from '../people/found-fleet';
import { checkFleet } from '../proof/check';
import { connect, inFleet, prepareDatabase, serverUrl } from '../store';
import { backUp, restore, verify } from '.';

const MIGRATIONS = join(__dirname, '../store/migrations');
const NOW = new Date('2026-03-02T12:00:00Z');
const SLUGS = ['north', 'south'];

/** A hosted database: its owner makes roles and databases, is no superuser and sees no further than anybody. */
const CLUSTER = join(__dirname, '../../../.data/hosted-cluster');
const postgres = (act: string): string =>
  execFileSync(join(__dirname, '../../../scripts/postgres.sh'), [act], {
    env: { ...process.env, CLUSTER, CLUSTER_FAST: '1' },
    encoding: 'utf8',
  }).trim();

async function asked<T extends pg.QueryResultRow>(url: string, text: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<T>(text)).rows;
  } finally {
    await client.end();
  }
}

let folder: string;
let owner: string;
let second: string;
beforeAll(async () => {
  postgres('destroy');
  const cluster = postgres('start');
  folder = await mkdtemp(join(tmpdir(), 'za-hosted-'));
  await asked(cluster, "create role hosted login createrole createdb nosuperuser nobypassrls password 'hosted'");
  const databaseOf = async (name: string) => {
    await asked(cluster, `create database ${name} owner hosted template template0`);
    return Object.assign(new URL(cluster), { username: 'hosted', password: 'hosted', pathname: `/${name}` }).toString();
  };
  [owner, second] = [await databaseOf('one'), await databaseOf('two')];
  await prepareDatabase(owner, MIGRATIONS);
  for (const slug of SLUGS)
    await foundFleet(
      owner,
      { name: slug, slug, zone: 'Europe/London', book: 'gb', units: 'metric', manager: 'Orla Reed' },
      NOW,
    );
});
afterAll(async () => {
  postgres('destroy');
  await rm(folder, { recursive: true, force: true });
});

test('its owner keeps every fleet’s rows and brings them back, and the server’s own sight stays what it was', async () => {
  const file = join(folder, 'hosted.dump');
  const kept = await backUp(owner, file, NOW);
  expect(kept.tables.person?.rows).toBe(SLUGS.length);
  expect(await verify(owner, file, MIGRATIONS)).not.toBeNull();
  await restore(second, file, MIGRATIONS);
  for (const url of [owner, second]) {
    const unforced = await asked(
      url,
      "select relname from pg_class where relnamespace = 'public'::regnamespace and relrowsecurity and not relforcerowsecurity",
    );
    expect(unforced).toEqual([]);
    expect(await asked(serverUrl(url), 'select 1 from person')).toEqual([]);
  }
  const { db, pool } = connect(serverUrl(second));
  const fleets: string[] = [];
  for (const slug of SLUGS) {
    const { rows } = await pool.query<{ id: string }>(
      `select fleet_id as id from (select set_config('za.slug', $1, true)) named, fleet`,
      [slug],
    );
    fleets.push(...rows.map(({ id }) => id));
  }
  expect(fleets).toHaveLength(SLUGS.length);
  for (const id of fleets) {
    const people = await inFleet(db, id, (store) => store.execute('select name from person'));
    expect(people.rows).toEqual([{ name: 'Orla Reed' }]);
    expect((await checkFleet(db, id)).problems).toEqual([]);
  }
  await pool.end();
});
