import { createHash } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { historySchema, type Sha256, type UnitHistory, wrongIn } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { isSigned, SIGNATURE, SIGNATURE_BEFORE } from '../outside/sign';
import { inFleet } from '../store/connect';
import { inspectAll } from '../testing/measure';
import { openWorld, PASSWORD, type TestFleet, type World } from '../testing/world';
import { doJudgeAgain, judgeAllAgain } from '../yard/judge-again';
import { checkFleet, doCheckRecords, tellHook } from '.';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const sha256: Sha256 = async (of) => createHash('sha256').update(of).digest('hex');
const owner = (text: string, values: unknown[] = []) => world.owner.pool.query(text, values);
const wrong = async (fleet: TestFleet) => (await checkFleet(world.db, fleet.id)).problems;

/** A fleet with an inspection, a defect and an unsigned event or two. */
async function inspected(): Promise<TestFleet & { inspection: string }> {
  const fleet = await world.makeFleet(`proof${count++}`);
  return { ...fleet, inspection: await inspectAll(world, fleet) };
}

/** What somebody who owns the database does past the program: no trigger notes it, no key holds it. */
async function past(sql: string, values: unknown[] = []): Promise<number> {
  const client = await world.owner.pool.connect();
  try {
    await client.query('begin');
    await client.query('set local session_replication_role = replica');
    const { rowCount } = await client.query(sql, values);
    await client.query('commit');
    return rowCount ?? 0;
  } finally {
    client.release();
  }
}

