import type { CommandBody, CommandName, JobPage, UnitPage } from '@zealous-axle/core';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const STOCK = 3;
const ROLES = ['driver', 'technician', 'foreman', 'manager'] as const;
type Role = (typeof ROLES)[number];
const CODES = ['brake-missing', 'lamp-out', 'mud-flap-torn', 'unsure-brake'] as const;

/** What somebody may try, each drawn from what stands now; most of it is refused most of the time. */
const ACTS = [
  'report',
  'triage',
  'measure',
  'defer',
  'join',
  'no fault',
  'dismiss',
  'take back',
  'make',
  'place',
  'start',
  'tick',
  'part',
  'finish',
  'reopen',
  'certify',
  'cancel',
  'acknowledge',
  'hold',
  'release',
] as const;
type ActName = (typeof ACTS)[number];
const tried = fc.record({ act: fc.constantFrom(...ACTS), role: fc.constantFrom(...ROLES), n: fc.nat({ max: 30 }) });

const whole = { axle: null, side: null, tyre: null };
const end = { axle: 1, side: 'left', tyre: null } as const;

interface Sent {
  name: CommandName;
  role: Role;
  status: number;
  body: { detail?: string; errors?: { message: string }[] };
}

async function attempt(
  fleet: TestFleet,
  { act, role, n }: { act: ActName; role: Role; n: number },
): Promise<Sent | null> {
  const who = `${role}@${fleet.slug}`;
  const page: UnitPage = (await world.get(who, `/units/${fleet.unit}`)).body;
  const defect = page.defects[n % Math.max(1, page.defects.length)];
  const other = page.defects[(n + 1) % Math.max(1, page.defects.length)];
  const [job] = page.jobs;
  const send = async <N extends CommandName>(name: N, body: CommandBody<N>): Promise<Sent> => ({
    name,
    role,
    ...(await world.send(who, name, body)),
  });
  const head = { defect: defect?.id ?? uuidv7(), version: defect?.version ?? 1 };
  const at = { job: job?.id ?? uuidv7(), version: job?.version ?? 1 };
  const open: JobPage | null = job ? (await world.get(who, `/jobs/${job.id}`)).body : null;
  const code = CODES[n % CODES.length] ?? 'lamp-out';
  const acts: Record<ActName, () => Promise<Sent>> = {
    report: () =>
      send('report-defect', {
        defect: uuidv7(),
        unit: fleet.unit,
        code,
        place: code === 'lamp-out' || code === 'mud-flap-torn' ? whole : end,
        words: `report ${n}`,
      }),
    triage: () => send('triage-defect', { ...head, holds: n % 2 === 0 }),
    measure: () => send('measure-defect', head),
    defer: () => send('defer-defect', { ...head, until: '2099-01-01', reason: 'small' }),
    join: () => send('join-defect', { ...head, with: other?.id ?? uuidv7() }),
    'no fault': () => send('find-no-fault', { ...head, reason: 'nothing' }),
    dismiss: () => send('dismiss-defect', { ...head, reason: 'no defect' }),
    'take back': () => send('take-back-answer', head),
    make: () =>
      send('make-job', {
        job: uuidv7(),
        unit: fleet.unit,
        title: `Job ${n}`,
        defects: [head],
        minutes: 30,
        wheelsOff: false,
        work: [{ template: 'lamp', ends: [] }],
      }),
    place: () => send('place-job', { ...at, bay: fleet.bay, day: '2026-03-05' }),
    start: () => send('start-job', at),
    tick: () => send('tick-step', { job: at.job, step: open?.work.steps[n % 3]?.key ?? 'none', done: n % 5 !== 0 }),
    part: () => send('take-part', { job: at.job, use: uuidv7(), part: 'lamp', count: 1 }),
    finish: () => send('finish-job', { ...at, done: 'done' }),
    reopen: () => send('reopen-job', { ...at, reason: 'again' }),
    certify: () => send('certify-job', { ...at, statement: `signed by the ${role}` }),
    cancel: () => send('cancel-job', { ...at, reason: 'not now' }),
    acknowledge: () => send('acknowledge-repair', head),
    hold: () => send('hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: `looks wrong ${n}` }),
    release: () => send('release-trailer', { release: uuidv7(), unit: fleet.unit, statement: 'good' }),
  };
  return acts[act]();
}

const ask = async (sql: string, fleet: string) => (await world.owner.pool.query(sql, [fleet])).rows;

/** What must be so whatever was tried. */
async function faults({ id }: TestFleet, reported: number): Promise<string[]> {
  const wrong: string[] = [];
  const [defects] = await ask('select count(*)::int as n from defect where fleet_id = $1', id);
  if (defects.n !== reported) wrong.push(`${reported} reported, ${defects.n} kept`);
  const [parts] = await ask(
    `select p.stock + coalesce((select sum(count) from part_use u where u.fleet_id = p.fleet_id and u.part_id = p.id), 0)::int as n
     from part p where fleet_id = $1 and id = 'lamp'`,
    id,
  );
  if (parts.n !== STOCK) wrong.push(`${STOCK} parts began, ${parts.n} are accounted for`);
  const signed = await ask(
    `select c.statement, p.role from certificate c join person p on p.fleet_id = c.fleet_id and p.id = c.signed_by where c.fleet_id = $1`,
    id,
  );
  for (const { statement, role } of signed)
    if (statement !== `signed by the ${role}`) wrong.push(`${statement}, but ${role} stands under it`);
  const lost = await ask(
    `select d.id from defect d where fleet_id = $1 and state in ('planned', 'done', 'certified') and not exists
       (select 1 from job j where j.fleet_id = d.fleet_id and j.id = d.job_id and j.state <> 'cancelled')`,
    id,
  );
  if (lost.length) wrong.push('a defect of no job');
  return wrong;
}

const RUNS = Number(process.env.ZA_LOOP_RUNS ?? 8);

test('whatever several people try in whatever order: nothing lost, doubled or signed for another, no release over an open hold', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(tried, { minLength: 20, maxLength: 45 }), async (sequence) => {
      const fleet = await world.makeFleet(`loop-${count++}`);
      await world.done(`foreman@${fleet.slug}`, 'add-part', {
        part: 'lamp',
        form: { name: 'Lamp', price: 100, leadDays: 1 },
        stock: STOCK,
      });
      let reported = 0;
      for (const each of sequence) {
        const before: UnitPage = (await world.get(`foreman@${fleet.slug}`, `/units/${fleet.unit}`)).body;
        const sent = await attempt(fleet, each);
        if (!sent) continue;
        if (sent.status === 200 && sent.name === 'report-defect') reported++;
        if (sent.status === 200 && sent.name === 'release-trailer') {
          const open = before.defects.filter(
            ({ holds, state }) =>
              holds && !['certified', 'acknowledged', 'dismissed', 'joined', 'no-fault'].includes(state),
          );
          expect(open).toEqual([]);
        }
        if (sent.status !== 200) {
          expect([400, 403, 404, 409]).toContain(sent.status);
          expect(
            `${sent.body.detail}${sent.body.errors?.map(({ message }) => message).join('')}`.length,
          ).toBeGreaterThan(10);
        }
        expect(await faults(fleet, reported)).toEqual([]);
      }
    }),
    { numRuns: RUNS },
  );
});
