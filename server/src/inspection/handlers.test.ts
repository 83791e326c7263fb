import { keyOf, type Reading, ROUTES, type Route, routeSteps, type Step } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { jpegOf } from '../run/jpeg';
import { goodReading, inspectAll, TEST_UNIT } from '../testing/measure';
import { TINY_JPEG } from '../testing/sample-bodies';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
const who = (role: string) => `${role}@${fleet.slug}`;
const page = async () => (await world.get(who('manager'), `/units/${fleet.unit}`)).body;
const sheetOf = async (id: string) => (await world.get(who('manager'), `/inspections/${id}`)).body;

beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`walk${count++}`);
});
afterAll(() => world.close());

const routeOf = (id: string): Route => ROUTES.find((each) => each.id === id) as Route;
const begin = async (routeId: string, purpose: 'full' | 'walk' = 'full') => {
  const inspection = uuidv7();
  const route = routeOf(routeId);
  const steps = routeSteps(route, TEST_UNIT);
  await world.done(who('technician'), 'start-inspection', {
    inspection,
    unit: fleet.unit,
    purpose,
    route: { id: route.id, name: route.name },
    steps,
  });
  return { inspection, steps };
};
const take = (inspection: string, value: Reading) =>
  world.done(who('technician'), 'take-reading', { reading: uuidv7(), inspection, value });

const AIR: Record<string, object> = {
  'leak-released': { start: '100 psi', end: '99 psi', seconds: 60 },
  'leak-applied': { start: '90 psi', end: '89 psi', seconds: 60 },
  'suspension-leak': { start: '100 psi', end: '99 psi', seconds: 300 },
};

/** A good answer to any step of the trailer routes. */
function good(step: Step): Reading {
  const end = { axle: step.axle ?? 1, side: step.side ?? 'left' } as const;
  switch (step.kind) {
    case 'check':
      return { kind: 'check', check: step.item ?? '', ...(step.axle ? end : {}), found: [], how: 'seen' };
    case 'air-test':
      return { kind: 'air-test', test: step.item, vehicles: 'single', ...AIR[step.item ?? ''] } as Reading;
    case 'stroke-free':
      return { kind: 'stroke-free', ...end, value: '5/8 in', method: 'bar' };
    case 'drum':
      return { kind: 'drum', ...end, value: '16.55 in' };
    case 'pressure':
      return { kind: 'pressure', ...end, tyre: 'single', value: '100 psi', target: '100 psi' };
    case 'wheel-nuts':
      return { kind: 'wheel-nuts', ...end, holes: 10 };
    case 'end-play':
      return { kind: 'end-play', ...end, value: '0.003 in' };
    case 'king-pin':
      return { kind: 'king-pin', pin: ['1.99 in', '1.99 in'] };
    case 'slider-pins':
      return { kind: 'slider-pins', pins: 4, seated: 4 };
    case 'mud-flap':
      return { kind: 'mud-flap', side: end.side, value: '7 in' };
    case 'guard-height':
      return { kind: 'guard-height', value: '21 1/2 in', built: 2019 };
    default:
      return goodReading({ ...step, kind: step.kind as 'lining', ...end });
  }
}

describe('the full route', () => {
  test('takes every kind of reading, and is within when all is good', async () => {
    const { inspection, steps } = await begin('full');
    for (const step of steps) await take(inspection, good(step));
    await world.done(who('technician'), 'close-inspection', {
      inspection,
      outcome: 'complete',
      sections: [{ id: 'ends', seconds: 1_800 }],
    });
    const sheet = await sheetOf(inspection);
    expect(sheet).toMatchObject({
      outcome: 'complete',
      route: 'Full inspection',
      verdict: 'within',
      sections: [{ id: 'ends', seconds: 1_800 }],
    });
    expect(sheet.steps).toHaveLength(steps.length);
    expect(new Set((await page()).standing.map(({ key }: { key: string }) => key))).toEqual(new Set(steps.map(keyOf)));
  });

  test('is not complete while any step of it is open, and says how many', async () => {
    const { inspection, steps } = await begin('full');
    const [first] = steps;
    if (first) await take(inspection, good(first));
    const closed = await world.send(who('technician'), 'close-inspection', { inspection, outcome: 'complete' });
    expect(closed).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining(`${steps.length - 1} readings are missing`) },
    });
    await world.done(who('technician'), 'close-inspection', { inspection, outcome: 'incomplete', because: 'dark' });
    const open = (await sheetOf(inspection)).judgement.findings.map(({ kind }: { kind: string }) => kind);
    expect(open).toContain('check:jaws');
    expect(open).toContain('air-test:leak-applied');
  });

  test('with a step that is not on the unit is refused', async () => {
    const steps = [{ kind: 'lining', axle: 7, side: 'left', tyre: null }] as const;
    const body = { inspection: uuidv7(), unit: fleet.unit, purpose: 'full' as const, steps: [...steps] };
    expect(await world.send(who('technician'), 'start-inspection', body)).toMatchObject({
      status: 400,
      body: { errors: [{ path: 'body.steps.0' }] },
    });
  });
});

