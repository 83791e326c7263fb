import type { Reading } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { goodReading, inspectAll } from '../testing/measure';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
const who = (role: string) => `${role}@${fleet.slug}`;
const page = async () => (await world.get(who('manager'), `/units/${fleet.unit}`)).body;
const rows = async (table: string) =>
  (await world.owner.pool.query(`select count(*)::int as n from ${table} where fleet_id = $1`, [fleet.id])).rows[0].n;

beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`fleet${count++}`);
});
afterAll(() => world.close());

const longStroke = { kind: 'stroke-applied', axle: 1, side: 'left', value: '2 1/4 in', reservoir: '95 psi' } as const;

describe('a command', () => {
  const report = () => ({
    defect: uuidv7(),
    unit: fleet.unit,
    code: 'lamp-out',
    place: { axle: null, side: null, tyre: null },
    words: 'dark',
  });

  test('sent twice is done once and answers the same', async () => {
    const [id, body] = [uuidv7(), report()];
    const first = await world.send(who('driver'), 'report-defect', body, id);
    const again = await world.send(who('driver'), 'report-defect', body, id);
    expect(again).toEqual(first);
    expect(first.status).toBe(200);
    expect([await rows('defect'), await rows('event'), await rows('command')]).toEqual([1, 1, 1]);
  });

  test('sent many times at once is done once', async () => {
    const [id, body] = [uuidv7(), report()];
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => world.send(who('driver'), 'report-defect', body, id)),
    );
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    expect(await rows('defect')).toBe(1);
  });

  test('sent again while it is still being done is answered “later”, never “broken”', async () => {
    const [id, body] = [uuidv7(), report()];
    const holds = await world.owner.pool.connect();
    try {
      await holds.query('begin');
      await holds.query('select pg_advisory_xact_lock(hashtextextended($1, 1))', [id]);
      expect((await world.send(who('driver'), 'report-defect', body, id)).status).toBe(503);
    } finally {
      await holds.query('rollback');
      holds.release();
    }
    expect((await world.send(who('driver'), 'report-defect', body, id)).status).toBe(200);
  }, 60_000);

  test('with the same id and another body is refused', async () => {
    const id = uuidv7();
    await world.send(who('driver'), 'report-defect', report(), id);
    const other = await world.send(who('driver'), 'report-defect', report(), id);
    expect(other).toMatchObject({ status: 409, body: { type: 'urn:zealous-axle:problem:command-reused' } });
  });

  test('that fails leaves nothing behind, and may be sent again', async () => {
    const id = uuidv7();
    const bad = await world.send(who('driver'), 'report-defect', { ...report(), unit: uuidv7() }, id);
    expect(bad.status).toBe(404);
    expect([await rows('defect'), await rows('event'), await rows('command')]).toEqual([0, 0, 0]);
    expect((await world.send(who('driver'), 'report-defect', report(), id)).status).toBe(200);
  });

  test.each([
    ['an unknown key', { extra: 1 }, 'body.extra'],
    ['an unknown code', { code: 'nonsense' }, 'body.code'],
    [
      'an axle that is not there',
      { code: 'chamber-leak', place: { axle: 9, side: 'left', tyre: null } },
      'body.place.axle',
    ],
    ['a wheel defect without its place', { code: 'chamber-leak' }, 'body.place'],
    ['something else without words', { code: 'other', words: '' }, 'body.words'],
  ])('%s is refused with its path', async (_, change, path) => {
    const answer = await world.send(who('driver'), 'report-defect', { ...report(), ...change } as never);
    expect(answer.status).toBe(400);
    expect(answer.body.errors.map((each: { path: string }) => each.path)).toContain(path);
  });
});

describe('two people on one thing', () => {
  test('the second gets a 409 with the newer version', async () => {
    const defect = uuidv7();
    const place = { axle: null, side: null, tyre: null };
    await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: '' });
    const answers = await Promise.all([
      world.send(who('foreman'), 'triage-defect', { defect, version: 1, holds: true }),
      world.send(who('manager'), 'dismiss-defect', { defect, version: 1, reason: 'cleaned' }),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const late = answers.find(({ status }) => status === 409);
    expect(late?.body).toMatchObject({ type: 'urn:zealous-axle:problem:changed', current: { id: defect, version: 2 } });
  });
});

