import type { BookId, Reading } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { doJudgeAgain } from './judge-again';

let world: World;
let fleet: TestFleet;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`again${count++}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const page = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
const row = async () => (await world.get(who('driver'), `/units/${fleet.unit}/row`)).body;
const asked = async (): Promise<number> =>
  (
    await world.owner.pool.query(
      `select count(*)::int as n from graphile_worker.jobs where task_identifier = 'judge-again' and key like $1`,
      [`judge-again ${fleet.id}%`],
    )
  ).rows[0].n;
const judge = () =>
  doJudgeAgain({ db: world.db, now: world.now }, { fleet: fleet.id, person: null }, new AbortController().signal);

async function useBook(book: BookId) {
  const session = (await world.get(who('manager'), '/session')).body;
  const { version, policies, units } = session.fleet;
  await world.done(who('manager'), 'set-fleet-rules', { version, book, policies, units });
}
/** Legal in Great Britain, past the limit in North America. */
const FIVE = { kind: 'lining', axle: 1, side: 'left', points: ['5 mm'] } as const satisfies Reading;

test('a sign the fleet is stricter about holds what an inspection found before', async () => {
  const inspection = uuidv7();
  const torn = { kind: 'check', check: 'mud-flaps', found: ['mud-flap-torn'], how: 'seen' } as const;
  await world.done(who('technician'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
  await world.done(who('technician'), 'take-reading', {
    reading: uuidv7(),
    inspection,
    value: { ...torn, found: [...torn.found] },
  });
  const end = { inspection, outcome: 'incomplete', because: 'the flap' } as const;
  await world.done(who('technician'), 'close-inspection', end);
  expect((await page()).defects).toMatchObject([{ code: 'mud-flap-torn', holds: false }]);
  expect((await page()).holds).toEqual([]);
  const rule = { version: 1, code: 'mud-flap-torn', presses: 'hold', reason: 'stones' } as const;
  await world.done(who('manager'), 'set-own-sign', rule);
  await judge();
  expect(await row()).toMatchObject({ held: true, judging: false });
  expect((await page()).defects).toMatchObject([{ code: 'mud-flap-torn', holds: true }]);
});

test('a limit of the fleet judges what stands: marked until it is done, then reported', async () => {
  await inspectAll(world, fleet, [{ ...FIVE, points: ['5/16 in'] }]);
  expect(await row()).toMatchObject({ verdict: 'within', judging: false, openDefects: 0 });
  await world.done(who('manager'), 'add-fleet-limit', {
    limit: uuidv7(),
    tightens: 'lining.drum',
    value: '3/8 in',
    reason: 'hills',
  });
  expect(await row()).toMatchObject({ judging: true });
  expect(await asked()).toBe(1);
  await judge();
  expect(await row()).toMatchObject({ verdict: 'shop-limit', judging: false, openDefects: 1, held: false });
  const unit = await page();
  expect(unit.defects).toMatchObject([{ code: 'lining', axle: 1, side: 'left', holds: false }]);
  expect(unit.standing.find(({ key }: { key: string }) => key === 'lining@1L')).toMatchObject({
    verdict: 'shop-limit',
  });
  await judge();
  expect((await page()).defects).toHaveLength(1);
});

test('another book holds what it condemns, and judges the last inspection again beside what it was', async () => {
  await useBook('gb');
  const inspection = await inspectAll(world, fleet, [FIVE]);
  await judge();
  expect((await page()).holds).toEqual([]);
  await useBook('na');
  await judge();
  expect(await page()).toMatchObject({
    holds: [{ inspection: { id: inspection, open: false } }],
    defects: [{ code: 'lining', holds: true }],
  });
  const { rows } = await world.owner.pool.query(
    'select book from judgement where fleet_id = $1 and inspection_id = $2 order by seq',
    [fleet.id, inspection],
  );
  expect([rows[0], rows.at(-1)]).toEqual([{ book: 'gb' }, { book: 'na' }]);
});

test('no release by an old verdict: it is judged as it stands, though nobody judged it again yet', async () => {
  await useBook('gb');
  await inspectAll(world, fleet, [FIVE]);
  await world.done(who('technician'), 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'looks odd' });
  await useBook('na');
  const body = { release: uuidv7(), unit: fleet.unit, statement: 'looked at' };
  expect(await world.send(who('technician'), 'release-trailer', body)).toMatchObject({
    status: 409,
    body: { detail: expect.stringContaining('Lining past its limit') },
  });
});

test('a maker’s figure judges what stands at once', async () => {
  await inspectAll(world, fleet);
  await world.done(who('technician'), 'set-maker-limit', {
    unit: fleet.unit,
    axle: 1,
    side: 'left',
    reading: 'lining',
    limit: { value: '5/8 in', source: 'on the shoe' },
  });
  expect(await page()).toMatchObject({ holds: [{}], defects: [{ code: 'lining', holds: true }] });
});

test('what nobody judged since the program changed is asked for by whoever looks at the yard', async () => {
  await inspectAll(world, fleet);
  await world.owner.pool.query('update yard_row set judging = true where fleet_id = $1', [fleet.id]);
  expect((await world.get(who('driver'), '/units/total')).body).toMatchObject({ judging: 1 });
  expect(await asked()).toBe(1);
  await judge();
  expect((await world.get(who('driver'), '/units/total')).body).toMatchObject({ judging: 0 });
});