describe('the chain', () => {
  test('of what the program wrote is whole, and each command adds one entry', async () => {
    const fleet = await inspected();
    const one = await checkFleet(world.db, fleet.id);
    expect(one.problems).toEqual([]);
    expect(one.rows).toBeGreaterThan(5);
    await world.done(`driver@${fleet.slug}`, 'report-nothing', { report: uuidv7(), unit: fleet.unit });
    const two = await checkFleet(world.db, fleet.id);
    expect([two.problems, two.entries]).toEqual([[], one.entries + 1]);
    expect(two.head?.hash).not.toBe(one.head?.hash);
  });

  test('stays whole when the rules change and everything is judged anew by a task', async () => {
    const fleet = await inspected();
    const { entries } = await checkFleet(world.db, fleet.id);
    const { rows } = await owner(`select id from person where fleet_id = $1 and sign_in = 'manager'`, [fleet.id]);
    await world.done(`manager@${fleet.slug}`, 'add-fleet-limit', {
      limit: uuidv7(),
      tightens: 'lining.drum',
      value: '3/8 in',
      reason: 'Ours',
    });
    await inFleet(world.db, fleet.id, (store) => judgeAllAgain(store, fleet.id, rows[0].id));
    await doJudgeAgain(
      { db: world.db, now: world.now },
      { fleet: fleet.id, person: rows[0].id },
      new AbortController().signal,
    );
    const after = await checkFleet(world.db, fleet.id);
    expect(after.problems).toEqual([]);
    expect(after.entries).toBeGreaterThan(entries + 1);
  });

  test.each<[string, (fleet: TestFleet & { inspection: string }) => Promise<unknown>, object]>([
    [
      'a reading changed',
      ({ id }) =>
        past(
          `update reading set value = jsonb_set(value, '{value}', '"1 1/2 in"') where fleet_id = $1 and key like 'stroke%'`,
          [id],
        ),
      { wrong: 'changed', what: 'row', which: expect.stringMatching(/^reading /) },
    ],
    [
      'a reading removed',
      ({ id }) => past('delete from reading where fleet_id = $1', [id]),
      { wrong: 'removed', what: 'row', which: expect.stringMatching(/^reading /) },
    ],
    [
      'a judgment put in past the triggers',
      ({ id, inspection }) =>
        past(
          `insert into judgement (fleet_id, id, inspection_id, unit_id, book, edition, verdict, complete, brakes, findings, judged_at)
           select fleet_id, gen_random_uuid(), inspection_id, unit_id, book, edition, 'within', complete, brakes, findings, judged_at
           from judgement where fleet_id = $1 and inspection_id = $2 limit 1`,
          [id, inspection],
        ),
      { wrong: 'inserted', what: 'row', which: expect.stringMatching(/^judgement /) },
    ],
    [
      'a row put in by hand, noted by the triggers and by no act',
      ({ id, unit }) =>
        owner(
          `insert into hold (fleet_id, id, unit_id, reason, placed_by, placed_at)
           select fleet_id, gen_random_uuid(), $2, 'x', id, now() from person where fleet_id = $1 limit 1`,
          [id, unit],
        ),
      { wrong: 'inserted', what: 'row', which: expect.stringMatching(/^hold /) },
    ],
    [
      'an event changed',
      ({ id }) =>
        past(`update event set person_id = gen_random_uuid() where fleet_id = $1 and type = 'close-inspection'`, [id]),
      { wrong: 'changed', what: 'event', which: expect.any(String) },
    ],
    [
      'an event removed',
      ({ id }) => past(`delete from event where fleet_id = $1 and type = 'close-inspection'`, [id]),
      { wrong: 'removed', what: 'event', which: expect.any(String) },
    ],
    [
      'an event put in',
      ({ id }) =>
        past(
          `insert into event (fleet_id, type, person_id, command_id, body, at)
           select fleet_id, 'report-nothing', person_id, gen_random_uuid(), '{}', at from event where fleet_id = $1 limit 1`,
          [id],
        ),
      { wrong: 'inserted', what: 'event', which: expect.any(String) },
    ],
    [
      'an entry removed',
      ({ id }) => past('delete from record_chain where fleet_id = $1 and nr = 3', [id]),
      { wrong: 'removed', what: 'entry', which: '3' },
    ],
    [
      'two entries swapped',
      async ({ id }) => {
        await past('update record_chain set nr = -nr where fleet_id = $1 and nr in (3, 4)', [id]);
        await past('update record_chain set nr = 7 + nr where fleet_id = $1 and nr < 0', [id]);
      },
      { wrong: 'reordered', what: 'entry', which: '3' },
    ],
    [
      'a sum made to fit a changed row',
      async ({ id }) => {
        await past(`update reading set key = 'x' where fleet_id = $1`, [id]);
        await past(
          `update record_row k set hash = za_hash(za_row_text('reading', to_jsonb(r))) from reading r
           where k.fleet_id = $1 and r.fleet_id = $1 and k.tab = 'reading' and k.row_key = r.id::text`,
          [id],
        );
      },
      { wrong: 'changed', what: 'entry', which: expect.any(String) },
    ],
  ])('shows %s', async (_, tamper, found) => {
    const fleet = await inspected();
    await tamper(fleet);
    expect((await wrong(fleet))[0]).toEqual(found);
  });

  test('tells a manager who asked what came of it', async () => {
    const fleet = await inspected();
    await world.done(`manager@${fleet.slug}`, 'check-records', { check: uuidv7() });
    await doCheckRecords({ db: world.db, now: world.now }, { fleet: fleet.id, check: '' });
    const { body } = await world.get(`manager@${fleet.slug}`, '/records');
    expect(body.checks).toEqual([expect.objectContaining({ problems: [], ended: expect.any(String) })]);
    expect(body.head.nr).toBe(body.checks[0].entries);
    expect((await world.get(`foreman@${fleet.slug}`, '/records')).status).toBe(403);
  });
});

