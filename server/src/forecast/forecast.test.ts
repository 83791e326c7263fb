import type { ForecastPage, UnitForecastView, WeeksAhead, WhileThere } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { openQueue } from '../background';
import { doersOf } from '../doers';
import { inFleet, queueUrl } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { keepForecasts } from './keep';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const DAY_MINUTES = 24 * 60;

/** Takes the lining of one end in an inspection of its own, so many days after the last one. */
async function lining(fleet: TestFleet, days: number, text: string): Promise<string> {
  world.later(days * DAY_MINUTES);
  const who = `technician@${fleet.slug}`;
  const [inspection, reading] = [uuidv7(), uuidv7()];
  await world.done(who, 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
  await world.done(who, 'take-reading', {
    reading,
    inspection,
    value: { kind: 'lining', axle: 1, side: 'left', points: [text] },
  });
  await world.done(who, 'close-inspection', { inspection, outcome: 'incomplete', because: 'this end only' });
  return reading;
}

const make = () => world.makeFleet(`forecast${count++}`);
const unitOf = async (fleet: TestFleet): Promise<UnitForecastView> =>
  (await world.get(`foreman@${fleet.slug}`, `/units/${fleet.unit}/forecast`)).body;
const listOf = async (fleet: TestFleet, query = ''): Promise<ForecastPage> =>
  (await world.get(`foreman@${fleet.slug}`, `/forecast${query}`)).body;
const keep = (fleet: TestFleet) =>
  inFleet(world.db, fleet.id, (store) => keepForecasts(store, fleet.id, [fleet.unit], world.now()));

async function wornFleet(): Promise<TestFleet> {
  const fleet = await make();
  await lining(fleet, 0, '5/8 in');
  await lining(fleet, 30, '17/32 in');
  await lining(fleet, 30, '7/16 in');
  return fleet;
}

test('a unit’s forecast follows from its readings, and says who took each', async () => {
  const fleet = await wornFleet();
  const { positions, unit } = await unitOf(fleet);
  expect(unit.number).toBe('T-1');
  const here = positions.find(({ key }) => key === 'lining@1L');
  expect(here).toMatchObject({ state: 'foreseen', by: 'days', first: { whose: 'law', value: '1/4 in' } });
  expect(here?.lives[0]?.points.map(({ text, by }) => [text, by])).toEqual([
    ['5/8 in', 'The technician'],
    ['17/32 in', 'The technician'],
    ['7/16 in', 'The technician'],
  ]);
});

test('a reading that was corrected is not read twice: what stands in its place is', async () => {
  const fleet = await make();
  const first = await lining(fleet, 0, '5/8 in');
  const { body } = await world.get(`technician@${fleet.slug}`, `/units/${fleet.unit}`);
  const inspection = body.inspections[0].id;
  await world.done(`technician@${fleet.slug}`, 'take-reading', {
    reading: uuidv7(),
    inspection,
    value: { kind: 'lining', axle: 1, side: 'left', points: ['9/16 in'] },
    supersedes: first,
  });
  const [here] = (await unitOf(fleet)).positions;
  expect(here?.lives.flatMap(({ points }) => points.map(({ text }) => text))).toEqual(['9/16 in']);
});

test('over the fleet it is a list by date, worked out by a task, with what the weeks ask for', async () => {
  const fleet = await wornFleet();
  const before = await listOf(fleet);
  expect(before).toMatchObject({ units: 1, known: 0, rows: [] });
  const done = new Promise<void>((resolve, reject) => {
    const doers = doersOf({
      db: world.db,
      now: world.now,
      planner: world.planner,
      moved: (id, listener) => world.live.subscribe(id, listener),
    });
    void openQueue(
      queueUrl(world.ownerUrl),
      {
        ...doers,
        forecast: async (asked, closing) => {
          await doers.forecast(asked, closing);
          if (asked.fleet === fleet.id) resolve();
        },
      },
      { tasks: 1, failed: (said) => reject(new Error(said)) },
    ).then((queue) => done.finally(() => queue.close()));
  });
  await done;
  const after = await listOf(fleet);
  expect(after).toMatchObject({ known: 1, total: 1, next: null });
  expect(after.rows).toMatchObject([
    { unit: { number: 'T-1' }, key: 'lining@1L', whose: 'law', value: '1/4 in', state: 'foreseen' },
  ]);
  expect((await listOf(fleet, '?kind=tread')).rows).toEqual([]);
  expect((await listOf(fleet, '?within=7')).rows).toEqual([]);
  expect((await listOf(fleet, '?site=Nowhere')).rows).toEqual([]);
  const on = after.rows[0]?.on ?? '';
  world.later(10 * DAY_MINUTES);
  const weeks: WeeksAhead = (await world.get(`foreman@${fleet.slug}`, '/forecast/weeks')).body;
  const week = weeks.weeks.filter(({ from }) => from <= on).at(-1);
  expect(week).toMatchObject({ positions: 1 });
  expect(week?.minutes).toBeGreaterThan(0);
  expect(week?.parts.map(({ part }) => part)).toContain('shoe-kit');
});

test('what was worked out is kept in step: past its limit it is said so, relined it is gone', async () => {
  const fleet = await wornFleet();
  await keep(fleet);
  expect((await listOf(fleet)).rows).toMatchObject([{ state: 'foreseen' }]);
  await lining(fleet, 20, '3/16 in');
  await keep(fleet);
  expect((await listOf(fleet)).rows).toMatchObject([{ state: 'past', on: null }]);
  await lining(fleet, 2, '3/4 in');
  await keep(fleet);
  expect((await listOf(fleet)).rows).toEqual([]);
});

test('another fleet’s unit has no forecast here', async () => {
  const [ours, theirs] = [await make(), await wornFleet()];
  await keep(theirs);
  expect((await world.get(`foreman@${ours.slug}`, `/units/${theirs.unit}/forecast`)).status).toBe(404);
  expect((await listOf(ours)).rows).toEqual([]);
});

describe('while a unit is in the shop', () => {
  interface There {
    fleet: TestFleet;
    who: string;
  }
  /** A unit with worn linings on axle 1 and a hub seal job there: its wheels come off anyway. */
  async function there(): Promise<There> {
    const fleet = await wornFleet();
    const who = `foreman@${fleet.slug}`;
    const [defect, job] = [uuidv7(), uuidv7()];
    await world.done(`driver@${fleet.slug}`, 'report-defect', {
      defect,
      unit: fleet.unit,
      code: 'hub-leak',
      place: { axle: 1, side: 'right', tyre: null },
      words: 'oil on the rim',
    });
    await world.done(who, 'make-job', {
      job,
      unit: fleet.unit,
      title: 'Wheel seal',
      defects: [{ defect, version: 1 }],
      minutes: 95,
      wheelsOff: true,
      work: [{ template: 'hub-seal', ends: [{ axle: 1, side: 'right' }] }],
    });
    return { fleet, who };
  }
  const ask = async ({ fleet, who }: There): Promise<WhileThere> =>
    (await world.get(who, `/units/${fleet.unit}/while-there`)).body;

  test('what is near its limit is proposed, and taken it is a job of its own, measured again like any other', async () => {
    const here = await there();
    const [bundle, ...others] = (await ask(here)).bundles;
    expect(others).toEqual([]);
    expect(bundle).toMatchObject({ key: 'lining@1L', template: 'reline-drum', where: 'Axle 1', saves: 50 });
    const job = uuidv7();
    const body = { unit: here.fleet.unit, key: 'lining@1L', seen: bundle?.seen ?? '', job };
    await world.done(here.who, 'bundle-work', body);
    const { body: page } = await world.get(here.who, `/jobs/${job}`);
    expect(page.job).toMatchObject({ state: 'open', wheelsOff: true });
    expect(page.defects).toMatchObject([{ code: 'lining', axle: 1, side: 'left', state: 'planned' }]);
    expect((await ask(here)).bundles).toEqual([]);
    // Two who take it at once make one job.
    expect((await world.send(here.who, 'bundle-work', { ...body, job: uuidv7() })).status).toBe(409);
  });

  test('declined it is not asked again, until the part was read anew', async () => {
    const here = await there();
    const [bundle] = (await ask(here)).bundles;
    const answer = { unit: here.fleet.unit, key: bundle?.key ?? '', seen: bundle?.seen ?? '' };
    await world.done(here.who, 'decline-work', answer);
    expect((await ask(here)).bundles).toEqual([]);
    await lining(here.fleet, 10, '13/32 in');
    expect((await ask(here)).bundles).toMatchObject([{ key: 'lining@1L' }]);
    expect((await world.send(here.who, 'decline-work', answer)).status).toBe(409);
  });
});
