import type { CommandName } from '@zealous-axle/core';
import { COMMAND_NAMES, mayEverSend } from '@zealous-axle/core';
import type pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { sampleBodies } from '../testing/sample-bodies';
import { openWorld, type TestFleet, type World } from '../testing/world';

/** Commands that name nothing but what they make: they can only change the sender's own fleet. */
const OF_THE_SENDER: readonly CommandName[] = [
  'import-readings',
  'import-units',
  'move-in',
  'move-in-parts',
  'move-in-people',
  'move-in-repairs',
  'move-in-readings',
  'add-unit',
  'invite-person',
  'save-bay',
  'set-holidays',
  'set-outside',
  'check-records',
  'set-hook',
  'set-keeping',
  'delete-past',
  'set-plan-weights',
  'set-practice-task',
  'tell-practice',
  'finish-practice',
  'open-exam',
  'ask-plan',
  'open-calendar',
  'add-part',
  'set-road-costs',
  'save-template',
  'set-fleet-rules',
  'set-own-checks',
  'add-check-picture',
  'set-phrase',
  'set-own-sign',
  'withdraw-own-sign',
  'set-own-units',
  'add-fleet-limit',
  'save-route',
];

/** Whoever of ours may send a command. */
const senderOf = (name: CommandName) => (mayEverSend(name, 'foreman') ? 'foreman@ours' : 'manager@ours');

let world: World;
let ours: TestFleet;
let theirs: TestFleet;
let theirDefect: string;
let theirInspection: string;
let theirJob: string;

beforeAll(async () => {
  world = await openWorld();
  ours = await world.makeFleet('ours');
  theirs = await world.makeFleet('theirs');
  theirInspection = await inspectAll(world, theirs);
  theirDefect = uuidv7();
  theirJob = uuidv7();
  const place = { axle: 1, side: 'left', tyre: null } as const;
  await world.done('driver@theirs', 'report-defect', {
    defect: theirDefect,
    unit: theirs.unit,
    code: 'chamber-leak',
    place,
    words: '',
  });
  const defects = [{ defect: theirDefect, version: 1 }];
  await world.done('foreman@theirs', 'make-job', {
    job: theirJob,
    unit: theirs.unit,
    title: 'Job',
    defects,
    minutes: 30,
    wheelsOff: false,
  });
});
afterAll(() => world.close());

describe('another fleet’s trailer', () => {
  test.each([
    ['unit', () => `/units/${theirs.unit}`],
    ['inspection', () => `/inspections/${theirInspection}`],
    ['job', () => `/jobs/${theirJob}`],
  ])('cannot be read as %s', async (_, path) => {
    expect((await world.get('manager@theirs', path())).status).toBe(200);
    expect((await world.get('manager@ours', path())).status).toBe(404);
  });

  test('is in no list', async () => {
    const yard = await world.get('manager@ours', '/units');
    expect(yard.body.units.map(({ id }: { id: string }) => id)).toEqual([ours.unit]);
    const shop = await world.get('manager@ours', '/shop');
    expect(shop.body.totals).toEqual({ reported: 0, triaged: 0, jobs: 0 });
    expect((await world.get('manager@ours', '/defects?state=reported')).body.defects).toEqual([]);
    expect((await world.get('manager@ours', '/jobs')).body.jobs).toEqual([]);
  });

  test.each(COMMAND_NAMES.filter((name) => !OF_THE_SENDER.includes(name)))('cannot be written by %s', async (name) => {
    const bodies = sampleBodies(theirs, { defect: theirDefect, job: theirJob, inspection: theirInspection });
    const answer = await world.send(senderOf(name), name, bodies[name]);
    expect(answer.status).toBe(404);
  });
});

test.each(OF_THE_SENDER)('%s changes the sender’s own fleet only', async (name) => {
  const before = (await world.get('manager@theirs', '/session')).body;
  await world.send(senderOf(name), name, sampleBodies(ours)[name]);
  expect((await world.get('manager@theirs', '/session')).body).toEqual(before);
});

test('another fleet’s photo, paper and file cannot be read', async () => {
  const photo = { ...sampleBodies(theirs)['attach-photo'], inspection: theirInspection };
  await world.done('driver@theirs', 'attach-photo', photo);
  for (const path of [
    `/photos/${photo.photo}`,
    `/inspections/${theirInspection}/inspection.pdf`,
    `/inspections/${theirInspection}/inspection.json`,
  ]) {
    expect((await world.raw('manager@theirs', path)).statusCode).toBe(200);
    expect((await world.raw('manager@ours', path)).statusCode).toBe(404);
  }
  expect((await world.raw('manager@ours', `/readings.csv?unit=${theirs.unit}`)).body.trim().split('\n')).toHaveLength(
    1,
  );
});

describe('the server’s own role', () => {
  const asServer = async <T>(fleet: string, work: (client: pg.PoolClient) => Promise<T>): Promise<T> => {
    const client = await world.pool.connect();
    try {
      await client.query('begin');
      await client.query("select set_config('za.fleet', $1, true)", [fleet]);
      return await work(client);
    } finally {
      await client.query('rollback');
      client.release();
    }
  };

  test('owns nothing and cannot bypass row-level security', async () => {
    const { rows } = await world.pool.query(
      'select rolsuper, rolbypassrls, rolcreaterole, rolcreatedb from pg_roles where rolname = current_user',
    );
    expect(rows[0]).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false, rolcreatedb: false });
  });

  test('every table leads its key with the fleet and has row-level security forced', async () => {
    const { rows } = await world.owner.pool.query(`
      select c.relname, c.relrowsecurity and c.relforcerowsecurity as forced, a.attname as first
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      left join pg_index i on i.indrelid = c.oid and i.indisprimary
      left join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
      where n.nspname = 'public' and c.relkind = 'r'`);
    expect(rows.length).toBeGreaterThan(15);
    expect(rows.filter(({ forced, first }) => !forced || first !== 'fleet_id')).toEqual([]);
  });

  test('sees no fleet without naming one, and no other than the named', async () => {
    const { rows } = await world.pool.query('select count(*)::int as n from unit');
    expect(rows[0].n).toBe(0);
    const seen = await asServer(ours.id, (client) => client.query('select id, fleet_id from unit'));
    expect(seen.rows.map(({ id }) => id)).toContain(ours.unit);
    expect(new Set(seen.rows.map(({ fleet_id }) => fleet_id))).toEqual(new Set([ours.id]));
  });

  test('cannot write into another fleet, nor change or delete a fact', async () => {
    const insert = (fleet: string) =>
      asServer(ours.id, (client) =>
        client.query(
          `insert into hold (fleet_id, id, unit_id, reason, placed_by, placed_at) values ($1, $2, $3, 'x', $2, now())`,
          [fleet, uuidv7(), theirs.unit],
        ),
      );
    await expect(insert(theirs.id)).rejects.toMatchObject({ code: '42501' });
    await expect(insert(ours.id)).rejects.toMatchObject({ code: '23503' });
    for (const act of [
      "update reading set key = 'x'",
      'delete from reading',
      'delete from event',
      'update certificate set statement = null',
      'truncate hold',
      "update photo set key = 'x'",
      "update fleet_limit set value = '9 in'",
      "update fleet set slug = 'x'",
    ])
      await expect(asServer(theirs.id, (client) => client.query(act))).rejects.toMatchObject({ code: '42501' });
    const moved = await asServer(ours.id, (client) =>
      client.query('update defect set state = $1 where id = $2', ['dismissed', theirDefect]),
    );
    expect(moved.rowCount).toBe(0);
  });
});
