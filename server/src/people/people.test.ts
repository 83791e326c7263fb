import { v7 as uuidv7 } from 'uuid';
import { openWorld, PASSWORD, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`people${uuidv7().slice(-6)}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const CODE = 'K7QM-2XWD-9HRT';
const OTHER_CODE = 'AAAA-BBBB-CCCC';
const people = async () => (await world.get(who('manager'), '/people')).body.people;
const person = async (signIn: string) =>
  (await people()).find((each: { signIn: string }) => each.signIn === signIn) ?? null;
const claim = (name: string, code: string, password = 'a password of their own') =>
  world.app.inject({ method: 'POST', url: '/api/v1/invitation', payload: { name, code, password } });
const signIn = (name: string, password: string) =>
  world.app.inject({ method: 'POST', url: '/api/v1/session', payload: { name, password } });
const invite = (by: string, role: 'driver' | 'technician' | 'foreman', signInName = 'nell') =>
  world.send(who(by), 'invite-person', {
    person: uuidv7(),
    signIn: signInName,
    form: { name: 'Nell Reed', role },
    code: CODE,
  });

test('whoever is invited comes in by their code once, with a password of their own', async () => {
  expect((await invite('foreman', 'technician')).status).toBe(200);
  expect(await person('nell')).toMatchObject({ state: 'invited', role: 'technician' });
  const name = `nell@${fleet.slug}`;
  expect((await claim(name, OTHER_CODE)).statusCode).toBe(401);
  const opened = await claim(name, CODE);
  expect(opened.json()).toMatchObject({ person: { name: 'Nell Reed', role: 'technician' } });
  expect((await claim(name, CODE)).statusCode).toBe(401);
  expect((await signIn(name, 'a password of their own')).statusCode).toBe(200);
  expect(await person('nell')).toMatchObject({ state: 'active', invitedUntil: null });
  const { rows } = await world.owner.pool.query("select body::text from event where type = 'invite-person'");
  expect(rows.every(({ body }) => !body.includes(CODE))).toBe(true);
});

test('a code ends after a week, and a short password is refused', async () => {
  await invite('foreman', 'driver');
  const short = await claim(`nell@${fleet.slug}`, CODE, 'short');
  expect(short.json().errors[0].message).toContain('at least 10');
  world.later(8 * 24 * 60);
  expect((await claim(`nell@${fleet.slug}`, CODE)).statusCode).toBe(401);
});

test('a foreman invites and changes the bench and the road, a manager everybody, nobody themselves', async () => {
  expect((await invite('foreman', 'foreman')).body.detail).toBe('Only a manager may invite or change a foreman.');
  expect((await invite('manager', 'foreman')).status).toBe(200);
  expect((await invite('manager', 'driver')).body.errors[0].message).toBe('Someone already signs in as nell.');
  const manager = await person('manager');
  const change = { person: manager.id, version: 1, form: { name: 'Other', role: 'driver' as const } };
  expect((await world.send(who('foreman'), 'set-person', change)).status).toBe(409);
  expect((await world.send(who('manager'), 'set-person', change)).body.detail).toContain(
    'You cannot do this to your own account',
  );
  expect((await world.raw(who('driver'), '/people')).statusCode).toBe(403);
});

test('who leaves is signed out at once, stays in the records, and may come back by a code', async () => {
  const token = (await signIn(who('driver'), PASSWORD)).cookies[0]?.value ?? '';
  const asked = () => world.app.inject({ url: '/api/v1/session', cookies: { za_session: token } });
  expect((await asked()).statusCode).toBe(200);
  const driver = await person('driver');
  await world.done(who('foreman'), 'set-person-left', { person: driver.id, version: 1, left: true });
  expect((await asked()).statusCode).toBe(401);
  expect((await signIn(who('driver'), PASSWORD)).statusCode).toBe(401);
  expect(await person('driver')).toMatchObject({ state: 'left', name: 'The driver' });
  const reset = { person: driver.id, version: 2, code: CODE };
  expect((await world.send(who('foreman'), 'reset-person', reset)).body.detail).toContain('They have left');
  await world.done(who('foreman'), 'set-person-left', { person: driver.id, version: 2, left: false });
  expect((await signIn(who('driver'), PASSWORD)).statusCode).toBe(401);
  await world.done(who('foreman'), 'reset-person', { ...reset, version: 3 });
  expect((await claim(who('driver'), CODE)).statusCode).toBe(200);
});

test('one’s own password is changed with the current one, and one’s other sessions end', async () => {
  const here = (await signIn(who('technician'), PASSWORD)).cookies[0]?.value ?? '';
  const there = (await signIn(who('technician'), PASSWORD)).cookies[0]?.value ?? '';
  const change = (current: string) =>
    world.app.inject({
      method: 'POST',
      url: '/api/v1/session/password',
      cookies: { za_session: here },
      payload: { current, next: 'another password' },
    });
  expect((await change('wrong')).json().errors[0].message).toBe('The current password is wrong.');
  expect((await change(PASSWORD)).statusCode).toBe(204);
  const open = (token: string) => world.app.inject({ url: '/api/v1/session', cookies: { za_session: token } });
  expect([(await open(here)).statusCode, (await open(there)).statusCode]).toEqual([200, 401]);
  expect((await signIn(who('technician'), 'another password')).statusCode).toBe(200);
});

test('what is set up is counted: units, chambers not known, people, bays', async () => {
  await world.done(who('foreman'), 'save-bay', { bay: uuidv7(), name: 'Bay 2' });
  await world.done(who('foreman'), 'save-bay', { bay: fleet.bay, name: 'Pit' });
  const before = (await world.get(who('foreman'), '/set-up')).body;
  expect(before).toMatchObject({ units: 1, chambersUnknown: 0, people: 4, invited: 0, papers: 0 });
  expect(before.bays.map(({ name }: { name: string }) => name)).toEqual(['Pit', 'Bay 2']);
  const form = { number: 'T-2', body: '', kind: 'dolly' as const, site: '', features: {} };
  const axles = [{ brake: 's-cam' as const, chamber: null, tyres: 'dual' as const, hub: 'oil' as const }];
  await world.done(who('foreman'), 'add-unit', { unit: uuidv7(), form: { ...form, axles } });
  expect((await world.get(who('foreman'), '/set-up')).body).toMatchObject({ units: 2, chambersUnknown: 1 });
});

test('one’s sessions are listed, and all but this one ended', async () => {
  const here = (await signIn(who('technician'), PASSWORD)).cookies[0]?.value ?? '';
  await signIn(who('technician'), PASSWORD);
  const cookies = { za_session: here };
  const all = async () => (await world.app.inject({ url: '/api/v1/session/all', cookies })).json();
  expect((await all()).map((each: { here: boolean }) => each.here).sort()).toEqual([false, true]);
  expect((await world.app.inject({ method: 'DELETE', url: '/api/v1/session/others', cookies })).statusCode).toBe(204);
  expect(await all()).toMatchObject([{ here: true }]);
});

test('two managers who let each other go at once: one of them stays', async () => {
  await invite('manager', 'foreman', 'second');
  const second = await person('second');
  await world.done(who('manager'), 'set-person', {
    person: second.id,
    version: 1,
    form: { name: 'Second', role: 'manager' },
  });
  const first = await person('manager');
  const leave = (by: string, whom: string, version: number) =>
    world.send(by, 'set-person-left', { person: whom, version, left: true });
  const name = `second@${fleet.slug}`;
  await world.get(name, '/session');
  await Promise.all([leave(who('manager'), second.id, 2), leave(name, first.id, 1)]);
  const { rows } = await world.owner.pool.query(
    "select count(*)::int as n from person where fleet_id = $1 and role = 'manager' and active",
    [fleet.id],
  );
  expect(rows[0].n).toBe(1);
});
