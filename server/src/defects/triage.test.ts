import type { CommandBody, CommandName, Reading, TriagePage } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { TINY_JPEG } from '../testing/sample-bodies';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const end = { axle: 1, side: 'left', tyre: null } as const;
const whole = { axle: null, side: null, tyre: null };

async function begin() {
  const fleet = await world.makeFleet(`triage-${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const report = async (code: string, words = '', place: typeof end | typeof whole = end) => {
    const defect = uuidv7();
    await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code, place, words });
    return defect;
  };
  const queue = async (): Promise<TriagePage> => (await world.get(who('foreman'), '/triage')).body;
  const send = <N extends CommandName>(name: N, body: CommandBody<N>) => world.send(who('foreman'), name, body);
  return { fleet, who, report, queue, send };
}
const reports = ({ groups }: TriagePage) => groups.flatMap((group) => group.reports);
const unitOf = async (who: (role: string) => string, { unit }: TestFleet) =>
  (await world.get(who('foreman'), `/units/${unit}`)).body;

test('a queue without reports is empty, and one with them stands by trailer with what is proposed', async () => {
  const { fleet, report, queue } = await begin();
  expect(await queue()).toEqual({ total: 0, groups: [], next: null });
  const first = await report('chamber-leak', 'hisses');
  const again = await report('chamber-leak', 'hisses still');
  const page = await queue();
  expect(page).toMatchObject({ total: 2, groups: [{ unit: { id: fleet.unit } }] });
  expect(reports(page).map(({ defect, proposal }) => [defect.id, proposal.answer, proposal.joins])).toEqual([
    [first, 'repair', null],
    [again, 'join', first],
  ]);
});

test('what is put off leaves the queue, and comes back on its day by itself', async () => {
  const { report, queue, send } = await begin();
  const defect = await report('mud-flap-torn', '', whole);
  const put = (until: string) => send('defer-defect', { defect, version: 1, until, reason: 'spring check' });
  expect((await put('2020-01-01')).body.detail).toContain('a day ahead');
  const today = world.now();
  const until = new Date(today.getTime() + 3 * 86_400_000).toISOString().slice(0, 10);
  await put(until);
  expect((await queue()).total).toBe(0);
  world.later(4 * 24 * 60);
  expect(reports(await queue())).toMatchObject([{ defect: { id: defect, state: 'deferred', reason: 'spring check' } }]);
});

test('what the law forbids is never put off', async () => {
  const { report, send } = await begin();
  const defect = await report('lamp-out', '', whole);
  const answer = await send('defer-defect', { defect, version: 1, until: '2099-01-01', reason: 'later' });
  expect(answer).toMatchObject({ status: 409, body: { detail: expect.stringContaining('a rule that lets it wait') } });
});

test('a plate lamp runs by daylight only: the next driver sees until when, and at dusk it waits for an answer again', async () => {
  const { fleet, who, report, queue, send } = await begin();
  const plate = await report('lamp-plate-out', '', whole);
  const stop = await report('lamp-stop-none', '', whole);
  const run = (defect: string) => send('run-by-daylight', { defect, version: 1, reason: 'home to the shop' });
  const daylight = async () => new Map(reports(await queue()).map((each) => [each.defect.id, each.daylight] as const));
  // Six in the morning: the sun has not risen.
  expect((await daylight()).get(plate)).toBeNull();
  expect((await run(plate)).body.detail).toContain('daylight');
  world.later(5 * 60);
  const until = (await daylight()).get(plate) ?? '';
  expect(until).toMatch(/T22:[45]/);
  expect((await daylight()).get(stop)).toBeNull();
  expect((await run(stop)).body.detail).toContain('a rule that lets it run by daylight');
  expect((await run(plate)).status).toBe(200);
  const { defects } = await unitOf(who, fleet);
  expect(defects.find(({ id }: { id: string }) => id === plate)).toMatchObject({ state: 'deferred', dusk: until });
  expect(reports(await queue()).map(({ defect }) => defect.id)).toEqual([stop]);
  world.later(6 * 60);
  expect((await daylight()).get(plate)).toBeNull();
  expect(reports(await queue()).map(({ defect }) => defect.id)).toContain(plate);
});

test('what was tied up on the spot is a closed finding with its photo, and no job', async () => {
  const { fleet, who, report, queue, send } = await begin();
  const shiny = await report('brake-hose-shiny');
  const chafed = await report('brake-hose-chafed');
  const tie = (defect: string, version = 1) =>
    world.send(who('driver'), 'put-right-here', { defect, version, done: 'led clear and covered' });
  const photo = (defect: string) => ({ photo: uuidv7(), unit: fleet.unit, inspection: null, defect, key: null });
  expect((await tie(shiny)).body.detail).toContain('a photo');
  for (const defect of [shiny, chafed])
    await world.done(who('driver'), 'attach-photo', { ...photo(defect), width: 2, height: 2, jpeg: TINY_JPEG });
  expect((await tie(chafed)).body.detail).toContain('tied up on the spot');
  expect((await tie(shiny)).status).toBe(200);
  expect(reports(await queue()).map(({ defect }) => defect.id)).toEqual([chafed]);
  expect((await tie(shiny, 2)).status).toBe(409);
  await send('take-back-answer', { defect: shiny, version: 2 });
  expect(reports(await queue())).toHaveLength(2);
});

test('a duplicate is carried by the other report: its words stay, and what holds goes over', async () => {
  const { fleet, who, report, queue, send } = await begin();
  const first = await report('drum-blue', 'something');
  const second = await report('brake-missing', 'gone');
  expect((await send('join-defect', { defect: first, version: 1, with: first })).status).toBe(409);
  await send('join-defect', { defect: second, version: 1, with: first });
  const [left] = reports(await queue());
  expect(left).toMatchObject({ defect: { id: first, holds: true } });
  const other = await begin();
  const theirs = await other.report('brake-dragging');
  expect((await send('join-defect', { defect: first, version: 2, with: theirs })).status).toBe(404);
  await send('take-back-answer', { defect: second, version: 2 });
  expect(reports(await queue())).toHaveLength(2);
  expect((await unitOf(who, fleet)).holds.length).toBeGreaterThan(0);
});

test('what is to be measured first waits, and is back in the queue once it was measured there', async () => {
  const { fleet, who, report, queue, send } = await begin();
  const defect = await report('unsure-brake', 'pulls');
  expect(reports(await queue())[0]?.proposal).toMatchObject({ severity: 'measure-first', answer: 'measure' });
  await send('measure-defect', { defect, version: 1 });
  expect((await queue()).total).toBe(0);
  const measure = async (axle: number) => {
    const inspection = uuidv7();
    await world.done(who('technician'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
    const value = { kind: 'lining', axle, side: 'left', points: ['1/2 in'] } satisfies Reading;
    await world.done(who('technician'), 'take-reading', { reading: uuidv7(), inspection, value });
    await world.done(who('technician'), 'close-inspection', {
      inspection,
      outcome: 'incomplete',
      because: 'only this',
    });
  };
  await measure(2);
  expect((await queue()).total).toBe(0);
  await measure(1);
  expect(reports(await queue())[0]).toMatchObject({ defect: { id: defect }, proposal: { answer: 'repair' } });
});

test('two people answering one report: the second is told, and nothing is answered twice', async () => {
  const { who, report } = await begin();
  const defect = await report('chamber-leak');
  const answers = await Promise.all([
    world.send(who('foreman'), 'triage-defect', { defect, version: 1, holds: true }),
    world.send(who('manager'), 'find-no-fault', { defect, version: 1, reason: 'dry' }),
  ]);
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
});

test('only what was certified on this unit comes back', async () => {
  const { fleet, who, report } = await begin();
  const open = await report('chamber-leak');
  const again = { defect: uuidv7(), unit: fleet.unit, code: 'chamber-leak', place: end, words: '', comeBackOf: open };
  expect((await world.send(who('driver'), 'report-defect', again)).body.detail).toContain('Only a certified repair');
});

test('every trailer of a long queue comes page by page, each once, what holds first', async () => {
  const { fleet, who, queue } = await begin();
  await world.owner.pool.query(
    `with made as (insert into unit (fleet_id, id, number, body, kind, axles)
       select fleet_id, gen_random_uuid(), 'N-' || n, 'Hopper', 'semitrailer', axles from unit, generate_series(1, 50) n
       where fleet_id = $1 and id = $2 returning fleet_id, id, number)
     insert into defect (fleet_id, id, unit_id, code, words, origin, reported_by, reported_at, state, holds)
     select made.fleet_id, gen_random_uuid(), made.id, 'lamp-out', '', 'driver', p.id, now(), 'reported', right(number, 1) = '7'
     from made join person p on p.fleet_id = made.fleet_id and p.role = 'driver'`,
    [fleet.id, fleet.unit],
  );
  const held: boolean[] = [];
  const seen = new Set<string>();
  let page = await queue();
  for (;;) {
    for (const group of page.groups) {
      expect(seen.has(group.unit.id)).toBe(false);
      seen.add(group.unit.id);
      held.push(group.held);
    }
    if (!page.next) break;
    page = (await world.get(who('foreman'), `/triage?after=${encodeURIComponent(page.next)}`)).body;
  }
  expect([seen.size, page.total]).toEqual([50, 50]);
  expect(held).toEqual([...held].sort((a, b) => Number(b) - Number(a)));
});

test('what is put off until a distance comes back when the meter reads it, whoever reads it', async () => {
  const { fleet, who, report, queue, send } = await begin();
  const defect = await report('mud-flap-torn', '', whole);
  const meter = (value: string) =>
    world.done(who('driver'), 'record-meter', { meter: uuidv7(), unit: fleet.unit, value });
  const put = (untilMeter: string) =>
    send('defer-defect', { defect, version: 1, until: '2099-01-01', untilMeter, reason: 'next service' });
  expect((await put('50 000 km')).body.errors).toMatchObject([{ message: expect.stringContaining('never read') }]);
  await meter('48 210 km');
  expect((await put('29,000 mi')).body.errors).toMatchObject([{ message: expect.stringContaining('48 210 km') }]);
  expect((await put('50 000 km')).status).toBe(200);
  await meter('49 990 km');
  expect((await queue()).total).toBe(0);
  await meter('31,100 mi');
  expect(reports(await queue())).toMatchObject([{ defect: { id: defect, state: 'reported' } }]);
});

test('a signed report stays as it was, and what is added stands beside it with name and time', async () => {
  const { who, report, queue } = await begin();
  const defect = await report('chamber-leak', 'hisses');
  await world.done(who('technician'), 'add-to-report', { defect, note: uuidv7(), words: 'only when it is applied' });
  expect(reports(await queue())).toMatchObject([
    { defect: { words: 'hisses', version: 1, added: [{ words: 'only when it is applied', by: expect.any(String) }] } },
  ]);
});
