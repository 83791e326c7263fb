import { COMMAND_NAMES, type CommandBody, type CommandName, commandOf, READING_COLUMNS } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { BECAUSE, TINY_JPEG } from './sample-bodies';
import { FORM, openWorld, type TestFleet, type World } from './world';

const id = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const [REPORTED, CERTIFIED, IN_OPEN, IN_DONE] = [id(1), id(2), id(3), id(4)];
const [OPEN, PLACED, STARTED, DONE, SIGNED] = [id(11), id(12), id(13), id(14), id(15)];
const INSPECTION = id(21);
const HOLD = id(31);

/** A held trailer with a job in every state, a report to answer, a repair to acknowledge and an inspection begun. */
async function prepare(world: World, { id: fleet, unit, bay }: TestFleet): Promise<void> {
  const { rows } = await world.owner.pool.query('select id from person where fleet_id = $1 and sign_in = $2', [
    fleet,
    'foreman',
  ]);
  const who = rows[0].id;
  const at = '2026-03-02T11:00:00Z';
  const job = (each: string, state: string, version: number) =>
    `('${fleet}', '${each}', '${unit}', 'Job', '${state}', 30, false, ${state === 'open' ? 'null, null' : `'${bay}', '2026-03-03'`}, ${state === 'done' || state === 'certified' ? `'done', '${at}'` : 'null, null'}, ${version})`;
  const defect = (each: string, state: string, of: string | null) =>
    `('${fleet}', '${each}', '${unit}', 'lamp-out', '', 'driver', '${who}', '${at}', '${state}', false, ${of ? `'${of}'` : 'null'}, 1)`;
  await world.owner.pool.query(`
    insert into job (fleet_id, id, unit_id, title, state, minutes, wheels_off, bay_id, day, done, done_at, version) values
      ${[job(OPEN, 'open', 1), job(PLACED, 'placed', 1), job(STARTED, 'started', 1), job(DONE, 'done', 1), job(SIGNED, 'certified', 1)].join(', ')};
    insert into defect (fleet_id, id, unit_id, code, words, origin, reported_by, reported_at, state, holds, job_id, version) values
      ${[defect(REPORTED, 'reported', null), defect(CERTIFIED, 'certified', SIGNED), defect(IN_OPEN, 'planned', OPEN), defect(IN_DONE, 'done', DONE)].join(', ')};
    insert into certificate (fleet_id, job_id, statement, signed_by, signed_at) values ('${fleet}', '${SIGNED}', 'good', '${who}', '${at}');
    insert into inspection (fleet_id, id, unit_id, purpose, started_by, started_at) values ('${fleet}', '${INSPECTION}', '${unit}', 'walk', '${who}', '${at}');
    insert into hold (fleet_id, id, unit_id, reason, placed_by, placed_at) values ('${fleet}', '${HOLD}', '${unit}', 'looks wrong', '${who}', '${at}');`);
}

export const place = { axle: null, side: null, tyre: null };

type Bodies = Partial<{ [N in CommandName]: CommandBody<N> }>;

/** Bodies about defects and jobs. */
function aboutWork({ unit, bay }: TestFleet, n: number): Bodies {
  const fresh = id(100 + n);
  const version = 1;
  return {
    'report-defect': { defect: fresh, unit, code: 'lamp-out', place, words: 'dark' },
    'report-nothing': { report: fresh, unit },
    'see-held': { report: fresh, unit },
    'add-to-report': { defect: REPORTED, note: fresh, words: 'more' },
    'triage-defect': { defect: REPORTED, version, holds: true },
    'dismiss-defect': { defect: REPORTED, version, reason: 'no defect' },
    'measure-defect': { defect: REPORTED, version },
    'defer-defect': { defect: REPORTED, version, until: '2026-04-01', reason: 'small' },
    'put-right-here': { defect: REPORTED, version, done: 'tied up' },
    'run-by-daylight': { defect: REPORTED, version, reason: 'to the shop' },
    'join-defect': { defect: REPORTED, version, with: IN_OPEN },
    'find-no-fault': { defect: REPORTED, version, reason: 'nothing there' },
    'take-back-answer': { defect: REPORTED, version },
    'acknowledge-repair': { defect: CERTIFIED, version },
    'make-jobs': { defects: [{ defect: REPORTED, version, job: fresh }] },
    'make-job': {
      job: fresh,
      unit,
      title: `Job ${n}`,
      defects: [{ defect: REPORTED, version }],
      minutes: 30,
      wheelsOff: false,
    },
    'place-job': { job: OPEN, version, bay, day: `2026-03-0${4 + n}` },
    'cancel-job': { job: OPEN, version, reason: 'not now' },
    'start-job': { job: PLACED, version },
    'finish-job': { job: STARTED, version, done: 'done' },
    'reopen-job': { job: DONE, version, reason: 'again' },
    'certify-job': { job: DONE, version, statement: 'good' },
    'tick-step': { job: STARTED, step: 'off 1', done: n === 0 },
    'clock-on': { job: STARTED, time: fresh },
    'clock-off': { job: STARTED, time: fresh, because: 'pause' },
    'take-part': { job: STARTED, use: fresh, part: 'lamp', count: 1 },
    'order-part': { job: STARTED, order: fresh, part: 'lamp', count: 1, due: '2026-03-09' },
    'receive-part': { job: STARTED, order: fresh },
    'torque-wheel': {
      job: STARTED,
      check: fresh,
      axle: 1,
      side: 'left',
      holes: 10,
      stage: 'snug',
      value: '475 lb-ft',
      tool: `wrench ${n}`,
      calibrated: null,
    },
  };
}