describe('a unit’s history', () => {
  const historyOf = async (fleet: TestFleet): Promise<UnitHistory> => {
    const answer = await world.get(`foreman@${fleet.slug}`, `/units/${fleet.unit}/history.json`);
    return historySchema.parse(answer.body);
  };

  test('holds by itself, with every reading in it, and leads to the newest entry by few others', async () => {
    const fleet = await inspected();
    for (let n = 0; n < 20; n++)
      await world.done(`manager@${fleet.slug}`, 'save-bay', { bay: uuidv7(), name: `Bay ${n + 2}` });
    const history = await historyOf(fleet);
    expect(await wrongIn(history, sha256)).toEqual([]);
    const { rows } = await owner('select id from reading where fleet_id = $1', [fleet.id]);
    const told = history.entries.flatMap((entry) => entry.rows ?? []).filter((row) => row.text);
    for (const { id } of rows) expect(told.map(({ key }) => key)).toContain(id);
    const others = history.entries.filter(({ event, rows: its }) => event === undefined && its === undefined);
    expect(others.length).toBeLessThan(12);
    expect(history.head).toEqual({ nr: history.entries[0]?.nr, hash: history.entries[0]?.hash });
  });

  test('shows a word that was changed in it, a row, an event, an entry or the order of them', async () => {
    const history = await historyOf(await inspected());
    const changed = (change: (copy: UnitHistory) => void) => {
      const copy = structuredClone(history);
      change(copy);
      return wrongIn(copy, sha256);
    };
    const withRows = history.entries.findIndex((entry) => entry.rows?.some(({ text }) => text));
    const entry = (copy: UnitHistory) => {
      const found = copy.entries[withRows];
      if (!found?.rows?.[0]) throw new Error('no entry with rows');
      return { ...found, entry: found, row: found.rows[0] };
    };
    const kinds = async (change: (copy: UnitHistory) => void) => (await changed(change)).map((each) => each.wrong);
    expect(await kinds((copy) => void Object.assign(entry(copy).row, { text: `${entry(copy).row.text} ` }))).toEqual([
      'row',
    ]);
    expect(await kinds((copy) => void Object.assign(entry(copy).row, { hash: '0'.repeat(64) }))).toContain('rows');
    expect(await kinds((copy) => void Object.assign(entry(copy).entry, { event: '{}' }))).toContain('event');
    expect(await kinds((copy) => void Object.assign(entry(copy).entry, { what: 'see-held' }))).toContain('event');
    expect(await kinds((copy) => void Object.assign(entry(copy).entry, { facts: '0'.repeat(64) }))).toContain('entry');
    expect(await kinds((copy) => void copy.entries.splice(1, 1))).toContain('left-out');
    expect(await kinds((copy) => void copy.entries.splice(2, 3))).toContain('order');
    expect(await kinds((copy) => void Object.assign(copy.head, { hash: '0'.repeat(64) }))).toEqual(['head']);
  });

  test('that was taken stands in the security log', async () => {
    const fleet = await inspected();
    await historyOf(fleet);
    const { body } = await world.get(`manager@${fleet.slug}`, '/security-log');
    expect(body.entries[0]).toMatchObject({
      kind: 'exported',
      by: 'The foreman',
      what: 'history of T-1',
      from: '127.0.0.1',
    });
  });
});

describe('the security log', () => {
  const signIn = (name: string, password: string) =>
    world.app.inject({ method: 'POST', url: '/api/v1/session', payload: { name, password } });

  test('tells who came in, who was refused, and who changed what others may do', async () => {
    const { slug } = await world.makeFleet('security');
    await signIn('manager@security', PASSWORD);
    await signIn('manager@security', 'a wrong password');
    await signIn('nobody@security', 'a wrong password');
    await world.done('manager@security', 'invite-person', {
      person: uuidv7(),
      signIn: 'newcomer',
      form: { name: 'A Newcomer', role: 'driver' },
      code: 'ABCD-EFGH-JKMN',
    });
    const { body } = await world.get(`manager@${slug}`, '/security-log');
    expect(
      body.entries.map((each: { kind: string; by: string; what: string }) => [each.kind, each.by, each.what]),
    ).toEqual([
      ['did', 'The manager', 'invite-person'],
      ['sign-in-refused', null, 'nobody@security'],
      ['sign-in-refused', 'The manager', 'manager@security'],
      ['signed-in', 'The manager', 'manager@security'],
    ]);
    expect(JSON.stringify(body)).not.toContain('ABCD');
    const refused = await world.get(`manager@${slug}`, '/security-log?kind=sign-in-refused');
    expect(refused.body.entries).toHaveLength(2);
    expect((await world.get(`foreman@${slug}`, '/security-log')).status).toBe(403);
  });
});

