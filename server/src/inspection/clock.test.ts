import type { Reading } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
/** When its devices last heard from the server. */
let begun: Date;
const NOW = new Date('2026-03-02T12:00:00Z');
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  begun = new Date(world.now().getTime() - 86_400_000);
  fleet = await world.makeFleet(`clock${uuidv7().slice(-6)}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const YEAR_MS = 365 * 86_400_000;

/** Sends a command as a device whose clock is off by so much would; `sent` only where it tells its clock. */
async function by(name: string, body: object, off: number, tells = true) {
  const now = new Date(world.now().getTime() + off).toISOString();
  const answer = await world.post(who('technician'), `/commands/${name}`, {
    id: uuidv7(),
    at: now,
    ...(tells ? { sent: now, contact: begun.toISOString() } : {}),
    body,
  });
  return { status: answer.statusCode, body: answer.json() };
}
const lining = (text: string): Reading => ({ kind: 'lining', axle: 1, side: 'left', points: [text] });
const standing = async () =>
  (await world.get(who('driver'), `/units/${fleet.unit}`)).body.standing.find(
    (each: { key: string }) => each.key === 'lining@1L',
  );

async function read(text: string, off: number, tells = true) {
  const [inspection, reading] = [uuidv7(), uuidv7()];
  await by('start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' }, off, tells);
  const taken = await by('take-reading', { reading, inspection, value: lining(text) }, off, tells);
  expect(taken.status).toBe(200);
  return { inspection, reading };
}

test('a device a year behind is put right by what its clock was off', async () => {
  await read('3/4 in', 0);
  world.later(10);
  const { inspection } = await read('1/16 in', -YEAR_MS);
  expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] }, verdict: 'violation', doubtful: false });
  const sheet = (await world.get(who('foreman'), `/inspections/${inspection}`)).body;
  expect(sheet.readings[0]).toMatchObject({
    at: world.now().toISOString(),
    said: new Date(world.now().getTime() - YEAR_MS).toISOString(),
  });
});

test('where the clock is not told, the worse of two readings stands, and it is said that nobody knows', async () => {
  await read('3/4 in', 0);
  world.later(10);
  await read('1/16 in', -3_600_000, false);
  expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] }, doubtful: true });
  await read('1/2 in', -7_200_000, false);
  expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] }, doubtful: true });
  world.later(10);
  await read('1/2 in', 0);
  expect(await standing()).toMatchObject({ value: { points: ['1/2 in'] }, doubtful: false });
});

test('without a last contact the worse of two readings stands, whatever date a device names', async () => {
  await read('1/16 in', 0);
  world.later(10);
  const bare = async (text: string) => {
    const inspection = uuidv7();
    const [at, sent] = [world.now().toISOString(), world.now().toISOString()];
    const act = (name: string, body: object) =>
      world.post(who('technician'), `/commands/${name}`, { id: uuidv7(), at, sent, body });
    await act('start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' });
    await act('take-reading', { reading: uuidv7(), inspection, value: lining(text) });
  };
  await bare('3/4 in');
  expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] }, doubtful: true });
  // Not even by one whose own clock is known, where it may have been taken before the one in doubt.
  await read('1/2 in', 0);
  expect(await standing()).toMatchObject({ value: { points: ['1/2 in'] }, doubtful: false });
});

test('correcting an old inspection changes nothing of what was read since', async () => {
  const old = await read('3/4 in', 0);
  world.later(10);
  await read('1/16 in', 0);
  world.later(10);
  await by(
    'take-reading',
    { reading: uuidv7(), inspection: old.inspection, supersedes: old.reading, value: lining('5/8 in') },
    0,
  );
  expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] } });
});

test('a reading older than a device may go without us is kept, and decides nothing', async () => {
  await by('start-inspection', { inspection: uuidv7(), unit: fleet.unit, purpose: 'walk' }, 0);
  const { inspection } = await read('1/16 in', -YEAR_MS, false);
  expect(await standing()).toBeUndefined();
  expect((await world.get(who('foreman'), `/inspections/${inspection}`)).body.readings).toHaveLength(1);
});

test('an act of a clock moved back since the last contact lies after that contact, and its order is unknown', async () => {
  const contact = world.now().toISOString();
  world.later(10);
  await read('1/4 in', 0);
  world.later(10);
  const inspection = uuidv7();
  const early = new Date(world.now().getTime() - YEAR_MS).toISOString();
  const sent = world.now().toISOString();
  const moved = (name: string, body: object) =>
    world.post(who('technician'), `/commands/${name}`, { id: uuidv7(), at: early, sent, contact, body });
  await moved('start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' });
  await moved('take-reading', { reading: uuidv7(), inspection, value: lining('1/2 in') });
  expect(await standing()).toMatchObject({ value: { points: ['1/4 in'] }, doubtful: true });
});

describe('a device that counts its acts', () => {
  const device = uuidv7();
  let count: number;
  beforeEach(() => {
    count = 0;
  });
  /** A reading as a device would send it whose clock says `at`, as its acts of those numbers. */
  const counted = async (text: string, at: Date, number = count + 2) => {
    count = number;
    const inspection = uuidv7();
    const act = (name: string, body: object, n: number) =>
      world.post(who('technician'), `/commands/${name}`, {
        id: uuidv7(),
        at: at.toISOString(),
        sent: world.now().toISOString(),
        contact: begun.toISOString(),
        counted: { device, count: n },
        body,
      });
    await act('start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' }, number - 1);
    const taken = await act('take-reading', { reading: uuidv7(), inspection, value: lining(text) }, number);
    expect(taken.statusCode).toBe(200);
  };
  const minutesAgo = (minutes: number) => new Date(world.now().getTime() - minutes * 60_000);

  test('does its later act later, whatever its clock says in between', async () => {
    await counted('1/16 in', minutesAgo(5));
    await counted('1/2 in', minutesAgo(60));
    expect(await standing()).toMatchObject({ value: { points: ['1/2 in'] } });
  });

  test('does an act it sends after later ones before them', async () => {
    await counted('1/16 in', minutesAgo(30), 10);
    await counted('1/2 in', minutesAgo(1), 4);
    expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] } });
  });

  test('leaves in doubt what another read in the hour its clock was moved', async () => {
    await counted('1/2 in', minutesAgo(50));
    await read('1/16 in', -20 * 60_000);
    await counted('5/8 in', minutesAgo(3_000));
    expect(await standing()).toMatchObject({ value: { points: ['1/16 in'] }, doubtful: true });
  });
});

test('a command older than a device may go without us is kept, marked, and decides nothing', async () => {
  const defect = uuidv7();
  const body = {
    defect,
    unit: fleet.unit,
    code: 'chamber-leak',
    place: { axle: 1, side: 'left', tyre: null },
    words: '',
  };
  const reported = await by('report-defect', body, -YEAR_MS, false);
  expect(reported).toMatchObject({ status: 200, body: { tooOld: true } });
  expect((await world.get(who('driver'), `/units/${fleet.unit}`)).body).toMatchObject({ holds: [] });
  const held = await by('hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'old' }, -YEAR_MS, false);
  expect(held.body).toMatchObject({ tooOld: true, changed: [] });
  const { rows } = await world.owner.pool.query('select type from event where fleet_id = $1 and too_old order by id', [
    fleet.id,
  ]);
  expect(rows).toEqual([{ type: 'report-defect' }, { type: 'hold-trailer' }]);
});

test('an end before the beginning is refused', async () => {
  const inspection = uuidv7();
  await by('start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' }, 0);
  const end = await by('close-inspection', { inspection, outcome: 'incomplete', because: 'rain' }, -3_600_000, false);
  expect(end).toMatchObject({ status: 409, body: { detail: expect.stringMatching('before it began') } });
});

test('an end dated twenty years back lets no job be signed without measuring again', async () => {
  await inspectAll(world, fleet, [lining('1/16 in')]);
  const { defects } = (await world.get(who('foreman'), '/defects?state=reported')).body;
  const job = uuidv7();
  await world.done(who('foreman'), 'make-job', {
    job,
    unit: fleet.unit,
    title: 'Reline',
    defects: defects.map(({ id, version }: { id: string; version: number }) => ({ defect: id, version })),
    minutes: 60,
    wheelsOff: false,
  });
  await world.done(who('foreman'), 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
  await by('start-job', { job, version: 2 }, 0);
  await by('finish-job', { job, version: 3, done: 'relined' }, -20 * YEAR_MS, false);
  expect(await by('certify-job', { job, version: 3, statement: 'good' }, 0)).toMatchObject({ status: 409 });
  await by('finish-job', { job, version: 3, done: 'relined' }, -20 * 86_400_000, false);
  const signed = await by('certify-job', { job, version: 4, statement: 'good' }, 0);
  expect(signed).toMatchObject({ status: 409, body: { detail: expect.stringMatching('not measured again') } });
});

test('an inspection is for a job that there is, and a photo of the unit of its inspection', async () => {
  const body = { inspection: uuidv7(), unit: fleet.unit, purpose: 're-measure', job: uuidv7() };
  expect((await by('start-inspection', body, 0)).status).toBe(404);
});

test('a full inspection of one thing closes as whole never, whatever steps the device names', async () => {
  const inspection = uuidv7();
  const steps = [{ kind: 'mud-flap', axle: null, side: 'left', tyre: null }];
  await by('start-inspection', { inspection, unit: fleet.unit, purpose: 'full', steps }, 0);
  await by(
    'take-reading',
    { reading: uuidv7(), inspection, value: { kind: 'mud-flap', side: 'left', value: '7 in' } },
    0,
  );
  const end = await by('close-inspection', { inspection, outcome: 'complete' }, 0);
  expect(end).toMatchObject({ status: 409, body: { detail: expect.stringMatching('are missing') } });
});

test('a walk reports what it saw, not what others read before it', async () => {
  await inspectAll(world, fleet, [lining('1/16 in')]);
  const { defects } = (await world.get(who('foreman'), '/defects?state=reported')).body;
  for (const { id, version } of defects)
    await world.done(who('foreman'), 'dismiss-defect', { defect: id, version, reason: 'known' });
  const inspection = uuidv7();
  await world.done(who('driver'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' });
  const value: Reading = { kind: 'check', check: 'spring', axle: 1, side: 'left', found: [], how: 'seen' };
  await world.done(who('driver'), 'take-reading', { reading: uuidv7(), inspection, value });
  const { changed } = await world.done(who('driver'), 'close-inspection', {
    inspection,
    outcome: 'incomplete',
    because: 'short',
  });
  expect(changed.filter(({ kind }) => kind === 'defect')).toEqual([]);
});

test('an import is judged, reports and holds as any closing', async () => {
  const csv = `unit,taken,by,kind,item,axle,side,tyre,value,detail\r\nT-1,${NOW.toISOString()},Wyn,lining,,1,left,,1/16 in,\r\n`;
  await world.done(who('foreman'), 'import-readings', { csv, goodLinesOnly: false });
  const unit = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect(unit.defects).toMatchObject([{ code: 'lining', axle: 1, side: 'left' }]);
  expect(unit.hold).not.toBeNull();
  const old = csv.replace(NOW.toISOString(), '2025-01-01T00:00:00Z').replace('1/16 in', '1/32 in');
  const { changed } = await world.done(who('foreman'), 'import-readings', { csv: old, goodLinesOnly: false });
  expect(changed.filter(({ kind }) => kind === 'defect')).toEqual([]);
});
