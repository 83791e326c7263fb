import { YARD_ORDERS, type YardPage, type YardRow } from '@zealous-axle/core';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { inFleet } from '../store/connect';
import { inspectAll } from '../testing/measure';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { rebuildYard, yardFaults } from './keep';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const place = { axle: null, side: null, tyre: null };
const faults = ({ id }: TestFleet) => inFleet(world.db, id, yardFaults);

/** What people may do to a trailer, each drawn from what is so now; what is refused changes nothing. */
const ACTS = [
  'report',
  'triage',
  'dismiss',
  'hold',
  'release',
  'sticker',
  'inspect',
  'inspect badly',
  'make job',
  'work',
] as const;

async function act(fleet: TestFleet, what: (typeof ACTS)[number], n: number): Promise<void> {
  const [foreman, technician] = [`foreman@${fleet.slug}`, `technician@${fleet.slug}`];
  const page = (await world.get(foreman, `/units/${fleet.unit}`)).body;
  const defect = page.defects[n % Math.max(1, page.defects.length)];
  const job = page.jobs[n % Math.max(1, page.jobs.length)];
  const head = { defect: defect?.id ?? uuidv7(), version: defect?.version ?? 1 };
  const at = { job: job?.id ?? uuidv7(), version: job?.version ?? 1 };
  switch (what) {
    case 'report':
      await world.send(foreman, 'report-defect', {
        defect: uuidv7(),
        unit: fleet.unit,
        code: 'lamp-out',
        place,
        words: '',
      });
      break;
    case 'triage':
      await world.send(foreman, 'triage-defect', { ...head, holds: n % 2 === 0 });
      break;
    case 'dismiss':
      await world.send(foreman, 'dismiss-defect', { ...head, reason: 'clean' });
      break;
    case 'hold':
      await world.send(foreman, 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'looks wrong' });
      break;
    case 'release':
      await world.send(foreman, 'release-trailer', { release: uuidv7(), unit: fleet.unit, statement: 'good' });
      break;
    case 'sticker':
      await world.send(foreman, 'record-sticker', { paper: uuidv7(), unit: fleet.unit, month: `2026-0${1 + (n % 9)}` });
      break;
    case 'inspect':
      await inspectAll(world, fleet);
      break;
    case 'inspect badly':
      await inspectAll(world, fleet, [{ kind: 'lining', axle: 1, side: 'left', points: ['1/16 in'] }]);
      break;
    case 'make job':
      await world.send(foreman, 'make-job', {
        job: uuidv7(),
        unit: fleet.unit,
        title: 'Job',
        defects: [head],
        minutes: 30,
        wheelsOff: false,
      });
      break;
    case 'work':
      await world.send(foreman, 'place-job', { ...at, bay: fleet.bay, day: '2026-03-03' });
      await world.send(technician, 'start-job', at);
      await world.send(technician, 'finish-job', { ...at, done: 'done' });
      await world.send(technician, 'certify-job', { ...at, statement: 'good' });
  }
}

test('the yard is what the facts say, whatever people did', async () => {
  const acts = fc.array(fc.tuple(fc.constantFrom(...ACTS), fc.nat(7)), { minLength: 4, maxLength: 12 });
  await fc.assert(
    fc.asyncProperty(acts, async (done) => {
      const fleet = await world.makeFleet(`yard${count++}`);
      for (const [what, n] of done) await act(fleet, what, n);
      expect(await faults(fleet)).toEqual([]);
    }),
    { numRuns: 8 },
  );
});

test('a row that was not kept is found, and mended by making the yard anew', async () => {
  const fleet = await world.makeFleet(`yard${count++}`);
  await world.owner.pool.query('update yard_row set held = true where fleet_id = $1', [fleet.id]);
  expect(await faults(fleet)).toEqual([fleet.unit]);
  expect(await inFleet(world.db, fleet.id, (store) => rebuildYard(store, fleet.id))).toBe(1);
  expect(await faults(fleet)).toEqual([]);
});

