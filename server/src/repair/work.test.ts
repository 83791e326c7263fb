import { type CommandBody, type CommandName, type JobPage, METRIC_UNITS } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const left = { axle: 1, side: 'left' } as const;

/** A started job: a hub seal at one end, with what is in stock. */
async function begin(stock = 3, template = 'hub-seal') {
  const fleet = await world.makeFleet(`work-${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const send = <N extends CommandName>(role: string, name: N, body: CommandBody<N>) =>
    world.send(who(role), name, body);
  const done = <N extends CommandName>(role: string, name: N, body: CommandBody<N>) =>
    world.done(who(role), name, body);
  for (const part of ['hub-seal', 'hub-oil', 'hub-gasket', 'tyre', 'valve'])
    await done('foreman', 'add-part', { part, form: { name: part, price: 100, leadDays: 4 }, stock });
  const [defect, job] = [uuidv7(), uuidv7()];
  const place = { ...left, tyre: null };
  await done('driver', 'report-defect', { defect, unit: fleet.unit, code: 'hub-leak', place, words: '' });
  await done('foreman', 'make-job', {
    job,
    unit: fleet.unit,
    title: 'Seal',
    defects: [{ defect, version: 1 }],
    minutes: 95,
    wheelsOff: true,
    work: [{ template, ends: [left] }],
  });
  await done('foreman', 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
  await done('technician', 'start-job', { job, version: 2 });
  const page = async (): Promise<JobPage> => (await world.get(who('foreman'), `/jobs/${job}`)).body;
  const finish = (more: object = {}) =>
    send('technician', 'finish-job', { job, version: 3, done: 'Seal changed', ...more });
  const tickAll = async () => {
    for (const { key } of (await page()).work.steps)
      await done('technician', 'tick-step', { job, step: key, done: true });
  };
  const takeAll = async () => {
    for (const { part, needed } of (await page()).parts)
      await done('technician', 'take-part', { job, use: uuidv7(), part, count: needed });
  };
  const torque = (stage: 'snug' | 'full', side: 'left' | 'right' = 'left', calibrated: string | null = null) =>
    send('technician', 'torque-wheel', {
      job,
      check: uuidv7(),
      axle: 1,
      side,
      holes: 10,
      stage,
      value: '475 lb-ft',
      tool: 'wrench 4',
      calibrated,
    });
  const qualify = (until: string | null) =>
    world.owner.pool.query(`update person set work = $1 where fleet_id = $2 and role = 'technician'`, [
      JSON.stringify({ skills: [], shifts: [], qualifications: [{ name: 'Brake inspector', until }] }),
      fleet.id,
    ]);
  return { fleet, who, send, done, job, defect, page, finish, tickAll, takeAll, torque, qualify };
}

test('a job has the steps, parts and wheels of its template, and no end before each is done', async () => {
  const { page, finish, tickAll, takeAll, torque } = await begin();
  const { work, parts } = await page();
  expect([work.wheels, parts.map(({ part, needed }) => [part, needed])]).toEqual([
    [left],
    [
      ['hub-seal', 1],
      ['hub-oil', 1],
      ['hub-gasket', 1],
    ],
  ]);
  const lacks = async () => (await finish()).body.detail;
  expect(await lacks()).toContain('every step ticked, every part taken and the torque');
  await tickAll();
  expect(await lacks()).toContain('every part taken and the torque');
  await takeAll();
  expect(await lacks()).toBe('To finish a job, still needed: the torque and its tool.');
  expect((await torque('full')).body.detail).toContain('First snug every nut');
  await torque('snug');
  expect((await torque('snug', 'right')).body.detail).toContain('does not come off');
  await torque('full');
  expect((await finish()).status).toBe(200);
  expect((await page()).retorque).toMatchObject({ done: null });
});

test('two people tick at once and lose nothing; the last word at a step counts', async () => {
  const { page, send, job } = await begin();
  const { steps } = (await page()).work;
  await Promise.all(
    steps.flatMap(({ key }) => [
      send('technician', 'tick-step', { job, step: key, done: true }),
      send('foreman', 'tick-step', { job, step: key, done: true }),
    ]),
  );
  expect((await page()).ticks.filter(({ done }) => done)).toHaveLength(steps.length);
  await send('technician', 'tick-step', { job, step: steps[0]?.key ?? '', done: false });
  expect((await page()).ticks.filter(({ done }) => done)).toHaveLength(steps.length - 1);
  expect((await send('technician', 'tick-step', { job, step: 'no such', done: true })).status).toBe(409);
});

test('stock is taken once, never below nothing, and what is missing says how long it takes', async () => {
  const { page, send, job } = await begin(1);
  const take = () => send('technician', 'take-part', { job, use: uuidv7(), part: 'hub-seal', count: 1 });
  const answers = await Promise.all([take(), take(), take()]);
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  expect(answers.find(({ status }) => status === 409)?.body.detail).toBe(
    'hub-seal: 0 in stock. If ordered today, here in 4 days.',
  );
  expect((await page()).parts.find(({ part }) => part === 'hub-seal')).toMatchObject({ taken: 1, stock: 0 });
});

test('a part that was not needed is left out with a reason', async () => {
  const { page, finish, tickAll, torque } = await begin(0);
  await tickAll();
  await torque('snug');
  await torque('full');
  const without = ['hub-seal', 'hub-oil', 'hub-gasket'].map((part) => ({ part, reason: 'carried along' }));
  expect((await finish({ without: without.slice(1) })).status).toBe(409);
  expect((await finish({ without })).status).toBe(200);
  expect((await page()).parts.map((each) => each.without)).toEqual(['carried along', 'carried along', 'carried along']);
});

test('one clock runs for a person; a second job stops it, and one left on is put right', async () => {
  const one = await begin();
  const [first, second] = [uuidv7(), uuidv7()];
  await one.done('technician', 'clock-on', { job: one.job, time: first });
  world.later(30);
  await one.done('technician', 'clock-on', { job: one.job, time: second });
  const minutes = ({ from, to }: JobPage['times'][number]) =>
    to ? (new Date(to).getTime() - new Date(from).getTime()) / 60_000 : null;
  const [before, now] = (await one.page()).times;
  expect([before?.because, now?.because]).toEqual(['another job', null]);
  expect(before && minutes(before)).toBeGreaterThanOrEqual(30);
  world.later(14 * 60);
  expect(
    (await one.send('foreman', 'clock-off', { job: one.job, time: second, because: 'pause' })).body.detail,
  ).toContain('your own clock');
  await one.done('technician', 'clock-off', { job: one.job, time: second, because: 'end of shift', minutes: 45 });
  expect((await one.page()).times.map(minutes).at(-1)).toBe(45);
});

test('a tool whose calibration is over sets no torque', async () => {
  const { torque } = await begin();
  expect((await torque('snug', 'left', '2020-01-01')).body.detail).toContain('calibration of this tool expired');
  expect((await torque('snug', 'left', '2099-01-01')).status).toBe(200);
});

describe('a signature', () => {
  async function toSign() {
    const at = await begin();
    await at.tickAll();
    await at.takeAll();
    await at.torque('snug');
    await at.torque('full');
    await at.finish();
    const inspection = uuidv7();
    await at.done('technician', 'start-inspection', {
      inspection,
      unit: at.fleet.unit,
      purpose: 're-measure',
      job: at.job,
    });
    for (const value of [
      { kind: 'hub-oil', ...left, level: 'between', condition: 'clear', leak: 'none' } as const,
      { kind: 'end-play', ...left, value: '0.003 in' } as const,
    ])
      await at.done('technician', 'take-reading', { reading: uuidv7(), inspection, value });
    const sign = (unneeded?: { defect: string; reason: string }[]) =>
      at.send('technician', 'certify-job', {
        job: at.job,
        version: 4,
        statement: 'Seal changed, dry',
        ...(unneeded ? { unneeded } : {}),
      });
    return { ...at, sign };
  }

  test('takes a valid qualification, and says which it was', async () => {
    const { qualify, sign, page } = await toSign();
    expect((await sign()).body.detail).toBe('Signing this requires the Brake inspector qualification.');
    await qualify('2020-01-01');
    expect((await sign()).body.detail).toContain('has expired');
    await qualify(null);
    expect((await sign()).status).toBe(200);
    expect((await page()).job.certified).toMatchObject({ qualification: 'Brake inspector', unneeded: [] });
  });

  test('takes a passed task beside the paper, where the shop’s rules ask for one', async () => {
    const { qualify, sign, who, done } = await toSign();
    await qualify(null);
    const policies = { practice: 'passed' };
    await world.done(who('manager'), 'set-fleet-rules', { version: 1, book: 'na', policies, units: METRIC_UNITS });
    expect((await sign()).body.detail).toContain('a practice assignment passed within a year');
    const exercise = { what: 'air', seed: 1, level: null, of: null, vehicle: null } as const;
    const task = uuidv7();
    await done('foreman', 'set-practice-task', { task, name: 'Air', person: null, exercise, due: null, pass: 80 });
    const practise = (marks: number) =>
      done('technician', 'finish-practice', {
        result: uuidv7(),
        task,
        exercise,
        marks,
        seconds: 60,
        items: [],
        off: [],
      });
    await practise(79);
    expect((await sign()).status).toBe(409);
    await practise(80);
    expect((await sign()).status).toBe(200);
  });

  test('tells what needed no repair, and the job stays in the unit’s history', async () => {
    const { qualify, sign, defect, fleet, who, job } = await toSign();
    await qualify(null);
    await sign([{ defect, reason: 'dry, only dust' }]);
    const pdf = await world.raw(who('driver'), `/jobs/${job}/certificate.pdf`);
    expect([pdf.statusCode, pdf.rawPayload.subarray(0, 4).toString()]).toEqual([200, '%PDF']);
    const { body } = await world.get(who('foreman'), `/units/${fleet.unit}/jobs`);
    expect(body.jobs).toMatchObject([{ id: job, certified: { unneeded: [{ defect, reason: 'dry, only dust' }] } }]);
  });
});

describe('a re-torque', () => {
  async function due() {
    const at = await begin();
    await at.tickAll();
    await at.takeAll();
    await at.torque('snug');
    await at.torque('full');
    await at.finish();
    const unit = async () => (await world.get(at.who('driver'), `/units/${at.fleet.unit}`)).body;
    const [asked] = (await unit()).retorques;
    return { ...at, unit, asked };
  }

  test('is done by whoever is there, once', async () => {
    const { send, unit, asked, fleet } = await due();
    const again = () =>
      send('driver', 'do-retorque', {
        unit: fleet.unit,
        retorque: asked.id,
        value: '475 lb-ft',
        tool: 'bar',
        moved: false,
      });
    expect((await again()).status).toBe(200);
    expect((await unit()).retorques).toEqual([]);
    expect((await again()).status).toBe(409);
  });

  test('is asked once, however often the job was worked on again', async () => {
    const { send, done, unit, job } = await due();
    await done('technician', 'reopen-job', { job, version: 4, reason: 'oil at the add mark' });
    expect((await send('technician', 'finish-job', { job, version: 5, done: 'Filled' })).status).toBe(200);
    expect((await unit()).retorques).toHaveLength(1);
  });

  test('that finds a nut moved is a report', async () => {
    const { done, unit, asked, fleet } = await due();
    await done('driver', 'do-retorque', {
      unit: fleet.unit,
      retorque: asked.id,
      value: '475 lb-ft',
      tool: 'bar',
      moved: true,
    });
    expect((await unit()).defects.map(({ code }: { code: string }) => code)).toContain('wheel-nut-loose');
  });

  test('past its distance is in the queue before its day, where the meter was read', async () => {
    const at = await begin();
    const reads = (value: string) => at.done('driver', 'record-meter', { meter: uuidv7(), unit: at.fleet.unit, value });
    await reads('48,210 mi');
    await at.tickAll();
    await at.takeAll();
    await at.torque('snug');
    await at.torque('full');
    await at.finish();
    const lapsed = async () => (await world.get(at.who('foreman'), '/retorques/lapsed')).body.lapsed;
    await reads('48,220 mi');
    expect(await lapsed()).toEqual([]);
    await reads('48,900 mi');
    expect(await lapsed()).toMatchObject([{ unit: { id: at.fleet.unit }, dueMeter: expect.stringMatching(/ mi$/) }]);
  });

  test('past its day is in the queue until somebody makes it a report', async () => {
    const { send, unit, asked, fleet, who } = await due();
    const lapsed = async () => (await world.get(who('foreman'), '/retorques/lapsed')).body.lapsed;
    const lapse = () => send('foreman', 'lapse-retorque', { unit: fleet.unit, retorque: asked.id });
    expect(await lapsed()).toEqual([]);
    expect((await lapse()).body.detail).toContain('Not due until');
    world.later(9 * 24 * 60);
    expect(await lapsed()).toMatchObject([{ id: asked.id, unit: { id: fleet.unit } }]);
    expect((await lapse()).status).toBe(200);
    expect(await lapsed()).toEqual([]);
    expect((await unit()).defects.map(({ code }: { code: string }) => code)).toContain('retorque-due');
    expect((await unit()).retorques).toHaveLength(1);
  });
});

test('a shop’s own template is used from then on, and two who change it do not overwrite each other', async () => {
  const { who, send } = await begin();
  const read = async () => (await world.get(who('foreman'), '/templates')).body.templates;
  const [first] = await read();
  const own = { ...first.definition, steps: ['Our only step'] };
  expect((await send('foreman', 'save-template', { version: 0, definition: own })).status).toBe(200);
  expect((await read())[0]).toMatchObject({ version: 1, definition: { steps: ['Our only step'] } });
  expect((await send('manager', 'save-template', { version: 0, definition: own })).status).toBe(409);
});

test('what was reported or repaired is found by its words, its number and the catalog’s words; nobody else’s is', async () => {
  const { who, defect, job, done } = await begin();
  const other = await begin();
  const find = async (text: string) =>
    (await world.get(who('foreman'), `/repairs?text=${encodeURIComponent(text)}`)).body;
  const ids = ({ defects, jobs }: { defects: { id: string }[]; jobs: { id: string }[] }) => [
    defects.map(({ id }) => id),
    jobs.map(({ id }) => id),
  ];
  expect(ids(await find('T-1'))).toEqual([[defect], [job]]);
  expect(ids(await find('seal'))).toEqual([[], [job]]);
  expect(ids(await find('hub'))[0]).toEqual([defect]);
  expect(ids(await find('50%'))).toEqual([[], []]);
  // By who reported it, and by what was fitted and by whom.
  expect(ids(await find('the driver'))).toEqual([[defect], []]);
  expect(ids(await find('the technician'))[1]).toEqual([]);
  await done('technician', 'take-part', { job, use: uuidv7(), part: 'hub-seal', count: 1 });
  await done('technician', 'clock-on', { job, time: uuidv7() });
  expect(ids(await find('hub-seal'))[1]).toEqual([job]);
  expect(ids(await find('the technician'))[1]).toEqual([job]);
  expect(other.job).not.toBe(job);
});

test('a part that is missing is ordered, holds the job up until it comes, and comes once', async () => {
  const { page, send, done, job } = await begin(0);
  const order = uuidv7();
  await done('technician', 'order-part', { job, order, part: 'hub-seal', count: 1, due: '2026-03-09' });
  expect((await page()).job.waits).toMatchObject([{ id: order, part: 'hub-seal', count: 1, due: '2026-03-09' }]);
  const came = await Promise.all(['technician', 'foreman'].map((who) => send(who, 'receive-part', { job, order })));
  expect(came.map(({ status }) => status).sort()).toEqual([200, 409]);
  expect(came.find(({ status }) => status === 409)?.body.detail).toBe('These parts were already received.');
  const now = await page();
  expect([now.job.waits, now.parts.find(({ part }) => part === 'hub-seal')?.stock]).toEqual([[], 1]);
  expect((await send('technician', 'receive-part', { job, order: uuidv7() })).body.detail).toBe(
    'There is no such order for this job.',
  );
});

test('a looser limit of one new tire of a dual does not loosen its mate', async () => {
  const { fleet, who, done, finish, tickAll, takeAll, torque } = await begin(9, 'tyre');
  const strict = { value: '5/32 in', source: 'cast on it' };
  await done('technician', 'set-maker-limit', { unit: fleet.unit, ...left, reading: 'tread', limit: strict });
  await tickAll();
  await takeAll();
  await torque('snug');
  await torque('full');
  const tyre = { part: 'tyre', ...left, tyre: 'outer', number: 'TR-9', limit: '2/32 in' };
  expect((await finish({ fitted: [tyre] })).status).toBe(200);
  const unit = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect([unit.lives[0].limit, unit.axles[0].ends.left.maker.tread]).toEqual(['2/32 in', strict]);
});

test('a part found renewed begins a life of no job, and stands in what was changed of the unit', async () => {
  const { fleet, who, done, send } = await begin();
  const at = { unit: fleet.unit, part: 'lining', axle: 1, side: 'left', tyre: null } as const;
  await done('technician', 'note-renewed', { life: uuidv7(), ...at });
  const unit = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect(unit.lives).toMatchObject([{ part: 'lining', axle: 1, side: 'left', job: null }]);
  expect(unit.acts).toMatchObject([
    { act: 'change', facts: [{ fact: 'renewed', axle: 1, side: 'left', to: 'lining' }] },
  ]);
  expect((await send('technician', 'note-renewed', { life: uuidv7(), ...at, axle: 9 })).status).toBe(400);
  expect((await send('driver', 'note-renewed', { life: uuidv7(), ...at })).status).toBe(403);
});

test('a new tire begins a life with its number and limit; the old one’s readings are not of it', async () => {
  const { fleet, who, page, finish, tickAll, takeAll, torque } = await begin(9, 'tyre');
  expect((await page()).work.renews).toEqual([{ part: 'tyre', ...left }]);
  await tickAll();
  await takeAll();
  await torque('snug');
  await torque('full');
  const tyre = { part: 'tyre', ...left, tyre: 'outer', number: 'TR-9', limit: '4/32 in' };
  expect((await finish({ fitted: [{ ...tyre, side: 'right' }] })).body.detail).toBe(
    'This job fits no such part there.',
  );
  expect((await finish({ fitted: [tyre] })).status).toBe(200);
  expect((await page()).fitted).toMatchObject([{ part: 'tyre', tyre: 'outer', number: 'TR-9', limit: '4/32 in' }]);
  const unit = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect(unit.lives).toMatchObject([{ part: 'tyre', number: 'TR-9', by: expect.any(String) }]);
  expect(unit.axles[0].ends.left.maker.tread).toMatchObject({ value: '4/32 in' });
});

test('a job is offered the bays first that its work can be done in', async () => {
  const { fleet, done, page } = await begin();
  const save = (bay: string, name: string, kinds: ('lift' | 'floor')[]) =>
    done('foreman', 'save-bay', { bay, name, work: { kinds, hours: [], closed: [] } });
  const [lift, any] = [uuidv7(), uuidv7()];
  await save(fleet.bay, 'Floor', ['floor']);
  await save(lift, 'Lift', ['lift']);
  await save(any, 'Any', []);
  expect((await page()).work.bay).toBe('lift');
  expect((await page()).bays.map(({ name }) => name)).toEqual(['Lift', 'Any', 'Floor']);
});