describe('events', () => {
  test('are read by unit, person and kind, page after page, each with its entry', async () => {
    const fleet = await inspected();
    const who = `foreman@${fleet.slug}`;
    const of = async (query: string) =>
      (await world.get(who, `/events?${query}`)).body.events as { type: string; nr: number }[];
    const all = await of('');
    expect(all[0]?.nr).toBe(all.length);
    expect(new Set((await of('type=take-reading')).map(({ type }) => type))).toEqual(new Set(['take-reading']));
    expect(await of(`unit=${fleet.unit}`)).toHaveLength(all.length);
    expect(await of(`person=${uuidv7()}`)).toEqual([]);
    expect((await world.get(`technician@${fleet.slug}`, '/events')).status).toBe(403);
  });

  describe('told to a system of the fleet’s own', () => {
    let server: Server;
    let answers = 200;
    const heard: { body: string; signature: string; before: string | undefined }[] = [];
    beforeAll(async () => {
      server = createServer((request, response) => {
        let body = '';
        request.on('data', (piece) => {
          body += piece;
        });
        request.on('end', () => {
          heard.push({
            body,
            signature: String(request.headers[SIGNATURE]),
            before: request.headers[SIGNATURE_BEFORE] as string | undefined,
          });
          response.writeHead(answers).end();
        });
      });
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    });
    afterAll(() => new Promise((resolve) => server.close(resolve)));

    test('come signed and in order, once more where they were not taken, and by both secrets while one is turned over', async () => {
      const fleet = await world.makeFleet('hooks');
      const [who, hook] = [`manager@${fleet.slug}`, uuidv7()];
      const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/events`;
      const [one, two] = ['a'.repeat(43), 'b'.repeat(43)];
      const tell = () => tellHook({ db: world.db, now: world.now }, { fleet: fleet.id, hook });
      await world.done(who, 'set-hook', { hook, version: 0, url, secret: one });
      await tell();
      const types = (nth: number) =>
        JSON.parse(heard[nth]?.body ?? '{}').events.map((each: { type: string }) => each.type);
      expect(types(0)).toEqual(['set-hook']);
      expect(heard[0]?.body).not.toContain(one);
      expect(isSigned(one, heard[0]?.body ?? '', heard[0]?.signature ?? '', world.now())).toBe(true);

      answers = 503;
      await world.done(`driver@${fleet.slug}`, 'report-nothing', { report: uuidv7(), unit: fleet.unit });
      await tell();
      const problem = async () => (await world.get(who, '/records')).body.hooks[0].problem;
      expect(await problem()).toBe('it answered 503');
      answers = 204;
      await tell();
      expect([types(1), types(2), await problem()]).toEqual([['report-nothing'], ['report-nothing'], null]);

      await world.done(who, 'set-hook', { hook, version: 1, url, secret: two });
      await tell();
      const { body = '', signature = '', before = '' } = heard[3] ?? {};
      expect([isSigned(two, body, signature, world.now()), isSigned(one, body, before, world.now())]).toEqual([
        true,
        true,
      ]);
      await tell();
      await world.done(who, 'end-hook', { hook, version: 2 });
      await tell();
      expect(heard).toHaveLength(4);
    });
  });
});

describe('what is past its time', () => {
  const keeping = { inspections: 14, repairs: 12, reports: 3, photos: null, security: null };

  test('is shown, deleted as it was shown, and noted as gone by right', async () => {
    const fleet = await world.makeFleet('keeping');
    const who = `manager@${fleet.slug}`;
    const old = await inspectAll(world, fleet);
    await world.done(`driver@${fleet.slug}`, 'report-nothing', { report: uuidv7(), unit: fleet.unit });
    world.later(60 * 24 * 30 * 16);
    await inspectAll(world, fleet);
    const short = { ...keeping, inspections: 3 };
    expect((await world.send(who, 'set-keeping', { version: 1, keeping: short })).status).toBe(409);
    await world.done(who, 'set-keeping', { version: 1, keeping });
    // The clock of the tests is not the database’s.
    await owner(`alter table clean_report disable trigger all`);
    await owner(`update clean_report set recorded_at = '2026-03-02' where fleet_id = $1`, [fleet.id]);
    await owner(`alter table clean_report enable trigger all`);
    const shown = (await world.get(who, '/records')).body.past;
    expect(shown.map(({ kept, count: n }: { kept: string; count: number }) => [kept, n])).toEqual([
      ['inspections', 1],
      ['reports', 1],
    ]);

    await world.done(who, 'place-legal-hold', { hold: uuidv7(), unit: null, reason: 'A claim is open' });
    expect((await world.get(who, '/records')).body.past).toEqual([]);
    const statement = 'Past its time';
    expect((await world.send(who, 'delete-past', { shown, statement })).status).toBe(409);
    const [held] = (await world.get(who, '/records')).body.legalHolds;
    await world.done(who, 'lift-legal-hold', { hold: held.id, reason: 'Settled' });

    await world.done(who, 'delete-past', { shown, statement });
    expect((await owner('select 1 from inspection where id = $1', [old])).rowCount).toBe(0);
    expect((await owner('select 1 from reading where inspection_id = $1', [old])).rowCount).toBe(0);
    expect((await world.get(who, '/records')).body.past).toEqual([]);
    const problems = await wrong(fleet);
    expect(problems.filter(({ which }) => !which.startsWith('clean_report'))).toEqual([]);
    expect((await world.get(who, `/units/${fleet.unit}`)).status).toBe(200);
  });

  test('a repair is kept for its time, and for as long as anything rests on it or its unit left lately', async () => {
    const fleet = await world.makeFleet('repaired');
    const [foreman, technician, who] = ['foreman', 'technician', 'manager'].map((role) => `${role}@${fleet.slug}`) as [
      string,
      string,
      string,
    ];
    const [defect, job] = [uuidv7(), uuidv7()];
    const place = { axle: null, side: null, tyre: null };
    await world.done(foreman, 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: 'Dark' });
    await world.done(foreman, 'triage-defect', { defect, version: 1, holds: false });
    const about = { unit: fleet.unit, title: 'Lamp', defects: [{ defect, version: 2 }], minutes: 30, wheelsOff: false };
    await world.done(foreman, 'make-job', { job, ...about });
    await world.done(foreman, 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
    await world.done(technician, 'start-job', { job, version: 2 });
    await world.done(technician, 'finish-job', { job, version: 3, done: 'A new lamp' });
    await world.done(technician, 'certify-job', { job, version: 4, statement: 'Repaired' });
    await owner(`alter table certificate disable trigger all`);
    await owner(`update certificate set recorded_at = '2026-03-02' where fleet_id = $1`, [fleet.id]);
    await owner(`alter table certificate enable trigger all`);
    await world.done(who, 'set-keeping', { version: 1, keeping });
    const past = async () => {
      const { body } = await world.get(who, '/records');
      return body.past.filter(({ kept }: { kept: string }) => kept === 'repairs');
    };
    world.later(60 * 24 * 300);
    expect(await past()).toEqual([]);
    await world.done(foreman, 'set-unit-state', { unit: fleet.unit, version: 1, state: 'sold', reason: 'Sold' });
    world.later(60 * 24 * 150);
    expect(await past()).toEqual([]);
    world.later(60 * 24 * 50);
    expect(await past()).toMatchObject([{ count: 1 }]);
    const again = uuidv7();
    await owner(
      `insert into defect select (jsonb_populate_record(d, jsonb_build_object('id', $2::text, 'job_id', null, 'come_back_of', d.id))).*
       from defect d where d.fleet_id = $1 and d.id = $3`,
      [fleet.id, again, defect],
    );
    expect(await past()).toEqual([]);
    await owner('delete from defect where id = $1', [again]);

    const { body } = await world.get(who, '/records');
    await world.done(who, 'delete-past', { shown: body.past, statement: 'Past its time' });
    for (const table of ['job', 'defect']) {
      const { rowCount } = await owner(`select 1 from ${table} where fleet_id = $1`, [fleet.id]);
      expect(rowCount).toBe(0);
    }
    expect((await owner('select 1 from certificate where job_id = $1', [job])).rowCount).toBe(0);
    const problems = await wrong(fleet);
    expect(problems.filter(({ which }) => !which.startsWith('certificate'))).toEqual([]);
    expect((await world.get(who, `/units/${fleet.unit}`)).status).toBe(200);
  });

  test('a person who left loses their name, and their acts stay', async () => {
    const fleet = await inspected();
    const who = `manager@${fleet.slug}`;
    const { rows } = await owner(`select id from person where fleet_id = $1 and sign_in = 'technician'`, [fleet.id]);
    const person = rows[0].id;
    expect((await world.send(who, 'forget-person', { person, version: 1 })).status).toBe(409);
    await world.done(who, 'set-person-left', { person, version: 1, left: true });
    await world.done(who, 'forget-person', { person, version: 2 });
    const { body } = await world.get(who, `/inspections/${fleet.inspection}`);
    expect(JSON.stringify(body)).not.toContain('The technician');
    expect(JSON.stringify(body)).toContain('Former technician');
    expect(await wrong(fleet)).toEqual([]);
  });
});
