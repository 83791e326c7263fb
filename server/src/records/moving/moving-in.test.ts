import { v7 as uuidv7 } from 'uuid';
import { FORM, openWorld, type TestFleet, type World } from '../../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`moves${count++}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const listed = (number: string, more = {}) => ({
  form: { ...FORM, number },
  papers: [{ name: 'Insurance', until: '2027-03-31' }],
  meter: '182,340 mi',
  ...more,
});
const move = (units: unknown[], id = uuidv7()) =>
  world.send(who('manager'), 'move-in', { move: id, name: 'our list.xlsx', units } as never);
const numbers = async (): Promise<string[]> =>
  (await world.get(who('manager'), '/units')).body.units.map(({ number }: { number: string }) => number).sort();
const moves = async () => (await world.get(who('manager'), '/moves-in')).body.moves;
const unitId = async (number: string): Promise<string> =>
  (await world.get(who('manager'), `/units/number?number=${number}`)).body.unit;

test('a list moves in whole, with papers and meters, and is told of', async () => {
  const id = uuidv7();
  expect((await move([listed('M-1'), listed('M-2', { papers: [], meter: undefined })], id)).status).toBe(200);
  expect(await numbers()).toEqual(expect.arrayContaining(['M-1', 'M-2']));
  const page = (await world.get(who('manager'), `/units/${await unitId('M-1')}`)).body;
  expect(page).toMatchObject({ meter: { value: '182,340 mi' }, papers: [{ paper: 'Insurance', on: '2027-03-31' }] });
  expect(await moves()).toMatchObject([
    { id, name: 'our list.xlsx', list: 'units', rows: 2, by: 'The manager', undoneAt: null },
  ]);
  // The same sent again moves nothing in again.
  expect((await move([listed('M-1')])).body.errors[0]).toMatchObject({ path: 'body.units.0.form.number' });
});

test('a number that is there already, or twice in the list, moves nothing in', async () => {
  const before = await numbers();
  expect((await move([listed('M-1'), listed('M-1')])).status).toBe(400);
  expect((await move([listed('M-2'), listed(before[0] ?? '')])).status).toBe(400);
  expect(await numbers()).toEqual(before);
  expect(await moves()).toEqual([]);
});

test('it is taken back whole, once, and the same list moves in again', async () => {
  const before = await numbers();
  const id = uuidv7();
  await move([listed('M-1'), listed('M-2')], id);
  expect((await world.send(who('foreman'), 'undo-move-in', { move: id })).status).toBe(200);
  expect(await numbers()).toEqual(before);
  expect(await moves()).toMatchObject([{ id, undoneAt: expect.any(String) }]);
  expect((await world.send(who('foreman'), 'undo-move-in', { move: id })).body.detail).toContain('Already undone');
  expect((await move([listed('M-1'), listed('M-2')])).status).toBe(200);
});

test.each<[string, (unit: string) => Promise<unknown>]>([
  ['a report', (unit) => world.done(who('driver'), 'report-nothing', { report: uuidv7(), unit })],
  [
    'an inspection',
    (unit) => world.done(who('technician'), 'start-inspection', { inspection: uuidv7(), unit, purpose: 'full' }),
  ],
  ['a meter', (unit) => world.done(who('driver'), 'record-meter', { meter: uuidv7(), unit, value: '182,400 mi' })],
  ['a hold', (unit) => world.done(who('foreman'), 'hold-trailer', { hold: uuidv7(), unit, reason: 'looks wrong' })],
])('%s on one unit of it keeps all of it', async (_, does) => {
  const id = uuidv7();
  await move([listed('M-1'), listed('M-2')], id);
  await does(await unitId('M-2'));
  const answer = await world.send(who('manager'), 'undo-move-in', { move: id });
  expect(answer).toMatchObject({ status: 409, body: { detail: expect.stringContaining('M-2') } });
  expect(await numbers()).toEqual(expect.arrayContaining(['M-1', 'M-2']));
});

test('hundreds of units move in and back out', async () => {
  const id = uuidv7();
  const units = Array.from({ length: 300 }, (_, nth) => listed(`B-${nth}`));
  expect((await move(units, id)).status).toBe(200);
  expect((await world.send(who('manager'), 'undo-move-in', { move: id })).status).toBe(200);
  expect(await numbers()).not.toContain('B-7');
}, 60_000);

const take = (id: string, role = 'manager') => world.send(who(role), 'undo-move-in', { move: id });
const SEAL = { part: 'wiper', form: { name: 'Wiper', price: 1_250, leadDays: 3 }, stock: 4 };
const WYN = { signIn: 'wyn', form: { name: 'Wyn', role: 'technician' as const }, code: 'K7QM-2XWD-9HRT' };

test('parts move in whole, and back out while nobody took or counted one', async () => {
  const id = uuidv7();
  await world.done(who('foreman'), 'move-in-parts', { move: id, name: 'parts.csv', parts: [SEAL] });
  const stock = async () => JSON.stringify((await world.get(who('foreman'), '/parts')).body);
  expect(await stock()).toContain('Wiper');
  const again = await world.send(who('foreman'), 'move-in-parts', { move: uuidv7(), name: 'parts.csv', parts: [SEAL] });
  expect(again.body.errors[0]).toMatchObject({ path: 'body.parts.0.part' });
  expect((await take(id)).status).toBe(200);
  expect(await stock()).not.toContain('Wiper');
  const other = uuidv7();
  await world.done(who('foreman'), 'move-in-parts', { move: other, name: 'parts.csv', parts: [SEAL] });
  await world.done(who('foreman'), 'count-part', { part: 'wiper', stockVersion: 1, stock: 5 });
  expect(await take(other)).toMatchObject({ status: 409, body: { detail: expect.stringContaining('Wiper') } });
});