describe('an inspection', () => {
  test('is judged, reported and held when it closes', async () => {
    const inspection = await inspectAll(world, fleet, [longStroke]);
    const unit = await page();
    expect(unit.holds).toHaveLength(1);
    expect(unit.defects).toMatchObject([
      { code: 'stroke-applied', axle: 1, side: 'left', state: 'reported', holds: true },
    ]);
    expect(unit.inspections[0]).toMatchObject({ id: inspection, outcome: 'complete', verdict: 'out-of-service' });
    const sheet = (await world.get(who('technician'), `/inspections/${inspection}`)).body;
    expect(sheet.judgement).toMatchObject({
      book: { id: 'na' },
      verdict: 'out-of-service',
      complete: true,
      brakes: { total: 4, full: 1, defective: 1, outOfServiceAt: 1, outOfService: true },
    });
    expect(sheet.judgement.findings[0]).toMatchObject({ kind: 'stroke-applied', margin: '-1/4 in', share: 1 });
  });

  test('within every limit holds nothing', async () => {
    await inspectAll(world, fleet);
    const unit = await page();
    expect(unit).toMatchObject({ holds: [], defects: [] });
    expect(unit.inspections[0].verdict).toBe('within');
    expect(unit.standing).toHaveLength(16);
  });

  test('a report by a driver has the fate an inspection gives the same sign', async () => {
    const place = { axle: 2, side: 'right', tyre: null } as const;
    const report = (code: string) =>
      world.done(who('driver'), 'report-defect', { defect: uuidv7(), unit: fleet.unit, code, place, words: '' });
    await report('drum-blue');
    expect(await page()).toMatchObject({ holds: [], defects: [{ holds: false }] });
    await report('chamber-leak');
    const unit = await page();
    expect(unit.holds).toMatchObject([{ reason: '2R: Air leak heard at the chamber' }]);
    expect(unit.defects).toMatchObject([{ code: 'chamber-leak', holds: true }, { code: 'drum-blue' }]);
  });

  test('takes a known defect into its judgment', async () => {
    const place = { axle: 2, side: 'right', tyre: null } as const;
    await world.done(who('driver'), 'report-defect', {
      defect: uuidv7(),
      unit: fleet.unit,
      code: 'chamber-leak',
      place,
      words: '',
    });
    await inspectAll(world, fleet);
    expect((await page()).inspections[0].verdict).toBe('out-of-service');
  });

  test('cannot be closed silently incomplete', async () => {
    const inspection = uuidv7();
    await world.done(who('technician'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
    const value = goodReading({ kind: 'lining', axle: 1, side: 'left', tyre: null });
    await world.done(who('technician'), 'take-reading', { reading: uuidv7(), inspection, value });
    const complete = await world.send(who('technician'), 'close-inspection', { inspection, outcome: 'complete' });
    expect(complete).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining('15 readings are missing') },
    });
    expect(
      (await world.send(who('technician'), 'close-inspection', { inspection, outcome: 'incomplete' })).status,
    ).toBe(400);
    await world.done(who('technician'), 'close-inspection', { inspection, outcome: 'incomplete', because: 'rain' });
    expect((await page()).inspections[0]).toMatchObject({
      outcome: 'incomplete',
      because: 'rain',
      verdict: 'not-judged',
    });
  });

  test('keeps what was superseded, and judges again', async () => {
    const inspection = await inspectAll(world, fleet, [longStroke]);
    const sheet = async () => (await world.get(who('technician'), `/inspections/${inspection}`)).body;
    const wrong = (await sheet()).readings.find(
      (each: { value: { value?: string } }) => each.value.value === '2 1/4 in',
    );
    const fresh = { reading: uuidv7(), inspection, value: { ...longStroke, value: '1 3/4 in' } };
    expect((await world.send(who('technician'), 'take-reading', fresh)).status).toBe(409);
    await world.done(who('technician'), 'take-reading', { ...fresh, supersedes: wrong.id });
    const after = await sheet();
    expect(after.readings).toHaveLength(17);
    expect(after.readings.find((each: { id: string }) => each.id === wrong.id).supersededBy).toBe(fresh.reading);
    expect(after.judgement.verdict).not.toBe('out-of-service');
    expect(await rows('judgement')).toBe(2);
    const twice = { ...fresh, reading: uuidv7(), supersedes: wrong.id };
    expect((await world.send(who('technician'), 'take-reading', twice)).status).toBe(409);
  });

  test('a reading at a place that is not there is refused', async () => {
    const inspection = uuidv7();
    await world.done(who('technician'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
    const value = {
      ...goodReading({ kind: 'tread', axle: 1, side: 'left', tyre: 'single' }),
      tyre: 'outer',
    } as Reading;
    expect(await world.send(who('technician'), 'take-reading', { reading: uuidv7(), inspection, value })).toMatchObject(
      {
        status: 400,
        body: { errors: [{ path: 'body.value.tyre' }] },
      },
    );
  });
});

describe('the round trip', () => {
  test('from a failing stroke to the acknowledged, released trailer', async () => {
    await inspectAll(world, fleet, [longStroke]);
    const [defect] = (await page()).defects;
    const [technician, foreman] = [who('technician'), who('foreman')];
    const job = uuidv7();
    const release = () => ({ release: uuidv7(), unit: fleet.unit, statement: 'Repaired' });

    expect((await world.send(technician, 'release-trailer', release())).body.detail).toMatch(
      '1L: Applied stroke past its limit',
    );
    await world.done(foreman, 'triage-defect', { defect: defect.id, version: 1, holds: true });
    const defects = [{ defect: defect.id, version: 2 }];
    await world.done(foreman, 'make-job', {
      job,
      unit: fleet.unit,
      title: 'Slack 1L',
      defects,
      minutes: 60,
      wheelsOff: true,
    });
    expect((await world.send(technician, 'start-job', { job, version: 1 })).status).toBe(409);
    await world.done(foreman, 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
    await world.done(technician, 'start-job', { job, version: 2 });
    const done = { job, version: 3, done: 'New clevis pin' };
    expect((await world.send(technician, 'finish-job', done)).body.detail).toMatch('torque');
    await world.done(technician, 'finish-job', { ...done, torque: { value: '475 lb-ft', tool: 'Wrench 4' } });
    const certify = { job, version: 4, statement: 'Repaired and measured' };
    expect((await world.send(technician, 'certify-job', certify)).body.detail).toMatch('1L was not measured again');

    const inspection = uuidv7();
    await world.done(technician, 'start-inspection', { inspection, unit: fleet.unit, purpose: 're-measure', job });
    await world.done(technician, 'take-reading', {
      reading: uuidv7(),
      inspection,
      value: { ...longStroke, value: '1 3/4 in' },
    });
    await world.done(technician, 'close-inspection', { inspection, outcome: 'complete' });
    await world.done(technician, 'certify-job', certify);
    await world.done(technician, 'release-trailer', release());
    expect((await page()).holds).toEqual([]);

    const [certified] = (await page()).defects;
    expect(certified).toMatchObject({ state: 'certified', certified: { by: 'The technician' } });
    await world.done(who('driver'), 'acknowledge-repair', { defect: certified.id, version: certified.version });
    const yard = (await world.get(who('driver'), '/units')).body.units[0];
    expect(yard).toMatchObject({ held: false, openDefects: 0, toAcknowledge: 0 });
  });

  test('a canceled job gives its defects back', async () => {
    const defect = uuidv7();
    const job = uuidv7();
    const place = { axle: null, side: null, tyre: null };
    await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'door', place, words: '' });
    const defects = [{ defect, version: 1 }];
    await world.done(who('foreman'), 'make-job', {
      job,
      unit: fleet.unit,
      title: 'Door',
      defects,
      minutes: 30,
      wheelsOff: false,
    });
    await world.done(who('foreman'), 'cancel-job', { job, version: 1, reason: 'parts' });
    expect((await page()).defects[0]).toMatchObject({ state: 'triaged', job: null, version: 3 });
  });
});

test('a change is told to those who listen, and to no other fleet', async () => {
  const other = await world.makeFleet(`other${count}`);
  const heard: string[] = [];
  const told = new Promise<void>((resolve) => {
    world.live.subscribe(fleet.id, ({ type }) => {
      heard.push(type);
      resolve();
    });
  });
  const overheard: string[] = [];
  world.live.subscribe(other.id, ({ type }) => overheard.push(type));
  await world.done(who('foreman'), 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'looks wrong' });
  await told;
  expect([heard, overheard]).toEqual([['hold-trailer'], []]);
});
