import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';
import { outside } from './schema';
import { isSigned, SIGNATURE, signatureOf } from './sign';
import { sendMessage } from './tell';

const SECRET = 'S'.repeat(43);
let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

/** A system outside, as small as it can be: it keeps what it was told and answers as it is set. */
async function outsideSystem() {
  const heard: { body: Record<string, unknown>; signed: boolean }[] = [];
  const answers = { status: 204 };
  const server: Server = createServer((request, reply) => {
    let text = '';
    request.on('data', (chunk) => {
      text += chunk;
    });
    request.on('end', () => {
      const header = String(request.headers[SIGNATURE] ?? '');
      heard.push({ body: JSON.parse(text), signed: isSigned(SECRET, text, header, world.now()) });
      reply.writeHead(answers.status).end();
    });
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/told`;
  return {
    heard,
    answers,
    url,
    close: () => {
      server.closeAllConnections();
      return new Promise((closed) => server.close(closed));
    },
  };
}

async function aFleet() {
  const fleet = await world.makeFleet(`outside-${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const report = async (code = 'lamp-out') => {
    const defect = uuidv7();
    const place = { axle: null, side: null, tyre: null };
    await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code, place, words: 'dark' });
    return defect;
  };
  const callFor = async (defect: string) => {
    const call = uuidv7();
    await world.done(who('driver'), 'ask-road', { call, unit: fleet.unit, defect, place: 'Mile 12' });
    return call;
  };
  const road = async () => (await world.get(who('foreman'), `/units/${fleet.unit}/road`)).body;
  const connect = (thing: 'road-service' | 'dispatch' | 'gauges', url: string) =>
    world.done(who('manager'), 'set-outside', {
      thing,
      version: 0,
      form: { way: 'protocol', phone: '', url },
      secret: SECRET,
    });
  const tell = (thing: string, body: object, secret = SECRET, at = world.now()) => {
    const payload = JSON.stringify(body);
    return world.app.inject({
      method: 'POST',
      url: `/api/v1/outside/${fleet.id}/${thing}`,
      headers: { 'content-type': 'application/json', [SIGNATURE]: signatureOf(secret, payload, at) },
      payload,
    });
  };
  return { fleet, who, report, callFor, road, connect, tell };
}

const messages = async (fleet: string) =>
  (
    await world.owner.pool.query(
      'select id, tries, problem, delivered_at as taken, given_up_at as over from outside_message where fleet_id = $1 order by recorded_at, id',
      [fleet],
    )
  ).rows;
const send = (fleet: string, message: string) => sendMessage({ db: world.db, now: world.now }, { fleet, message });

test('a fleet that connected nothing is told that nobody was called, hears of no departure, and presses no gauge', async () => {
  const { fleet, who, report, callFor, road } = await aFleet();
  const defect = await report();
  await callFor(defect);
  world.later(180);
  expect(await road()).toMatchObject({ way: 'none', calls: [{ way: 'none', state: 'asked', eta: null, told: null }] });
  expect((await world.get(who('foreman'), '/dispatch')).body).toEqual({ way: 'none', lines: [] });
  const pressed = await world.post(who('technician'), '/gauges/press', { kind: 'stroke', value: '2 in' });
  expect(pressed.json()).toMatchObject({ type: 'urn:zealous-axle:problem:not-set-up' });
  expect(await messages(fleet.id)).toEqual([]);
  const { body } = await world.get(who('manager'), '/outside');
  expect(body.things.map(({ way }: { way: string }) => way)).toEqual(['none', 'none', 'none']);
});

test('a call for help stands in shop, yard and unit until somebody answers it', async () => {
  const { fleet, who, report, callFor } = await aFleet();
  const call = await callFor(await report());
  const yard = async () => (await world.get(who('foreman'), '/units')).body.units[0].helpSince;
  const shop = async () => (await world.get(who('foreman'), '/shop')).body.help;
  const unit = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body.helpSince;
  expect([await yard(), await unit()]).toEqual([expect.any(String), expect.any(String)]);
  expect(await shop()).toEqual([expect.objectContaining({ id: call, state: 'asked', place: 'Mile 12' })]);
  const told = { state: 'accepted' as const, words: 'By phone' };
  await world.done(who('foreman'), 'note-road', { call, unit: fleet.unit, answer: uuidv7(), told });
  expect([await yard(), await unit()]).toEqual([null, null]);
});

test('a connected road service is told signed, again until it takes it, and answers signed', async () => {
  const system = await outsideSystem();
  const { fleet, who, report, callFor, road, connect, tell } = await aFleet();
  await connect('road-service', system.url);
  const call = await callFor(await report());
  const message = (await messages(fleet.id))[0].id;

  system.answers.status = 503;
  await send(fleet.id, message);
  expect(await road()).toMatchObject({ calls: [{ state: 'asked', problem: 'it answered 503', givenUp: false }] });
  system.answers.status = 204;
  await send(fleet.id, message);
  await send(fleet.id, message);
  expect(await messages(fleet.id)).toEqual([expect.objectContaining({ tries: 2, problem: null, over: null })]);
  expect(system.heard.map(({ signed }) => signed)).toEqual([true, true]);
  expect(system.heard[1]?.body).toMatchObject({ id: message, asks: { call, unit: 'T-1', place: 'Mile 12' } });

  const eta = '2026-03-02T15:00:00.000Z';
  const accepted = { id: uuidv7(), call, state: 'accepted', eta };
  expect((await tell('road-service', accepted)).statusCode).toBe(204);
  expect((await tell('road-service', accepted)).statusCode).toBe(204);
  expect(await road()).toMatchObject({ calls: [{ state: 'accepted', eta, told: { by: null, source: 'protocol' } }] });
  const report2 = { done: 'Lamp changed', parts: 'A lamp', minutes: 20, invoice: 9_000 };
  await tell('road-service', { id: uuidv7(), call, state: 'done', report: report2 });
  expect((await tell('road-service', accepted)).statusCode).toBe(204);
  expect(await road()).toMatchObject({ calls: [{ state: 'done', report: report2 }] });
  const job = uuidv7();
  await world.done(who('foreman'), 'take-road-report', { call, unit: fleet.unit, job });
  const { body } = await world.get(who('foreman'), `/jobs/${job}`);
  expect(body.documents).toMatchObject([{ title: 'Invoice of the road service' }]);
  await system.close();
});

test('what was never taken is given up and said to be', async () => {
  const { fleet, report, callFor, road, connect } = await aFleet();
  await connect('road-service', 'http://127.0.0.1:1/nobody');
  await callFor(await report());
  const [{ id }] = await messages(fleet.id);
  for (let nth = 0; nth < 12; nth++) await send(fleet.id, id);
  expect(await road()).toMatchObject({
    calls: [{ state: 'asked', givenUp: true, problem: expect.stringContaining('could not be reached') }],
  });
});

test('what is not signed as agreed, too old, or for a thing that is not connected is refused, and keeps nothing', async () => {
  const { connect, tell, who } = await aFleet();
  const body = { id: uuidv7(), lines: ['ZD1 leaves T-1 2026-03-04T07:30:00Z Mill'] };
  expect((await tell('dispatch', body)).statusCode).toBe(401);
  await connect('dispatch', '');
  expect((await tell('dispatch', body, 'T'.repeat(43))).statusCode).toBe(401);
  expect((await tell('dispatch', body, SECRET, new Date(world.now().getTime() - 600_000))).statusCode).toBe(401);
  expect((await tell('gauges', { id: uuidv7(), to: 'technician', lines: [] })).statusCode).toBe(401);
  expect((await tell('dispatch', { id: uuidv7(), lines: ['ZD1 leaves nowhere'] })).statusCode).toBe(400);
  expect((await world.get(who('foreman'), '/dispatch')).body.lines).toEqual([]);
  expect((await tell('dispatch', body)).statusCode).toBe(204);
  expect((await world.get(who('foreman'), '/dispatch')).body).toEqual({ way: 'protocol', lines: body.lines });
});

test('a connected dispatch is told at once what is held, and what no longer', async () => {
  const system = await outsideSystem();
  const { fleet, who, connect } = await aFleet();
  await connect('dispatch', system.url);
  await world.done(who('foreman'), 'hold-trailer', { hold: uuidv7(), unit: fleet.unit, reason: 'Looks bent' });
  await world.done(who('foreman'), 'release-trailer', {
    release: uuidv7(),
    unit: fleet.unit,
    statement: 'It was the light.',
  });
  for (const { id } of await messages(fleet.id)) await send(fleet.id, id);
  expect(system.heard.map(({ body, signed }) => [(body.lines as string[])[0]?.slice(0, 12).trim(), signed])).toEqual([
    ['ZD1 held T-1', true],
    ['ZD1 free T-1', true],
  ]);
  await system.close();
});

test('the secret is in no event and in no answer', async () => {
  const { fleet, who, connect } = await aFleet();
  await connect('gauges', '');
  const { body } = await world.get(who('manager'), '/outside');
  expect(body.things[2]).toMatchObject({ way: 'protocol', signed: true });
  const { rows } = await world.owner.pool.query('select body from event where fleet_id = $1', [fleet.id]);
  expect(JSON.stringify([body, rows])).not.toContain(SECRET);
  expect((await world.get(who('driver'), '/outside')).status).toBe(403);
});

test('a call to a stand-in says who made its answers up', async () => {
  const { fleet, who, report, callFor, road } = await aFleet();
  const [{ id: manager }] = (
    await world.owner.pool.query("select id from person where fleet_id = $1 and role = 'manager'", [fleet.id])
  ).rows;
  await world.owner.db
    .insert(outside)
    .values({ fleetId: fleet.id, thing: 'road-service', way: 'made-up', setBy: manager, setAt: world.now() });
  await callFor(await report());
  expect(await road()).toMatchObject({ way: 'made-up', calls: [{ way: 'made-up', state: 'asked' }] });
  const { body } = await world.get(who('foreman'), '/dispatch');
  expect(body).toEqual({ way: 'none', lines: [] });
});
