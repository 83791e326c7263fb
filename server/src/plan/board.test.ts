import { type Board, type KeptSlot, type PersonWork, PLAN_WEIGHTS, parseDispatch, type Slot } from '@zealous-axle/core';
import { parseICS, type VEvent } from 'node-ical';
import { v7 as uuidv7 } from 'uuid';
import { openQueue, type Queue } from '../background';
import { doersOf } from '../doers';
import { KnownProblem } from '../problem';
import { inFleet, queueUrl } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';
import type { Planner } from './planner';
import { watchPlan } from './watch';
import { watchPlan as lookAtPlan } from './watch-task';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
const WORK: PersonWork = {
  skills: ['brakes', 'tyres', 'suspension'],
  qualifications: [],
  shifts: [{ days: EVERY_DAY, from: '06:00', to: '18:00' }],
  away: [],
};

interface Shop {
  fleet: TestFleet;
  who: (role: string) => string;
  jobs: string[];
  technician: string;
}

/** A fleet with somebody at work and some jobs: each of a defect of its own. */
async function shop(jobs: number): Promise<Shop> {
  const fleet = await world.makeFleet(`plan${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const { body } = await world.get(who('manager'), '/people');
  const person = body.people.find((each: { role: string }) => each.role === 'technician');
  await world.done(who('manager'), 'set-person', {
    person: person.id,
    version: person.version,
    form: { name: person.name, role: 'technician', work: WORK },
  });
  const made: string[] = [];
  for (let n = 0; n < jobs; n++) made.push(await makeJob(fleet, n === 0));
  return { fleet, who, jobs: made, technician: person.id };
}

async function makeJob(fleet: TestFleet, holds = false): Promise<string> {
  const [defect, job] = [uuidv7(), uuidv7()];
  const place = { axle: null, side: null, tyre: null };
  await world.done(`driver@${fleet.slug}`, 'report-defect', {
    defect,
    unit: fleet.unit,
    code: holds ? 'door' : 'lamp-out',
    place,
    words: 'does not close',
  });
  await world.done(`foreman@${fleet.slug}`, 'triage-defect', { defect, version: 1, holds });
  await world.done(`foreman@${fleet.slug}`, 'make-job', {
    job,
    unit: fleet.unit,
    title: holds ? 'Door' : 'Lamp',
    defects: [{ defect, version: 2 }],
    minutes: 60,
    wheelsOff: false,
  });
  return job;
}

const board = async ({ who }: Shop): Promise<Board> => (await world.get(who('foreman'), '/plan')).body;

/** The board once it is as it is waited for: read again whenever something of the fleet is told. */
async function boardWhen(here: Shop, is: (board: Board) => boolean): Promise<Board> {
  let wake: () => void = () => {};
  const leave = world.live.subscribe(here.fleet.id, () => wake());
  try {
    for (;;) {
      const told = new Promise<void>((resolve) => {
        wake = resolve;
      });
      const now = await board(here);
      if (is(now)) return now;
      await told;
    }
  } finally {
    leave();
  }
}

async function withQueue<T>(work: () => Promise<T>, planner = world.planner): Promise<T> {
  const moved = (fleet: string, listener: () => void) => world.live.subscribe(fleet, listener);
  const doers = doersOf({ db: world.db, now: world.now, planner, moved });
  const queue: Queue = await openQueue(queueUrl(world.ownerUrl), doers, {
    tasks: 1,
    failed: (said) => failed.push(said),
  });
  try {
    return await work();
  } finally {
    await queue.close();
  }
}
const failed: string[] = [];
afterEach(() => expect(failed.splice(0)).toEqual([]));

const kept = (slots: readonly Slot[], pinned = false): KeptSlot[] => slots.map((slot) => ({ ...slot, pinned }));

/** Asks for a plan and waits until it is found. */
async function found(here: Shop) {
  const run = uuidv7();
  await world.done(here.who('foreman'), 'ask-plan', { run, how: 'anew', seconds: 1 });
  const then = await boardWhen(here, ({ runs }) => runs.some(({ id, state }) => id === run && state === 'found'));
  const answer = then.runs.find(({ id }) => id === run)?.answer;
  if (!answer) throw new Error('found, and no answer');
  return { run, answer, board: then };
}

test('a plan is asked for, found by a worker, taken, and its jobs are placed', async () => {
  const here = await shop(3);
  await withQueue(async () => {
    const { run, answer, board: before } = await found(here);
    expect(before).toMatchObject({ version: 0, published: null, slots: [] });
    expect(answer).toMatchObject({ unplaced: [], objective: { heldMinutes: expect.any(Number) } });
    expect(answer.slots.map(({ job }) => job).sort()).toEqual([...here.jobs].sort());
    // What holds the trailer comes first.
    expect(answer.slots[0]?.job).toBe(here.jobs[0]);
    await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots), run });
    const after = await board(here);
    expect(after).toMatchObject({ version: 1, published: { by: 'The foreman' }, runs: [], notes: [] });
    expect(after.slots).toHaveLength(3);
    const { body } = await world.get(here.who('technician'), `/jobs/${here.jobs[0]}`);
    expect(body.job).toMatchObject({ state: 'placed', bay: { id: here.fleet.bay }, day: '2026-03-02' });
  });
});

test('a shop weighs its plan its own way: searches go by it, and what was found before is put aside', async () => {
  const here = await shop(2);
  const weights = { ...PLAN_WEIGHTS, sum: { ...PLAN_WEIGHTS.sum, setupMinutes: 77 } };
  await withQueue(async () => {
    const { board: before } = await found(here);
    expect(before.request.weights).toEqual(PLAN_WEIGHTS);
    const set = (version: number) => world.send(here.who('foreman'), 'set-plan-weights', { version, weights });
    expect((await set(before.settings)).status).toBe(200);
    expect((await set(before.settings)).status).toBe(409);
    expect((await board(here)).runs).toEqual([]);
    const { board: after } = await found(here);
    expect(after.request.weights).toEqual(weights);
  });
  const zero = { ...weights, movedSlot: -1 };
  const refused = await world.send(here.who('foreman'), 'set-plan-weights', { version: 2, weights: zero });
  expect(refused.status).toBe(400);
});

test('a machine too busy for even one plan in its time is given more, once, and the plan is found', async () => {
  const here = await shop(3);
  const limits: number[] = [];
  const busy: Planner = {
    ...world.planner,
    async plan(request, ...others) {
      limits.push(request.timeLimitMs);
      if (limits.length === 1) throw new KnownProblem('too-slow');
      // Here it is searched in this very process: shortly.
      return world.planner.plan({ ...request, timeLimitMs: 500 }, ...others);
    },
  };
  await withQueue(async () => void (await found(here)), busy);
  const [first = 0, second = 0] = limits;
  expect(second).toBeGreaterThan(2 * first);
  expect(limits).toHaveLength(2);
});

test('of two foremen the second is shown what the first one made the plan', async () => {
  const here = await shop(2);
  const { answer } = await withQueue(() => found(here));
  const body = { version: 0, slots: kept(answer.slots) };
  await world.done(here.who('foreman'), 'publish-plan', body);
  const second = await world.send(here.who('manager'), 'publish-plan', body);
  expect([second.status, second.body.current.version]).toEqual([409, 1]);
  expect(second.body.current.published.by).toBe('The foreman');
});

test('a plan that breaks a rule is refused with the job and the rule, and changes nothing', async () => {
  const here = await shop(2);
  const { answer } = await withQueue(() => found(here));
  const [first, second] = answer.slots;
  if (!first || !second) throw new Error('two slots');
  const over = { ...second, start: first.start, end: first.end, setupMinutes: first.setupMinutes };
  const refused = await world.send(here.who('foreman'), 'publish-plan', {
    version: 0,
    slots: kept([first, over], true),
  });
  expect(refused.status).toBe(409);
  expect(refused.body.detail).toMatch(/^T-1, (Door|Lamp): .*(meets|trailer is at|is at)/);
  const night = { ...first, start: '2026-03-03T08:00:00.000Z', end: '2026-03-03T09:15:00.000Z' };
  const late = await world.send(here.who('foreman'), 'publish-plan', { version: 0, slots: kept([night], true) });
  expect(late.body.detail).toContain('is not in one shift all the while');
  expect(await board(here)).toMatchObject({ version: 0, slots: [] });
});

test.each([
  ['before any of it was to begin', 0],
  ['just after the first job was to begin, and did not', 7],
])('an absence makes a proposal that moves what must, and can be taken: %s', async (_, minutes) => {
  const here = await shop(2);
  await withQueue(async () => {
    const { answer, run } = await found(here);
    await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots), run });
    world.later(minutes);
    const { body } = await world.get(here.who('manager'), '/people');
    const person = body.people.find(({ id }: { id: string }) => id === here.technician);
    await world.done(here.who('manager'), 'set-person', {
      person: person.id,
      version: person.version,
      form: {
        name: person.name,
        role: 'technician',
        work: { ...WORK, away: [{ from: '2026-03-02', until: '2026-03-02', reason: 'ill' }] },
      },
    });
    const then = await boardWhen(here, ({ runs }) =>
      runs.some(({ state, how }) => state === 'found' && how === 'again'),
    );
    const proposal = then.runs.find(({ how }) => how === 'again');
    expect(proposal).toMatchObject({ by: null, because: 'Someone’s hours or absence changed', from: 1 });
    expect(proposal?.answer?.slots.every(({ start }) => start >= '2026-03-03')).toBe(true);
    expect(then.notes.length).toBeGreaterThan(0);
    // The plan itself stands until somebody takes the proposal.
    expect(then.slots.map(({ start }) => start)).toEqual(answer.slots.map(({ start }) => start));
    const taken = { version: 1, slots: kept(proposal?.answer?.slots ?? []), run: proposal?.id };
    expect((await world.send(here.who('foreman'), 'publish-plan', taken)).status).toBe(200);
  });
});

test('a search that is canceled ends with the best so far, which may be taken', async () => {
  const here = await shop(2);
  const run = uuidv7();
  await world.done(here.who('foreman'), 'ask-plan', { run, how: 'anew', seconds: 60 });
  await world.done(here.who('foreman'), 'cancel-plan', { run });
  await withQueue(async () => {
    // Nobody waits for it: it is not even begun.
    const { run: other } = await found(here);
    const { runs } = await board(here);
    expect(runs.map(({ id, state, answer }) => [id, state, answer === null])).toEqual([
      [other, 'found', false],
      [run, 'cancelled', true],
    ]);
  });
  await world.done(here.who('foreman'), 'put-plan-aside', { run });
  expect((await board(here)).runs).toHaveLength(1);
});

test('a job put on a day by hand is said to be so, and stands under nothing else', async () => {
  const here = await shop(1);
  const [job = ''] = here.jobs;
  const { body } = await world.get(here.who('foreman'), `/jobs/${job}`);
  const day = '2026-03-04';
  await world.done(here.who('foreman'), 'place-job', { job, version: body.job.version, bay: here.fleet.bay, day });
  expect((await board(here)).jobs).toMatchObject([{ id: job, putOn: { day, bay: here.fleet.bay } }]);
});

test('what a person asked for takes the place of what the program proposed, and is not proposed once more', async () => {
  const here = await shop(2);
  const published = { version: 0, slots: [], run: undefined };
  await world.done(here.who('foreman'), 'publish-plan', published);
  const look = () => lookAtPlan({ db: world.db, now: world.now }, { fleet: here.fleet.id, because: null });
  await look();
  expect((await board(here)).runs).toMatchObject([{ by: null }]);
  await world.done(here.who('foreman'), 'ask-plan', { run: uuidv7(), how: 'anew', seconds: 2 });
  expect((await board(here)).runs).toMatchObject([{ by: 'The foreman' }]);
  await world.owner.pool.query("update plan_run set state = 'found' where fleet_id = $1 and asked_by is not null", [
    here.fleet.id,
  ]);
  await look();
  expect((await board(here)).runs).toMatchObject([{ by: 'The foreman' }]);
});

test('a part that is missing holds its job back until the day after it is here', async () => {
  const here = await shop(1);
  await world.done(here.who('foreman'), 'add-part', {
    part: 'air-bag',
    form: { name: 'Air bag', price: 8_900, leadDays: 3 },
    stock: 0,
  });
  const [defect, job] = [uuidv7(), uuidv7()];
  await world.done(here.who('driver'), 'report-defect', {
    defect,
    unit: here.fleet.unit,
    code: 'air-bag-flat',
    place: { axle: 1, side: 'left', tyre: null },
    words: 'leans',
  });
  await world.done(here.who('foreman'), 'triage-defect', { defect, version: 1, holds: true });
  await world.done(here.who('foreman'), 'make-job', {
    job,
    unit: here.fleet.unit,
    title: 'Air bag',
    defects: [{ defect, version: 2 }],
    minutes: 70,
    wheelsOff: false,
    work: [{ template: 'air-bag', ends: [{ axle: 1, side: 'left' }] }],
  });
  const { request, jobs } = await board(here);
  expect(jobs.find(({ id }) => id === job)?.waits).toEqual({ on: '2026-03-05', how: 'to order', unknown: null });
  expect(request.jobs.find(({ id }) => id === job)?.release).toBe('2026-03-06T06:00:00.000Z');
  const short = await world.get(here.who('technician'), '/plan/parts');
  expect(short.body.short).toEqual([
    { part: 'air-bag', name: 'Air bag', missing: 2, jobs: [{ id: job, number: 'T-1' }], on: '2026-03-05' },
  ]);
});

test('a part ordered for a job that is canceled is on its way all the same, and comes into stock', async () => {
  const here = await shop(1);
  const job = (await board(here)).jobs[0]?.id ?? '';
  await world.owner.pool.query(
    "insert into part (fleet_id, id, name, stock, price, lead_days) values ($1, 'lamp', 'Lamp', 0, 900, 3) on conflict (fleet_id, id) do update set stock = 0",
    [here.fleet.id],
  );
  const order = uuidv7();
  const foreman = here.who('foreman');
  await world.done(foreman, 'order-part', { job, order, part: 'lamp', count: 2, due: '2026-03-09' });
  const coming = async () => (await world.get(foreman, '/plan/parts')).body.coming;
  expect(await coming()).toMatchObject([{ order, name: 'Lamp', count: 2, number: 'T-1', over: false }]);
  await world.done(foreman, 'cancel-job', { job, version: 1, reason: 'sold' });
  expect(await coming()).toMatchObject([{ order, over: true }]);
  await world.done(foreman, 'receive-part', { job, order });
  expect(await coming()).toEqual([]);
  const { rows } = await world.owner.pool.query("select stock from part where fleet_id = $1 and id = 'lamp'", [
    here.fleet.id,
  ]);
  expect(rows).toEqual([{ stock: 2 }]);
});

test('drivers neither see nor make the plan', async () => {
  const here = await shop(0);
  expect((await world.get(here.who('driver'), '/plan')).status).toBe(403);
  expect((await world.send(here.who('technician'), 'publish-plan', { version: 0, slots: [] })).status).toBe(403);
});

test('a newer proposal takes the place of an older one, and what was put aside is thrown away after a season', async () => {
  const here = await shop(2);
  await withQueue(async () => {
    const { run, answer } = await found(here);
    await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots), run });
    const proposed = async () => {
      await makeJob(here.fleet);
      const then = await boardWhen(here, ({ runs, jobs }) =>
        runs.some(({ state, answer: one }) => state === 'found' && one?.slots.length === jobs.length),
      );
      return then.runs;
    };
    expect(await proposed()).toHaveLength(1);
    expect(await proposed()).toHaveLength(1);
    const rows = () => world.owner.pool.query('select state from plan_run where fleet_id = $1', [here.fleet.id]);
    expect((await rows()).rowCount).toBe(3);
    await world.owner.pool.query(
      "update plan_run set asked_at = asked_at - interval '100 days' where fleet_id = $1 and state in ('taken', 'put aside')",
      [here.fleet.id],
    );
    await proposed();
    expect((await rows()).rowCount).toBe(2);
  });
});

test('a job that runs over is seen by the clock: what it delays is proposed anew, and it stays where it is', async () => {
  const here = await shop(3);
  await withQueue(async () => {
    const { answer, run } = await found(here);
    await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots), run });
    const [first, second] = answer.slots;
    if (!first || !second) throw new Error('slots');
    world.later((Date.parse(first.start) - world.now().getTime()) / 60_000);
    const { body } = await world.get(here.who('technician'), `/jobs/${first.job}`);
    await world.done(here.who('technician'), 'start-job', { job: first.job, version: body.job.version });
    await world.done(here.who('technician'), 'clock-on', { job: first.job, time: uuidv7() });
    // Past its end, and past the grace of the next one.
    world.later((Date.parse(first.end) - world.now().getTime()) / 60_000 + 40);
    await inFleet(world.db, here.fleet.id, (store) => watchPlan(store, here.fleet.id, null));
    const then = await boardWhen(here, ({ runs }) => runs.some(({ state }) => state === 'found'));
    const begun = then.slots.find(({ job }) => job === first.job);
    expect(begun).toMatchObject({ bay: first.bay, technicians: [here.technician] });
    expect(begun && begun.end > then.now).toBe(true);
    const proposal = then.runs.find(({ state }) => state === 'found');
    expect(proposal).toMatchObject({ by: null, how: 'again' });
    const next = proposal?.answer?.slots.find(({ job }) => job === second.job);
    expect(next && begun && next.start >= begun.end).toBe(true);
  });
});

describe('a calendar', () => {
  const SECRET = 'a'.repeat(40);
  const read = async ({ fleet }: Shop, secret = SECRET) =>
    world.app.inject({ url: `/calendar/${fleet.id}.${secret}.ics` });

  test('is read by whoever has its address, follows the plan, and is closed', async () => {
    const here = await shop(2);
    const calendar = uuidv7();
    await world.done(here.who('technician'), 'open-calendar', { calendar, whose: 'mine', secret: SECRET });
    const { answer } = await withQueue(() => found(here));
    await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots) });
    const file = await read(here);
    expect(file.headers['content-type']).toBe('text/calendar; charset=utf-8');
    const events = Object.values(parseICS(file.body)).filter((each) => each?.type === 'VEVENT') as VEvent[];
    expect(events.map(({ summary, start, end }) => [summary, start.toISOString(), end?.toISOString()]).sort()).toEqual(
      answer.slots.map(({ job, start, end }) => [job === here.jobs[0] ? 'T-1: Door' : 'T-1: Lamp', start, end]).sort(),
    );
    // Another plan brings the same events, newer.
    const first = answer.slots[0] as Slot;
    await world.done(here.who('foreman'), 'publish-plan', { version: 1, slots: kept([first]) });
    const again = Object.values(parseICS((await read(here)).body)).filter(
      (each) => each?.type === 'VEVENT',
    ) as VEvent[];
    expect(again.map(({ uid, sequence }) => [uid, Number(sequence)])).toEqual([[`${first.job}@${here.fleet.id}`, 2]]);
    await world.done(here.who('technician'), 'close-calendar', { calendar });
    expect((await read(here)).statusCode).toBe(404);
  });

  test('ends with whoever opened it: who left reads nothing more', async () => {
    const here = await shop(0);
    await world.done(here.who('technician'), 'open-calendar', { calendar: uuidv7(), whose: 'shop', secret: SECRET });
    expect((await read(here)).statusCode).toBe(200);
    const { people } = (await world.get(here.who('manager'), '/people')).body;
    const gone = people.find(({ role }: { role: string }) => role === 'technician');
    await world.done(here.who('manager'), 'set-person-left', { person: gone.id, version: gone.version, left: true });
    expect((await read(here)).statusCode).toBe(404);
  });

  test('opens with nothing but its whole secret, and nobody’s secret is kept', async () => {
    const here = await shop(0);
    await world.done(here.who('foreman'), 'open-calendar', { calendar: uuidv7(), whose: 'shop', secret: SECRET });
    expect((await read(here, 'b'.repeat(40))).statusCode).toBe(404);
    expect((await world.app.inject({ url: `/calendar/${SECRET}.ics` })).statusCode).toBe(404);
    const { rows } = await world.owner.pool.query('select body::text from event where fleet_id = $1', [here.fleet.id]);
    expect(rows.filter(({ body }) => body.includes(SECRET))).toEqual([]);
    const other = await world.get(here.who('technician'), '/calendars');
    expect(other.body.calendars).toEqual([]);
  });
});

test('a unit says when it is expected back, to drivers too; with a job that has no place nobody knows', async () => {
  const here = await shop(2);
  const { answer } = await withQueue(() => found(here));
  const of = async () => (await world.get(here.who('driver'), `/units/${here.fleet.unit}/plan`)).body;
  expect(await of()).toMatchObject({ jobs: 2, unplanned: 2, back: null, leaves: null });
  await world.done(here.who('foreman'), 'publish-plan', { version: 0, slots: kept(answer.slots) });
  const last = answer.slots
    .map(({ end }) => end)
    .sort()
    .at(-1);
  expect(await of()).toMatchObject({ unplanned: 0, back: last, over: false });
  await world.done(here.who('foreman'), 'set-departure', {
    unit: here.fleet.unit,
    departure: { at: '2026-03-09T14:00:00Z', to: 'Mill' },
  });
  expect((await of()).leaves).toEqual(expect.objectContaining({ to: 'Mill' }));
});

/** Has a fleet choose the stand-in of its dispatch. */
const chooseStandIn = (here: Awaited<ReturnType<typeof shop>>) =>
  world.done(here.who('manager'), 'set-outside', {
    thing: 'dispatch',
    version: 0,
    form: { way: 'made-up', phone: '', url: '' },
  });

test('the simulated dispatch speaks the protocol, and only of the fleet’s own units', async () => {
  const here = await shop(0);
  await chooseStandIn(here);
  const { body } = await world.get(here.who('foreman'), '/dispatch');
  for (const line of body.lines) expect(parseDispatch(line)).toMatchObject({ unit: 'T-1' });
  expect((await world.get(here.who('driver'), '/dispatch')).status).toBe(403);
});

test('a meter the dispatch tells stands with the time it was read at, and never ahead of now', async () => {
  const here = await shop(0);
  await chooseStandIn(here);
  const meter = (value: string, readAt: string) =>
    world.send(here.who('foreman'), 'record-meter', { meter: uuidv7(), unit: here.fleet.unit, value, readAt });
  const day = 86_400_000;
  const ago = (days: number) => new Date(world.now().getTime() - days * day).toISOString();
  expect((await meter('48 210 km', ago(2))).status).toBe(200);
  expect((await meter('47 000 km', ago(9))).status).toBe(200);
  expect((await meter('49 000 km', ago(-1))).status).toBe(400);
  const { body: unit } = await world.get(here.who('driver'), `/units/${here.fleet.unit}`);
  expect(unit.meter).toMatchObject({ value: '48 210 km', at: ago(2) });
  const { body } = await world.get(here.who('foreman'), '/dispatch');
  const told = body.lines.map(parseDispatch).filter(({ tells }: { tells: string }) => tells === 'meter');
  expect(told).toEqual([expect.objectContaining({ unit: 'T-1', value: expect.stringMatching(/km$/) })]);
});

test('many defects are made jobs at once: one for each trailer and kind of work; what no template names is left', async () => {
  const here = await shop(0);
  const report = async (code: string, place: { axle: number | null; side: 'left' | 'right' | null }) => {
    const defect = uuidv7();
    const at = { ...place, tyre: null };
    await world.done(here.who('driver'), 'report-defect', {
      defect,
      unit: here.fleet.unit,
      code,
      place: at,
      words: 'so',
    });
    await world.done(here.who('foreman'), 'triage-defect', { defect, version: 1, holds: code === 'chamber-leak' });
    return { defect, version: 2, job: uuidv7() };
  };
  const whole = { axle: null, side: null };
  const defects = [
    await report('chamber-leak', { axle: 1, side: 'left' }),
    await report('chamber-leak', { axle: 1, side: 'right' }),
    await report('lamp-out', whole),
    await report('other', whole),
  ];
  await world.done(here.who('foreman'), 'make-jobs', { defects });
  const { jobs } = await board(here);
  expect(jobs.map(({ title }) => title).sort()).toEqual([
    expect.stringMatching(/^Chamber.* 1L, 1R$/),
    expect.stringMatching(/^Lamp/),
  ]);
  const left = await world.get(here.who('foreman'), '/defects?state=triaged');
  expect(left.body.defects.map(({ code }: { code: string }) => code)).toEqual(['other']);
  // Sent twice, or by two at once: what is planned already is not planned again.
  expect((await world.send(here.who('manager'), 'make-jobs', { defects })).status).toBe(409);
});

test('how full a bay’s day is follows from its hours, its closed days and the jobs put there', async () => {
  const here = await shop(2);
  const [one, other] = here.jobs as [string, string];
  const hours = [{ days: EVERY_DAY, from: '06:00', to: '08:00' }];
  const closed = [{ from: '2026-03-05', until: '2026-03-05', reason: 'hoist' }];
  await world.done(here.who('foreman'), 'save-bay', {
    bay: here.fleet.bay,
    name: 'Bay 1',
    work: { kinds: [], hours, closed },
  });
  await world.done(here.who('foreman'), 'place-job', { job: one, version: 1, bay: here.fleet.bay, day: '2026-03-04' });
  const on = async (day: string, job: string) =>
    (await world.get(here.who('foreman'), `/bays/${here.fleet.bay}/day?day=${day}&job=${job}`)).body;
  expect(await on('2026-03-04', other)).toEqual({ booked: 60, open: 120 });
  expect(await on('2026-03-04', one)).toEqual({ booked: 0, open: 120 });
  expect(await on('2026-03-05', other)).toEqual({ booked: 0, open: 0 });
});
