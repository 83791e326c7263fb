import type { UnitForm } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { BECAUSE, TINY_JPEG } from '../testing/sample-bodies';
import { AXLE, FORM, openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`units${uuidv7().slice(-6)}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const page = async (id = fleet.unit) => (await world.get(who('driver'), `/units/${id}`)).body;
const yard = async () =>
  (await world.get(who('driver'), '/units')).body.units.map((each: { number: string }) => each.number);
const formOf = async (change: Partial<UnitForm> = {}): Promise<UnitForm> => {
  const { number, body, kind, site, axles, features } = await page();
  return { number, body, kind, site, axles, features, ...change };
};

test('a unit is set up, and stands in the yard at once', async () => {
  const id = uuidv7();
  await world.done(who('foreman'), 'add-unit', {
    unit: id,
    form: { ...FORM, features: { abs: true, yearBuilt: 2019 } },
  });
  expect(await yard()).toEqual(['T-1', 'T-9']);
  expect(await page(id)).toMatchObject({ number: 'T-9', state: 'in-use', version: 1, features: { abs: true } });
  const again = await world.send(who('foreman'), 'add-unit', { unit: uuidv7(), form: FORM });
  expect(again).toMatchObject({ status: 400, body: { errors: [{ message: 'Unit T-9 already exists.' }] } });
});

test('a wrong chamber corrected: what stands is judged again, and the old judgment is kept', async () => {
  const stroke = {
    kind: 'stroke-applied' as const,
    axle: 1,
    side: 'left' as const,
    value: '2 1/4 in',
    reservoir: '95 psi',
  };
  const inspection = await inspectAll(world, fleet, [stroke]);
  const standing = async () =>
    (await page()).standing.find(({ key }: { key: string }) => key === 'stroke-applied@1L').verdict;
  expect(await standing()).toBe('violation');
  const long = (await formOf()).axles.map((axle) => ({
    ...axle,
    chamber: { type: 'clamp' as const, size: '30', stroke: 'long' as const },
  }));
  await world.done(who('technician'), 'set-unit', {
    unit: fleet.unit,
    version: 1,
    form: await formOf({ axles: long }),
    because: BECAUSE,
  });
  expect(await standing()).toBe('within');
  expect((await page()).inspections[0].verdict).toBe('within');
  const { rows } = await world.owner.pool.query(
    'select verdict from judgement where inspection_id = $1 order by judged_at, id',
    [inspection],
  );
  expect(rows.map(({ verdict }) => verdict)).toEqual(['out-of-service', 'within']);
});

test('a chamber corrected to the smaller one holds what it condemns', async () => {
  const stroke = {
    kind: 'stroke-applied' as const,
    axle: 1,
    side: 'left' as const,
    value: '1 15/16 in',
    reservoir: '95 psi',
  };
  await inspectAll(world, fleet, [stroke]);
  expect((await page()).holds).toEqual([]);
  const small = (await formOf()).axles.map((axle) => ({
    ...axle,
    chamber: { type: 'clamp' as const, size: '24', stroke: 'standard' as const },
  }));
  await world.done(who('technician'), 'set-unit', {
    unit: fleet.unit,
    version: 1,
    form: await formOf({ axles: small }),
    because: BECAUSE,
  });
  expect((await page()).holds).toHaveLength(1);
  expect((await page()).defects).toMatchObject([{ code: 'stroke-applied', holds: true }]);
});

test('two who correct at once: the second is told what the first made of it', async () => {
  await world.done(who('technician'), 'set-unit', {
    unit: fleet.unit,
    version: 1,
    form: await formOf({ number: 'T-2' }),
  });
  const late = await world.send(who('foreman'), 'set-unit', { unit: fleet.unit, version: 1, form: await formOf() });
  expect(late).toMatchObject({ status: 409, body: { current: { number: 'T-2', version: 2 } } });
});

test('an axle with readings cannot be taken away', async () => {
  await inspectAll(world, fleet);
  const form = await formOf();
  const less = await world.send(who('foreman'), 'set-unit', {
    unit: fleet.unit,
    version: 1,
    form: { ...form, axles: form.axles.slice(0, 1) },
    because: BECAUSE,
  });
  expect(less).toMatchObject({
    status: 400,
    body: { errors: [{ message: expect.stringContaining('Axle 2 has readings') }] },
  });
});

test('a sold unit leaves the yard, is not inspected, keeps its records, and may come back', async () => {
  await inspectAll(world, fleet);
  await world.done(who('foreman'), 'set-unit-state', {
    unit: fleet.unit,
    version: 1,
    state: 'sold',
    reason: 'Sold north',
  });
  expect(await yard()).toEqual([]);
  expect((await page()).inspections).toHaveLength(1);
  const begun = { inspection: uuidv7(), unit: fleet.unit, purpose: 'walk' as const };
  expect(await world.send(who('technician'), 'start-inspection', begun)).toMatchObject({
    status: 409,
    body: { detail: 'T-1 is sold. Put it back in use first.' },
  });
  await world.done(who('foreman'), 'set-unit-state', { unit: fleet.unit, version: 2, state: 'in-use', reason: 'Back' });
  expect(await yard()).toEqual(['T-1']);
});

const LINE = (number: string) =>
  `${number},semitrailer,Hopper,North,abs,"s-cam; clamp 30; automatic; dual; oil | same"\n`;
const HEAD = 'number,kind,body,site,fitted,axles\n';

test('fifty units come from a file, three bad lines are told, and nothing is stored while a line is bad', async () => {
  const numbers = Array.from({ length: 50 }, (_, index) => `F-${index + 1}`);
  const bad = `F-1,semitrailer,,,,s-cam; dual; oil\nT-1,dolly,,,,s-cam; dual; oil\nF-99,boat,,,,s-cam; dual; oil\n`;
  const csv = HEAD + numbers.map(LINE).join('') + bad;
  const preview = await world.post(who('foreman'), '/units.csv/preview', { csv });
  expect(preview.json()).toMatchObject({
    lines: 53,
    good: 50,
    bad: [
      { line: 52, message: 'F-1 is in this file twice.' },
      { line: 53, message: 'Unit T-1 already exists.' },
      { line: 54, message: expect.stringContaining('kind:') },
    ],
  });
  expect((await world.send(who('foreman'), 'import-units', { csv, goodLinesOnly: false })).status).toBe(400);
  expect(await yard()).toEqual(['T-1']);
  await world.done(who('foreman'), 'import-units', { csv, goodLinesOnly: true });
  const total = await world.get(who('driver'), '/units/total');
  expect(total.body.units).toBe(51);
});

test('what goes out comes in again as it was', async () => {
  await world.done(who('foreman'), 'import-units', { csv: HEAD + LINE('F-1'), goodLinesOnly: false });
  const out = (await world.raw(who('foreman'), '/units.csv')).body;
  const other = await world.makeFleet(`twin${uuidv7().slice(-6)}`);
  const csv = out
    .split('\r\n')
    .filter((line) => !line.startsWith('T-1'))
    .join('\r\n');
  const fresh = await world.post(`foreman@${other.slug}`, '/units.csv/preview', { csv });
  expect(fresh.json()).toMatchObject({ good: 1, bad: [], units: [{ number: 'F-1', kind: 'semitrailer', axles: 2 }] });
});

test('papers: a sticker’s month as it is printed and meant, a last day, and an interval by the unit’s age', async () => {
  const unit = fleet.unit;
  const papers = async () => (await page()).papers;
  const paper = () => uuidv7();
  await world.done(who('technician'), 'record-sticker', {
    paper: paper(),
    unit,
    month: '12/2026',
    means: 'expiry-month',
  });
  expect(await papers()).toEqual([{ paper: 'Periodic inspection', on: '2026-12-31' }]);
  await world.done(who('technician'), 'record-sticker', { paper: paper(), unit, month: '2026-03' });
  expect(await papers()).toEqual([{ paper: 'Periodic inspection', on: '2027-03-31' }]);
  await world.done(who('foreman'), 'record-paper', {
    paper: paper(),
    unit,
    name: 'Insurance',
    good: { until: '2026-05-01' },
  });
  const safety = (weeks: number) =>
    world.send(who('foreman'), 'record-paper', {
      paper: paper(),
      unit,
      name: 'Safety inspection',
      good: { done: '2026-03-02', weeks },
    });
  expect((await safety(14)).body.errors[0].message).toBe('Repeats after 6 to 13 weeks.');
  expect((await safety(13)).status).toBe(200);
  expect(await papers()).toContainEqual({ paper: 'Safety inspection', on: '2026-06-01' });
  await world.done(who('foreman'), 'set-unit', {
    unit,
    version: 1,
    form: await formOf({ features: { yearBuilt: 2014 } }),
    because: BECAUSE,
  });
  expect((await safety(13)).body.errors[0].message).toBe('Repeats after 6 weeks.');
  expect((await safety(6)).status).toBe(200);
  await world.done(who('foreman'), 'record-paper', { paper: paper(), unit, name: 'Insurance', good: null });
  expect((await papers()).map((each: { paper: string }) => each.paper)).not.toContain('Insurance');
});

describe('what was dismissed stays dismissed', () => {
  const worn = { kind: 'lining' as const, axle: 2, side: 'right' as const, points: ['1/8 in'] };
  const judgements = async () =>
    (await world.owner.pool.query('select count(*)::int as n from judgement where fleet_id = $1', [fleet.id])).rows[0]
      .n;

  test('where nothing fitted is changed, nothing is judged again', async () => {
    await inspectAll(world, fleet, [worn]);
    const before = await judgements();
    await world.done(who('foreman'), 'set-unit', {
      unit: fleet.unit,
      version: 1,
      form: await formOf({ site: 'Wharf' }),
    });
    expect(await judgements()).toBe(before);
  });

  test('a correction reports and holds what it newly condemns, and nothing it condemned before', async () => {
    const stroke = {
      kind: 'stroke-applied' as const,
      axle: 1,
      side: 'left' as const,
      value: '1 15/16 in',
      reservoir: '95 psi',
    };
    await inspectAll(world, fleet, [worn, stroke]);
    await world.owner.pool.query("update defect set state = 'dismissed', holds = false where fleet_id = $1", [
      fleet.id,
    ]);
    await world.owner.pool.query(
      `insert into release (fleet_id, id, unit_id, statement, signed_by, signed_at)
       select fleet_id, id, unit_id, 'seen', placed_by, placed_at from hold where fleet_id = $1`,
      [fleet.id],
    );
    await world.owner.pool.query(
      'insert into hold_released (fleet_id, hold_id, release_id) select fleet_id, id, id from hold where fleet_id = $1',
      [fleet.id],
    );
    const chamber = (size: string) =>
      world.done(who('technician'), 'correct-ends', {
        change: uuidv7(),
        unit: fleet.unit,
        ends: [
          { axle: 1, side: 'left' },
          { axle: 1, side: 'right' },
        ],
        facts: { chamber: { type: 'clamp', size, stroke: 'standard' } },
        because: BECAUSE,
      });
    await chamber('36');
    expect(await page()).toMatchObject({ holds: [], defects: [] });
    await chamber('24');
    expect((await page()).defects).toMatchObject([{ code: 'stroke-applied', axle: 1, side: 'left' }]);
    expect((await page()).holds).toHaveLength(1);
  });
});

test('what it is judged by is changed with a reason, and the change stands on unit, sheet and job for who certifies', async () => {
  const stroke = { kind: 'stroke-applied', axle: 1, side: 'left', value: '2 1/4 in', reservoir: '95 psi' } as const;
  await inspectAll(world, fleet, [stroke]);
  const held = await page();
  expect(held).toMatchObject({ defects: [{ code: 'stroke-applied' }], changedSinceHeld: [] });
  const job = uuidv7();
  await world.done(who('foreman'), 'make-job', {
    job,
    unit: fleet.unit,
    title: 'Stroke',
    defects: [{ defect: held.defects[0].id, version: held.defects[0].version }],
    minutes: 30,
    wheelsOff: false,
  });
  const form = await formOf();
  const long = { ...AXLE, chamber: { type: 'clamp', size: '30', stroke: 'long' } } as const;
  const axles = [long, ...form.axles.slice(1)];
  const silent = await world.send(who('technician'), 'set-unit', {
    unit: fleet.unit,
    version: 1,
    form: { ...form, axles },
  });
  expect(silent).toMatchObject({ status: 400, body: { errors: [{ path: 'body.because' }] } });
  const change = uuidv7();
  await world.done(who('technician'), 'correct-ends', {
    change,
    unit: fleet.unit,
    ends: [{ axle: 1, side: 'left' }],
    facts: { chamber: { type: 'clamp', size: '30', stroke: 'long' } },
    because: BECAUSE,
  });
  const photo = uuidv7();
  const picture = {
    photo,
    unit: fleet.unit,
    inspection: null,
    defect: null,
    key: `change:${change}`,
    width: 2,
    height: 2,
    jpeg: TINY_JPEG,
  };
  await world.done(who('technician'), 'attach-photo', picture);
  const kept = {
    id: change,
    by: 'The technician',
    seen: 'ring-figure',
    reason: BECAUSE.reason,
    facts: [{ fact: 'chamber', axle: 1, side: 'left', from: '30 clamp chamber', to: '30 long stroke clamp chamber' }],
    photos: [photo],
  };
  const now = await page();
  expect(now.acts).toEqual([expect.objectContaining({ act: 'change', ...kept })]);
  expect(now.changedSinceHeld).toEqual(now.holds.length ? [expect.objectContaining(kept)] : []);
  expect((await world.get(who('foreman'), `/inspections/${now.inspections[0].id}`)).body.unitChanges).toMatchObject([
    kept,
  ]);
  expect((await world.get(who('foreman'), `/jobs/${job}`)).body.unitChanges).toMatchObject([kept]);
});

test('walks signed and facts changed are asked for page by page, none twice and none left out', async () => {
  for (let nth = 0; nth < 7; nth++) {
    await world.done(who('driver'), 'report-nothing', { report: uuidv7(), unit: fleet.unit });
    await world.done(who('technician'), 'set-fitted', {
      unit: fleet.unit,
      key: `check:spring@${(nth % 2) + 1}L`,
      fitted: nth > 1,
    });
  }
  const ids: string[] = [];
  let { acts, actsNext: next } = await page();
  for (;;) {
    ids.push(...acts.map(({ id }: { id: string }) => id));
    if (!next) break;
    ({ acts, next } = (await world.get(who('driver'), `/units/${fleet.unit}/acts?before=${next}`)).body);
  }
  expect(ids).toHaveLength(11);
  expect(new Set(ids).size).toBe(11);
});
