import { METRIC_UNITS, ROUTES, type Route } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { TINY_JPEG } from '../testing/sample-bodies';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
const who = (role: string) => `${role}@${fleet.slug}`;
const session = async (role = 'technician') => (await world.get(who(role), '/session')).body;

beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`rules${count++}`);
});
afterAll(() => world.close());

const stroke = { kind: 'stroke-applied', axle: 1, side: 'left', value: '1 15/16 in', reservoir: '95 psi' } as const;

describe('a fleet’s own limit', () => {
  const limit = () => ({ limit: uuidv7(), tightens: 'stroke.clamp.30.standard', value: '1 7/8 in', reason: 'hills' });

  test('is judged by, with its author, until it is withdrawn', async () => {
    const own = limit();
    await world.done(who('foreman'), 'add-fleet-limit', own);
    expect((await session()).fleet.limits).toMatchObject([{ id: own.limit, by: 'The foreman', reason: 'hills' }]);
    const sheet = async () => {
      const id = await inspectAll(world, fleet, [stroke]);
      return (await world.get(who('manager'), `/inspections/${id}`)).body.judgement;
    };
    expect((await sheet()).findings[0]).toMatchObject({
      verdict: 'shop-limit',
      limit: '1 7/8 in',
      rule: expect.stringMatching('The foreman: hills'),
    });
    await world.done(who('manager'), 'withdraw-fleet-limit', { limit: own.limit, reason: 'flat land' });
    expect((await sheet()).verdict).toBe('within');
    expect((await world.send(who('manager'), 'withdraw-fleet-limit', { limit: own.limit, reason: 'x' })).status).toBe(
      404,
    );
  });

  test('looser than the book is refused with the reason', async () => {
    const answer = await world.send(who('foreman'), 'add-fleet-limit', { ...limit(), value: '2 1/8 in' });
    expect(answer).toMatchObject({
      status: 400,
      body: { errors: [{ path: 'body.value', message: expect.stringMatching('never looser') }] },
    });
  });
});

describe('a sign the fleet is stricter about', () => {
  const code = 'mud-flap-torn';
  const place = { axle: null, side: null, tyre: null };
  const report = async () => {
    const defect = uuidv7();
    await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code, place, words: '' });
    return defect;
  };
  const holding = async (defect: string) =>
    (await world.get(who('foreman'), `/units/${fleet.unit}`)).body.defects.find(
      (each: { id: string }) => each.id === defect,
    ).holds;
  const set = (version: number, more = {}) =>
    world.send(who('manager'), 'set-own-sign', { version, code, presses: 'hold', reason: 'stones', ...more });

  test('holds from the report on and cannot be put off, until it goes by the book again', async () => {
    const before = await report();
    expect(await holding(before)).toBe(false);
    expect((await set(1)).status).toBe(200);
    expect((await session()).fleet.signs).toMatchObject([{ code, presses: 'hold', by: 'The manager' }]);
    const after = await report();
    expect(await holding(after)).toBe(true);
    const wait = { version: 1, until: '2027-01-01', reason: 'small' };
    expect((await world.send(who('foreman'), 'defer-defect', { defect: before, ...wait })).body.detail).toContain(
      'a rule that lets it wait',
    );
    await world.done(who('manager'), 'withdraw-own-sign', { version: 2, code, reason: 'tarred road' });
    expect(await holding(await report())).toBe(false);
    expect((await world.send(who('manager'), 'withdraw-own-sign', { version: 3, code, reason: 'x' })).status).toBe(404);
  });

  test('looser than the book, for no sign, and on an older version it is refused', async () => {
    expect((await set(1, { code: 'brake-dragging' })).body.errors[0].message).toContain('already');
    expect((await set(1, { code: 'wings' })).body.errors[0].message).toContain('no such sign');
    expect((await set(1)).status).toBe(200);
    expect((await set(1, { presses: 'before-use' })).status).toBe(409);
  });
});

test('a sentence of the fleet’s own for a walk by heart stands until it is said as it ships', async () => {
  const set = (version: number, say: string | null) =>
    world.send(who('manager'), 'set-phrase', { version, subject: 'check:jaws', say });
  expect((await set(1, 'Jaws shut behind the pin, on its shank.')).status).toBe(200);
  expect((await session()).fleet.phrases).toEqual({ 'check:jaws': 'Jaws shut behind the pin, on its shank.' });
  expect((await set(1, 'Jaws')).status).toBe(409);
  expect((await set(2, null)).status).toBe(200);
  expect((await session()).fleet.phrases).toEqual({});
});