describe('many units', () => {
  let fleet: TestFleet;
  const UNITS = 137;
  const ask = async (query: string) => (await world.get(`driver@${fleet.slug}`, `/units?${query}`)).body as YardPage;
  const pages = async (query: string) => {
    const rows: YardRow[] = [];
    for (let after: string | null = ''; after !== null; ) {
      const page: YardPage = await ask(`${query}${after ? `&after=${after}` : ''}`);
      expect(page.units.length).toBeLessThanOrEqual(50);
      rows.push(...page.units);
      after = page.next;
    }
    return rows;
  };

  beforeAll(async () => {
    fleet = await world.makeFleet(`yard${count++}`);
    await world.owner.pool.query(
      `insert into unit (fleet_id, id, number, body, kind, axles, site)
       select fleet_id, gen_random_uuid(), 'N-' || n, case when n % 3 = 0 then 'Hopper 100%' else 'Drop-deck' end, kind, axles,
         case when n % 2 = 0 then 'North yard' else 'South yard' end
       from unit, generate_series(2, ${UNITS}) n where fleet_id = $1`,
      [fleet.id],
    );
    await inFleet(world.db, fleet.id, (store) => rebuildYard(store, fleet.id));
    await world.owner.pool.query(
      `update yard_row set held = n % 10 = 0, urgency = case when n % 10 = 0 then 0 when n % 4 = 0 then 1 else 2 end,
         open_defects = case when n % 4 = 0 then 2 else 0 end, verdict_rank = 1 + n % 5,
         due_on = case when n % 3 = 0 then null else date '2026-03-01' + n end, due_paper = 'Periodic inspection',
         last_measured = case when n % 6 = 0 then null else timestamptz '2026-01-01' + n * interval '1 hour' end
       from (select unit_id as u, row_number() over (order by number)::int as n from yard_row where fleet_id = $1) s
       where unit_id = u and fleet_id = $1`,
      [fleet.id],
    );
  });

  test.each(YARD_ORDERS)('by %s: every unit on one page and no other', async (order) => {
    const rows = await pages(`order=${order}`);
    expect(rows).toHaveLength(UNITS);
    expect(new Set(rows.map(({ id }) => id)).size).toBe(UNITS);
  });

  test('what presses comes first, then the number', async () => {
    const rows = await pages('');
    const rank = ({ held, openDefects }: YardRow) => (held ? 0 : openDefects ? 1 : 2);
    expect(rows.map(rank)).toEqual(rows.map(rank).sort());
  });

  test('searched, filtered and counted on the server', async () => {
    const all = await pages('order=number');
    const total = async (query: string) => (await world.get(`driver@${fleet.slug}`, `/units/total?${query}`)).body;
    for (const [query, keeps] of [
      ['text=hopper', ({ body }: YardRow) => body.startsWith('Hopper')],
      ['text=100%25', ({ body }: YardRow) => body.startsWith('Hopper')],
      ['text=N-13', ({ number }: YardRow) => number.startsWith('N-13')],
      ['show=held', ({ held }: YardRow) => held],
      ['show=defects', ({ openDefects }: YardRow) => openDefects > 0],
      ['show=due', ({ due }: YardRow) => due !== null && due.on <= '2026-03-16'],
      ['site=North yard', ({ site }: YardRow) => site === 'North yard'],
      ['body=Drop-deck', ({ body }: YardRow) => body === 'Drop-deck'],
      ['text=_', () => false],
    ] as const) {
      const rows = await pages(`order=number&${query}`);
      expect([query, rows.map(({ id }) => id)]).toEqual([query, all.filter(keeps).map(({ id }) => id)]);
      expect(await total(query)).toMatchObject({ units: UNITS, asked: rows.length });
    }
    expect(await total('')).toMatchObject({ sites: ['North yard', 'South yard'], held: 13 });
  });

  test('a key that was never given out is refused', async () => {
    for (const after of ['x', 'W10', 'eyJhIjoxfQ']) {
      const answer = await world.get(`driver@${fleet.slug}`, `/units?after=${after}`);
      expect(answer).toMatchObject({ status: 400, body: { errors: [{ path: 'after' }] } });
    }
  });
});

test('inspections and photos of a unit come page by page, newest first, with how many there are', async () => {
  const fleet = await world.makeFleet(`yard${count++}`);
  const who = `technician@${fleet.slug}`;
  for (let n = 0; n < 15; n++)
    await world.done(who, 'start-inspection', { inspection: uuidv7(), unit: fleet.unit, purpose: 'full' });
  const page = (await world.get(who, `/units/${fleet.unit}`)).body;
  expect(page).toMatchObject({ inspectionsTotal: 15, photosTotal: 0 });
  expect(page.inspections).toHaveLength(12);
  const all = (await world.get(who, `/units/${fleet.unit}/inspections`)).body;
  expect(all.inspections).toHaveLength(15);
  expect(all.inspections.slice(0, 12)).toEqual(page.inspections);
  expect(all.next).toBeNull();
});