describe('a quick walk', () => {
  test('is complete when its own steps are, and judged with what stands elsewhere', async () => {
    await inspectAll(world, fleet);
    const { inspection, steps } = await begin('four-thing', 'walk');
    for (const step of steps) await take(inspection, good(step));
    await world.done(who('technician'), 'close-inspection', { inspection, outcome: 'complete' });
    expect((await sheetOf(inspection)).verdict).toBe('within');
  });

  test('never passes what was never measured', async () => {
    const { inspection, steps } = await begin('four-thing', 'walk');
    for (const step of steps) await take(inspection, good(step));
    await world.done(who('technician'), 'close-inspection', { inspection, outcome: 'complete' });
    expect((await sheetOf(inspection)).judgement).toMatchObject({ verdict: 'not-judged', complete: false });
  });

  test('a failed check becomes a defect under its code, and its repair frees the trailer', async () => {
    await inspectAll(world, fleet);
    const { inspection, steps } = await begin('four-thing', 'walk');
    for (const step of steps)
      await take(
        inspection,
        step.item === 'lamp-brake'
          ? { kind: 'check', check: 'lamp-brake', found: ['lamp-stop-out'], words: 'left' }
          : good(step),
      );
    await world.done(who('technician'), 'close-inspection', { inspection, outcome: 'complete' });
    const [defect] = (await page()).defects;
    expect(defect).toMatchObject({
      code: 'lamp-stop-out',
      state: 'reported',
      holds: true,
      words: expect.stringMatching('left'),
    });
    const job = uuidv7();
    await world.done(who('foreman'), 'make-job', {
      job,
      unit: fleet.unit,
      title: 'Lamp',
      defects: [{ defect: defect.id, version: 1 }],
      minutes: 15,
      wheelsOff: false,
    });
    await world.done(who('foreman'), 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
    await world.done(who('technician'), 'start-job', { job, version: 2 });
    await world.done(who('technician'), 'finish-job', { job, version: 3, done: 'bulb' });
    await world.done(who('technician'), 'certify-job', { job, version: 4, statement: 'lit' });
    await world.done(who('technician'), 'release-trailer', { release: uuidv7(), unit: fleet.unit, statement: 'ok' });
    expect((await page()).holds).toEqual([]);
  });
});

describe('a driver', () => {
  const walk = async (role: string, purpose: 'walk' | 'full') => {
    const inspection = uuidv7();
    const route = routeOf('walk-trailer');
    const body = {
      inspection,
      unit: fleet.unit,
      purpose,
      route: { id: route.id, name: route.name },
      steps: routeSteps(route, TEST_UNIT),
    };
    return { inspection, steps: body.steps, answer: await world.send(who(role), 'start-inspection', body) };
  };
  const look = (role: string, inspection: string, step: Step, found: string[] = []) => {
    const value = { ...good(step), found } as Reading;
    return world.send(who(role), 'take-reading', { reading: uuidv7(), inspection, value });
  };

  test('walks round, and what is found is the driver’s own report', async () => {
    const { inspection, steps } = await walk('driver', 'walk');
    for (const step of steps) await look('driver', inspection, step, step.item === 'lamp-plate' ? ['lamp-out'] : []);
    const closed = await world.send(who('driver'), 'close-inspection', { inspection, outcome: 'complete' });
    expect(closed.status).toBe(200);
    expect((await page()).defects).toMatchObject([{ code: 'lamp-out', origin: 'driver', state: 'reported' }]);
    expect(await sheetOf(inspection)).toMatchObject({
      purpose: 'walk',
      route: 'Trailer walk',
      outcome: 'complete',
    });
  });

  test('does not begin a measuring inspection, nor go on with somebody else’s', async () => {
    expect((await walk('driver', 'full')).answer.status).toBe(403);
    const { inspection, steps } = await walk('technician', 'walk');
    const [step] = steps as [Step];
    const answer = await look('driver', inspection, step);
    expect([answer.status, answer.body.detail]).toEqual([
      403,
      'Only the driver who started a walk-around can finish it.',
    ]);
    const skipped = await world.send(who('driver'), 'skip-reading', {
      skip: uuidv7(),
      inspection,
      step,
      reason: 'mud',
    });
    const closed = await world.send(who('driver'), 'close-inspection', {
      inspection,
      outcome: 'incomplete',
      because: 'x',
    });
    expect([skipped.status, closed.status]).toEqual([403, 403]);
    expect((await look('foreman', inspection, step)).status).toBe(200);
  });

  test('measures no brake, so that no walk-round stands where the bench’s reading stood', async () => {
    const { inspection } = await walk('driver', 'walk');
    const stroke = { kind: 'stroke-applied', axle: 1, side: 'left', value: '1 in', reservoir: '95 psi' } as const;
    const body = { reading: uuidv7(), inspection, value: stroke };
    const answer = await world.send(who('driver'), 'take-reading', body);
    expect([answer.status, answer.body.detail]).toEqual([403, expect.stringMatching('Only shop staff can measure')]);
  });
});

describe('what comes with a reading', () => {
  test('the gauge it came from is kept', async () => {
    const { inspection } = await begin('measure');
    const gauge = { kind: 'stroke', serial: 'SG-104', sequence: 7 } as const;
    const value: Reading = { kind: 'stroke-applied', axle: 1, side: 'left', value: '41.2 mm', reservoir: '95 psi' };
    await world.done(who('technician'), 'take-reading', { reading: uuidv7(), inspection, value, gauge });
    expect((await sheetOf(inspection)).readings[0]).toMatchObject({ gauge, value: { value: '41.2 mm' } });
  });

  test('the sheet tells what the places whose wear counts read last before it', async () => {
    const lining = (value: string, side: 'left' | 'right' = 'left'): Reading => ({
      kind: 'lining',
      axle: 1,
      side,
      points: [value],
    });
    const first = await begin('measure');
    const wrong = uuidv7();
    await world.done(who('technician'), 'take-reading', {
      reading: wrong,
      inspection: first.inspection,
      value: lining('1/2 in'),
    });
    await world.done(who('technician'), 'take-reading', {
      reading: uuidv7(),
      inspection: first.inspection,
      value: lining('5/8 in'),
      supersedes: wrong,
    });
    await take(first.inspection, lining('5/8 in', 'right'));
    expect((await sheetOf(first.inspection)).before).toEqual([]);
    const second = await begin('measure');
    await take(second.inspection, lining('3/8 in'));
    await take(second.inspection, {
      kind: 'stroke-applied',
      axle: 1,
      side: 'left',
      value: '1 in',
      reservoir: '95 psi',
    });
    expect((await sheetOf(second.inspection)).before).toEqual([
      { value: lining('5/8 in'), at: expect.any(String), inspection: first.inspection },
    ]);
  });

  test('a photo is kept once, without its picture in the event', async () => {
    const { inspection } = await begin('measure');
    const photo = {
      photo: uuidv7(),
      unit: fleet.unit,
      inspection,
      defect: null,
      key: 'lining@1L',
      width: 2,
      height: 2,
      jpeg: TINY_JPEG,
    };
    const id = uuidv7();
    await world.send(who('technician'), 'attach-photo', photo, id);
    await world.send(who('technician'), 'attach-photo', photo, id);
    expect((await sheetOf(inspection)).photos).toMatchObject([{ id: photo.photo, key: 'lining@1L' }]);
    const picture = await world.raw(who('driver'), `/photos/${photo.photo}`);
    expect(picture.headers['content-type']).toBe('image/jpeg');
    expect(await jpegOf(picture.rawPayload.toString('base64'))).toMatchObject({ width: 1, height: 1 });
    const { rows } = await world.owner.pool.query(
      `select body from event where type = 'attach-photo' and fleet_id = $1`,
      [fleet.id],
    );
    expect(rows).toHaveLength(1);
    expect(rows[0].body).not.toHaveProperty('jpeg');
  });

  test('what is no picture is refused', async () => {
    const photo = { photo: uuidv7(), unit: fleet.unit, inspection: null, defect: null, key: null, width: 2, height: 2 };
    const answer = await world.send(who('driver'), 'attach-photo', {
      ...photo,
      jpeg: Buffer.from('hello').toString('base64'),
    });
    expect(answer.body.errors).toMatchObject([{ path: 'body.jpeg' }]);
  });

  test('a defect is no reading', async () => {
    const { inspection } = await begin('measure');
    const answer = await world.send(who('technician'), 'take-reading', {
      reading: uuidv7(),
      inspection,
      value: { kind: 'defect', axle: 1, side: 'left', code: 'chamber-leak' },
    });
    expect(answer.body.errors).toMatchObject([{ path: 'body.value.kind' }]);
  });
});
