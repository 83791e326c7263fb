import { v7 as uuidv7 } from 'uuid';
import { FORM, openWorld, type TestFleet, type World } from '../testing/world';

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
  expect(await moves()).toMatchObject([{ id, name: 'our list.xlsx', units: 2, by: 'The manager', undoneAt: null }]);
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
  expect((await world.send(who('foreman'), 'undo-move-in', { move: id })).body.detail).toContain('already');
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