describe('checks of the fleet’s own', () => {
  const winch = {
    name: 'Winch straps',
    part: 'body',
    at: 'unit' as const,
    good: 'Whole and dry',
    signs: [
      { sign: 'Frayed', presses: 'next-visit' as const },
      { sign: 'Torn through', presses: 'hold' as const },
    ],
  };
  const set = (version: number, checks: unknown[]) =>
    world.send(who('manager'), 'set-own-checks', { version, checks } as never);
  const place = { axle: null, side: null, tyre: null };
  const report = (code: string) =>
    world.send(who('driver'), 'report-defect', { defect: uuidv7(), unit: fleet.unit, code, place, words: '' });

  test('are versioned, asked by a route, reported by their signs, and hold as they say', async () => {
    expect((await set(1, [winch])).status).toBe(200);
    expect((await session()).fleet.checks).toMatchObject([
      { name: winch.name, version: 1, saved: { by: 'The manager' } },
    ]);
    expect((await set(2, [{ ...winch, good: 'Whole, dry, rolled up' }])).status).toBe(200);
    expect((await session()).fleet.checks).toMatchObject([{ version: 2 }]);
    expect((await set(3, [{ ...winch, good: 'Whole, dry, rolled up' }])).status).toBe(200);
    expect((await session()).fleet.checks).toMatchObject([{ version: 2 }]);
    expect((await report('own-check:Winch straps:Frayed')).status).toBe(200);
    expect((await report('own-check:Winch straps:Torn through')).status).toBe(200);
    const { defects } = (await world.get(who('foreman'), `/units/${fleet.unit}`)).body;
    expect(new Map(defects.map((each: { code: string; holds: boolean }) => [each.code, each.holds]))).toEqual(
      new Map([
        ['own-check:Winch straps:Frayed', false],
        ['own-check:Winch straps:Torn through', true],
      ]),
    );
    const { groups } = (await world.get(who('foreman'), '/triage')).body;
    expect(groups[0].reports.map((each: { proposal: { severity: string } }) => each.proposal.severity)).toEqual([
      'hold',
      'next-visit',
    ]);
  });

  test('a sign it has not, an older version and an unknown part are refused', async () => {
    expect((await set(1, [winch])).status).toBe(200);
    expect((await report('own-check:Winch straps:Blue')).status).toBe(400);
    expect((await report('own-check:Wings:Frayed')).status).toBe(400);
    expect((await set(1, [])).status).toBe(409);
    expect((await set(2, [{ ...winch, part: 'wings' }])).body.errors[0].path).toBe('body.checks.0.part');
    expect((await set(2, [winch, winch])).status).toBe(400);
  });

  test('show a picture of what good looks like that the server has, and no other', async () => {
    const picture = uuidv7();
    expect((await set(1, [{ ...winch, picture }])).body.errors[0].path).toBe('body.checks.0.picture');
    const jpeg = TINY_JPEG;
    const add = (content: string, id = picture) =>
      world.send(who('manager'), 'add-check-picture', { picture: id, width: 2, height: 2, jpeg: content });
    expect((await add('AAAA', uuidv7())).status).toBe(400);
    expect((await add(jpeg)).status).toBe(200);
    const { version } = (await session()).fleet;
    expect((await set(version, [{ ...winch, picture }])).status).toBe(200);
    expect((await world.raw(who('driver'), `/check-pictures/${picture}`)).statusCode).toBe(200);
    const other = await world.makeFleet(`pictures${Date.now()}`);
    expect((await world.raw(`driver@${other.slug}`, `/check-pictures/${picture}`)).statusCode).toBe(404);
  });

  test('what a route asks of them is read, judged and kept as it was asked', async () => {
    expect((await set(1, [winch])).status).toBe(200);
    const route = uuidv7();
    const asks = (item: string) => [
      { id: 's', name: 'Deck', says: '', at: 'unit', asks: [{ kind: 'own-check', item }] },
    ];
    const definition = (item: string) => ({
      id: route,
      name: 'Deck',
      says: '',
      kinds: ['semitrailer'],
      sections: asks(item),
    });
    const save = (item: string) =>
      world.send(who('manager'), 'save-route', { route, version: 0, definition: definition(item) } as never);
    expect((await save('Wings')).status).toBe(400);
    expect((await save(winch.name)).status).toBe(200);
    const inspection = uuidv7();
    await world.done(who('technician'), 'start-inspection', { inspection, unit: fleet.unit, purpose: 'walk' });
    const value = { kind: 'own-check', check: winch.name, found: ['Torn through'] } as const;
    await world.done(who('technician'), 'take-reading', {
      reading: uuidv7(),
      inspection,
      value: { ...value, found: [...value.found] },
    });
    const page = async () => (await world.get(who('foreman'), `/units/${fleet.unit}`)).body;
    expect((await page()).holds).toHaveLength(1);
    expect((await set(2, [])).status).toBe(200);
    expect((await page()).defects).toMatchObject([{ code: 'own-check:Winch straps:Torn through', holds: true }]);
  });
});