test('people move in by codes, which stand in no event; who came in stays', async () => {
  const id = uuidv7();
  await world.done(who('manager'), 'move-in-people', { move: id, name: 'people.csv', people: [WYN] });
  const people = async () => (await world.get(who('manager'), '/people')).body.people;
  expect(await people()).toContainEqual(expect.objectContaining({ signIn: 'wyn', state: 'invited' }));
  const { rows } = await world.owner.pool.query(`select e::text from event e where e::text like '%move-in-people%'`);
  expect(JSON.stringify(rows)).not.toContain(WYN.code);
  expect((await take(id)).status).toBe(200);
  expect(await people()).not.toContainEqual(expect.objectContaining({ signIn: 'wyn' }));
  const other = uuidv7();
  await world.done(who('manager'), 'move-in-people', { move: other, name: 'people.csv', people: [WYN] });
  const claimed = await world.app.inject({
    method: 'POST',
    url: '/api/v1/invitation',
    payload: { name: `wyn@${fleet.slug}`, code: WYN.code, password: 'a long enough one' },
  });
  expect(claimed.statusCode).toBeLessThan(300);
  expect(await take(other)).toMatchObject({ status: 409, body: { detail: expect.stringContaining('Wyn') } });
});

test('a foreman moves nobody in whom they may not invite', async () => {
  const boss = { ...WYN, form: { name: 'Wyn', role: 'manager' as const } };
  const answer = await world.send(who('foreman'), 'move-in-people', { move: uuidv7(), name: 'p', people: [boss] });
  expect(answer.status).toBe(409);
});

test('repairs of before stand with their unit as the list told them, and back out', async () => {
  const id = uuidv7();
  const repair = { unit: 'T-1', day: '2025-03-02', work: 'Relined axle 2', by: 'Oda', cost: 41_200 };
  await world.done(who('foreman'), 'move-in-repairs', { move: id, name: 'repairs.xlsx', repairs: [repair] });
  const told = async () => (await world.get(who('driver'), `/units/${fleet.unit}/past-repairs`)).body.repairs;
  expect(await told()).toMatchObject([
    { day: '2025-03-02', work: 'Relined axle 2', by: 'Oda', cost: 41_200, meter: null, list: 'repairs.xlsx' },
  ]);
  const twice = await world.send(who('foreman'), 'move-in-repairs', {
    move: id,
    name: 'repairs.xlsx',
    repairs: [repair],
  });
  expect([twice.status, (await told()).length]).toEqual([409, 1]);
  const stranger = { ...repair, unit: 'nobody' };
  const bad = await world.send(who('foreman'), 'move-in-repairs', { move: uuidv7(), name: 'r', repairs: [stranger] });
  expect(bad.body.errors[0]).toMatchObject({ path: 'body.repairs.0.unit' });
  // A unit whose repairs are told is rested on.
  expect((await take(id)).status).toBe(200);
  expect(await told()).toEqual([]);
});

const linings = (points: string, day = '2026-01-05') => ({
  unit: 'T-1',
  day,
  by: 'Oda',
  readings: [{ kind: 'lining' as const, axle: 1, side: 'left' as const, points: [points] }],
});
const standing = async () => (await world.get(who('manager'), `/units/${fleet.unit}`)).body;

test('last readings stand and are judged, say where they are from, and are taken back with what they reported', async () => {
  const id = uuidv7();
  await world.done(who('foreman'), 'move-in-readings', { move: id, name: 'last.csv', readings: [linings('1/32 in')] });
  const page = await standing();
  expect(page.standing).toMatchObject([{ key: 'lining@1L' }]);
  expect(page.inspections).toMatchObject([{ purpose: 'import' }]);
  expect(page.defects.length).toBeGreaterThan(0);
  expect((await take(id)).status).toBe(200);
  expect(await standing()).toMatchObject({ standing: [], inspections: [], defects: [] });
});

test('readings a list brought stay once the unit was inspected, and nobody may delete one otherwise', async () => {
  const id = uuidv7();
  await world.done(who('foreman'), 'move-in-readings', { move: id, name: 'last.csv', readings: [linings('1/2 in')] });
  await world.done(who('technician'), 'start-inspection', { inspection: uuidv7(), unit: fleet.unit, purpose: 'full' });
  expect(await take(id)).toMatchObject({ status: 409, body: { detail: expect.stringContaining('T-1') } });
  expect((await standing()).standing).toMatchObject([{ key: 'lining@1L' }]);
});

test('a reading of tomorrow, or of an axle that is not there, moves nothing in', async () => {
  const send = (reading: unknown) =>
    world.send(who('foreman'), 'move-in-readings', { move: uuidv7(), name: 'l', readings: [reading] } as never);
  expect((await send(linings('1/2 in', '2099-01-01'))).status).toBe(400);
  const far = linings('1/2 in');
  expect((await send({ ...far, readings: far.readings.map((each) => ({ ...each, axle: 9 })) })).status).toBe(400);
  expect((await standing()).standing).toEqual([]);
});

test('of what a list names, the fleet’s own is told and no other fleet’s', async () => {
  const other = await world.makeFleet(`beside${count++}`);
  await world.done(`foreman@${other.slug}`, 'add-part', { part: 'wiper', form: SEAL.form, stock: 1 });
  const { body } = await world.post(who('foreman'), '/moves-in/known', {
    units: ['T-1', 'X-77'],
    parts: ['wiper'],
    signIns: ['foreman', 'nobody'],
  });
  expect(JSON.parse(body)).toMatchObject({ units: [{ number: 'T-1' }], parts: [], signIns: ['foreman'] });
});