/** Bodies about units, their inspections and what lets them go. */
function aboutUnits({ unit }: TestFleet, n: number): Bodies {
  const fresh = id(100 + n);
  const version = 1;
  const thin = { kind: 'lining' as const, axle: 1, side: 'left' as const, points: [n ? '1/2 in' : '1/8 in'] };
  const row = `T-1,2026-03-02T10:0${n}:00Z,,lining,,2,left,,${n ? '1/2 in' : '3/8 in'},`;
  return {
    'do-retorque': { unit, retorque: fresh, value: '475 lb-ft', tool: 'wrench 4', moved: false },
    'lapse-retorque': { unit, retorque: fresh },
    'ask-road': { call: fresh, unit, defect: REPORTED, place: 'mile 12' },
    'take-road-report': { call: fresh, unit, job: fresh },
    'note-road': { call: fresh, unit, answer: fresh, told: { state: 'cancelled' } },
    hook: { coupling: fresh, unit, pulled: unit, place: '' },
    drop: { coupling: fresh, unit, pulled: unit, place: '' },
    'record-meter': { meter: fresh, unit, value: '48 210 km' },
    'hold-trailer': { hold: fresh, unit, reason: 'looks wrong' },
    'release-trailer': { release: fresh, unit, statement: 'good' },
    'start-inspection': { inspection: fresh, unit, purpose: 'full' },
    'take-reading': { reading: fresh, inspection: INSPECTION, value: thin },
    'skip-reading': { skip: fresh, inspection: INSPECTION, step: { kind: 'lining', ...place }, reason: 'mud' },
    'close-inspection': { inspection: INSPECTION, outcome: 'incomplete', because: `rain ${n}` },
    'drop-inspection': { inspection: INSPECTION, because: `the wrong route ${n}` },
    'note-renewed': { life: fresh, unit, part: 'lining', axle: 1, side: 'left', tyre: null },
    'attach-photo': {
      photo: fresh,
      unit,
      inspection: INSPECTION,
      defect: REPORTED,
      key: null,
      width: 2,
      height: 2,
      jpeg: TINY_JPEG,
    },
    'move-in-readings': {
      move: fresh,
      name: 'list',
      readings: [
        { unit: 'T-1', day: '2026-01-05', readings: [{ kind: 'lining', axle: 1, side: 'left', points: ['1/2 in'] }] },
      ],
    },
    'import-readings': { csv: `${READING_COLUMNS.join(',')}\n${row}\n`, goodLinesOnly: false },
    'set-fitted': { unit, key: `check:spring@${n + 1}L`, fitted: false },
    'set-unit': { unit, version, form: { ...FORM, number: `T-${n}` }, because: BECAUSE },
    'bundle-work': { unit, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z', job: id(90 + n) },
    'decline-work': { unit, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z' },
    'set-departure': { unit, departure: { at: `2026-03-0${4 + n}T08:00:00Z`, to: 'Wharf' } },
    'correct-ends': {
      change: uuidv7(),
      unit,
      ends: [{ axle: 1, side: 'left' }],
      facts: { chamber: { type: 'clamp', size: n ? '24' : '20', stroke: 'long' } },
      because: BECAUSE,
    },
    'set-unit-state': { unit, version, state: n ? 'sold' : 'scrapped', reason: 'gone' },
    'set-maker-limit': {
      unit,
      axle: 1,
      side: n ? 'left' : 'right',
      reading: 'lining',
      limit: { value: '5/16 in', source: 'manual' },
    },
    'record-paper': { paper: fresh, unit, name: 'Insurance', good: { until: `2026-1${n}-01` } },
    'record-sticker': { paper: fresh, unit, month: `2026-0${3 + n}` },
  };
}

/** A body of every command that decides about one unit, possible in the prepared state. `n` tells two of a kind apart. */
export const bodies = (fleet: TestFleet, n: number): Bodies => ({ ...aboutWork(fleet, n), ...aboutUnits(fleet, n) });

/** All that is known of a fleet's trailer, less the names of what the server made itself: each with what it is ordered by. */
const KNOWN = {
  defects:
    'select code, axle, side, state, holds, version, job_id from defect where fleet_id = $1 order by 1, 2, 3, 4, 5, 6, 7',
  jobs: 'select id, title, state, day, done, version from job where fleet_id = $1 order by id',
  held: `select reason, (select count(*) from hold_released r where r.fleet_id = h.fleet_id and r.hold_id = h.id) as ended
    from hold h where fleet_id = $1 order by 1, 2`,
  inspections: `select purpose, outcome, because, verdict, dropped_because,
      (select count(*) from reading r where r.fleet_id = i.fleet_id and r.inspection_id = i.id) as readings
    from inspection i where fleet_id = $1 order by 1, 2, 3, 4, 5, 6`,
  standing: 'select key, value, verdict from current_reading where fleet_id = $1 order by key',
  papers: 'select paper, due_on::text from paper where fleet_id = $1 order by 1, 2',
  unit: 'select number, state, axles, version from unit where fleet_id = $1',
  yard: 'select held, urgency, open_defects, to_acknowledge, verdict, due_on::text from yard_row where fleet_id = $1',
  lives: 'select part, axle, side from fitted_part where fleet_id = $1 order by 1, 2, 3',
  photos: 'select count(*) from photo where fleet_id = $1',
};
const ALL_KNOWN = `select ${Object.entries(KNOWN)
  .map(([name, query]) => `(select jsonb_agg(to_jsonb(q)) from (${query}) q) as "${name}"`)
  .join(', ')}`;

async function stateOf(world: World, { id: fleet }: TestFleet): Promise<unknown> {
  return (await world.owner.pool.query(ALL_KNOWN, [fleet])).rows[0];
}

/** Every command that decides about a unit. */
export const NAMES = COMMAND_NAMES.filter((name) =>
  ['unit', 'units', 'defect', 'job', 'inspection'].includes(commandOf(name).about),
);
const PAIRS = NAMES.flatMap((one, index) =>
  NAMES.slice(index).map((other): [CommandName, CommandName] => [one, other]),
);

type Order = 'at once' | 'first first' | 'second first';
let count = 0;

/** Makes fleets like a prepared one: row by row what that has, under ids of their own where those name a fleet. */
async function copying(world: World): Promise<() => Promise<TestFleet>> {
  const model = await world.makeFleet('model');
  await prepare(world, model);
  await world.get(`foreman@${model.slug}`, '/session');
  const ask = async (text: string) => (await world.owner.pool.query(text)).rows;
  const tables = await ask(
    `select c.table_name as name from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
     where c.table_schema = 'public' and c.column_name = 'fleet_id' and t.table_type = 'BASE TABLE'`,
  );
  const filled: string[] = [];
  for (const { name } of tables)
    if ((await ask(`select 1 from "${name}" where fleet_id = '${model.id}' limit 1`)).length) filled.push(name);
  const columns = new Map<string, string>();
  for (const name of filled) {
    const [row] = await ask(
      `select string_agg(quote_ident(column_name), ', ') as list from information_schema.columns
       where table_schema = 'public' and table_name = '${name}' and column_name not in ('fleet_id', 'slug') and is_generated = 'NEVER'`,
    );
    columns.set(name, row.list);
  }
  return async () => {
    const [id, slug] = [uuidv7(), `pair${count++}`];
    const copies = filled.map((name) => {
      const [own, value] = name === 'fleet' ? ['fleet_id, slug', `'${id}', '${slug}'`] : ['fleet_id', `'${id}'`];
      const list = columns.get(name);
      return `insert into "${name}" (${own}, ${list}) select ${value}, ${list} from "${name}" where fleet_id = '${model.id}';`;
    });
    // The order of the rows is of no matter: what they name is copied too.
    await ask(`begin; set local session_replication_role = replica; ${copies.join(' ')} commit;`);
    world.signedInAs(`foreman@${slug}`, `foreman@${model.slug}`, id);
    return { ...model, id, slug };
  };
}

/** Does two commands on a fresh trailer. What they answered, and what then is so. */
async function outcome(world: World, fleet: TestFleet, pair: [CommandName, CommandName], how: Order) {
  const send = async (n: 0 | 1) => {
    const name = pair[n];
    const answer = await world.send(`foreman@${fleet.slug}`, name, bodies(fleet, n)[name] as never, id(200 + n));
    return answer.status;
  };
  const statuses: number[] = [];
  if (how === 'at once') statuses.push(...(await Promise.all([send(0), send(1)])));
  else if (how === 'first first') statuses.push(await send(0), await send(1));
  else {
    const second = await send(1);
    statuses.push(await send(0), second);
  }
  return { statuses, state: await stateOf(world, fleet) };
}

/** The n-th of so many shares of the pairs: each share is a test file of its own, so that all processors have one. */
export function testPairs(share: number, of: number): void {
  let world: World;
  let copy: () => Promise<TestFleet>;
  beforeAll(async () => {
    world = await openWorld();
    copy = await copying(world);
  });
  afterAll(() => world.close());

  test.each(PAIRS.filter((_, index) => index % of === share))(
    '%s and %s at once are as one after the other',
    async (...pair) => {
      const together = await outcome(world, await copy(), pair, 'at once');
      expect(together.statuses.every((status) => status < 500)).toBe(true);
      const inOrder = await outcome(world, await copy(), pair, 'first first');
      // Where that was it, the other order has nothing to say.
      if (JSON.stringify(inOrder) === JSON.stringify(together)) return;
      expect([inOrder, await outcome(world, await copy(), pair, 'second first')]).toContainEqual(together);
    },
  );
}