describe('book, policies and units', () => {
  const rules = (version: number, more = {}) => ({
    version,
    book: 'na' as const,
    policies: { 'mud-flap': '6' },
    units: METRIC_UNITS,
    ...more,
  });

  test('change for the fleet, and a person may read in others', async () => {
    await world.done(who('manager'), 'set-fleet-rules', rules(1));
    expect((await session()).fleet).toMatchObject({ policies: { 'mud-flap': '6' }, units: METRIC_UNITS, version: 2 });
    await world.done(who('technician'), 'set-own-units', { units: { ...METRIC_UNITS, pressure: 'kPa' } });
    expect((await session()).person.units.pressure).toBe('kPa');
    expect((await session('driver')).person.units).toBeNull();
  });

  test('the second of two people gets the newer version', async () => {
    await world.done(who('manager'), 'set-fleet-rules', rules(1));
    expect(await world.send(who('foreman'), 'set-fleet-rules', rules(1))).toMatchObject({
      status: 409,
      body: { current: { version: 2 } },
    });
  });

  test('a policy that is not there is refused', async () => {
    const answer = await world.send(who('manager'), 'set-fleet-rules', rules(1, { policies: { 'mud-flap': '7' } }));
    expect(answer.body.errors[0].path).toBe('body.policies.mud-flap');
  });

  test('the other book judges by its own figures', async () => {
    await world.done(who('manager'), 'set-fleet-rules', rules(1, { book: 'gb' }));
    const id = await inspectAll(world, fleet, [{ kind: 'lining', axle: 1, side: 'left', points: ['1.4 mm'] }]);
    const { judgement } = (await world.get(who('manager'), `/inspections/${id}`)).body;
    expect(judgement).toMatchObject({ book: { id: 'gb' }, brakes: { outOfServiceAt: null } });
    expect(judgement.findings[0]).toMatchObject({ kind: 'lining', limit: '1.5 mm', verdict: 'violation' });
  });
});

test('a maker’s mark on a drum’s lining decides like the law', async () => {
  const limit = { value: '5/8 in', source: 'manual, page 12' };
  const maker = { unit: fleet.unit, axle: 1, reading: 'lining' as const };
  await world.done(who('technician'), 'set-maker-limit', { ...maker, side: 'left', limit });
  const id = await inspectAll(world, fleet);
  const { judgement } = (await world.get(who('manager'), `/inspections/${id}`)).body;
  expect(judgement.findings[0]).toMatchObject({ axle: 1, side: 'left', verdict: 'violation', limit: '5/8 in' });
  const back = { ...maker, side: 'left', limit: null } as const;
  const silent = await world.send(who('technician'), 'set-maker-limit', back);
  expect(silent.body.errors[0].path).toBe('body.reason');
  await world.done(who('technician'), 'set-maker-limit', { ...back, reason: 'Another drum' });
  const unit = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect(unit.axles[0].ends.left.maker).toEqual({});
  const answer = await world.send(who('technician'), 'set-maker-limit', { ...maker, axle: 9, side: null, limit });
  expect(answer.body.errors[0].path).toBe('body.axle');
});

describe('a route of the fleet’s own', () => {
  const own = (id: string, name = 'Ours'): Route => ({ ...(ROUTES[0] as Route), id, name });

  test('is copied, changed and removed, and two people do not overwrite each other', async () => {
    const route = uuidv7();
    await world.done(who('foreman'), 'save-route', { route, version: 0, definition: own(route) });
    await world.done(who('manager'), 'save-route', { route, version: 1, definition: own(route, 'Ours, shorter') });
    const late = await world.send(who('foreman'), 'save-route', { route, version: 1, definition: own(route) });
    expect(late).toMatchObject({
      status: 409,
      body: { current: { version: 2, definition: { name: 'Ours, shorter' } } },
    });
    expect((await session()).fleet.routes).toMatchObject([{ version: 2, definition: { name: 'Ours, shorter' } }]);
    await world.done(who('foreman'), 'remove-route', { route, version: 2 });
    expect((await session()).fleet.routes).toEqual([]);
  });

  test('may not ask for what does not exist', async () => {
    const route = uuidv7();
    const section = {
      id: 's',
      name: 'S',
      says: '',
      at: 'unit' as const,
      asks: [{ kind: 'check' as const, item: 'nonsense' }],
    };
    const answer = await world.send(who('foreman'), 'save-route', {
      route,
      version: 0,
      definition: { ...own(route), sections: [section] },
    });
    expect(answer.body.errors[0].path).toBe('body.definition.sections.0.asks.0.item');
  });
});

test('a sticker’s month becomes its last day, by the fleet’s policy', async () => {
  const sticker = { paper: uuidv7(), unit: fleet.unit, month: '2026-03' };
  const papers = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body.papers;
  await world.done(who('technician'), 'record-sticker', sticker);
  expect(await papers()).toEqual([{ paper: 'Periodic inspection', on: '2027-03-31' }]);
  await world.done(who('manager'), 'set-fleet-rules', {
    version: 1,
    book: 'na',
    policies: { sticker: 'expiry-month' },
    units: METRIC_UNITS,
  });
  await world.done(who('technician'), 'record-sticker', { ...sticker, paper: uuidv7() });
  expect(await papers()).toEqual([{ paper: 'Periodic inspection', on: '2026-03-31' }]);
});
