import { Secret, TOTP } from 'otpauth';
import { buildApp } from '../app';
import { planHere } from '../testing/planner';
import { openWorld, PASSWORD, type World } from '../testing/world';

let world: World;
const OTHER = 'another password';

beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const signIn = (name: string, code?: string, password = PASSWORD) =>
  world.app.inject({ method: 'POST', url: '/api/v1/session', payload: { name, password, ...(code ? { code } : {}) } });
const cookieOf = (answer: { cookies: { name: string; value: string }[] }) => ({
  za_session: answer.cookies.find(({ name }) => name === 'za_session')?.value ?? '',
});
const as = (cookies: { za_session: string }) => ({
  get: (url: string) => world.app.inject({ url: `/api/v1${url}`, cookies }),
  post: (url: string, payload: object) => world.app.inject({ method: 'POST', url: `/api/v1${url}`, cookies, payload }),
});
const problemOf = (answer: { json: () => { type: string } }) => answer.json().type.split(':').at(-1);

test('a session nobody used for a week is ended, and one that is used goes on to its last day', async () => {
  await world.makeFleet('idle');
  const [used, left] = [cookieOf(await signIn('driver@idle')), cookieOf(await signIn('driver@idle'))];
  for (let day = 0; day < 27; day += 3) {
    world.later(3 * 24 * 60);
    expect((await as(used).get('/session')).statusCode).toBe(200);
  }
  expect((await as(left).get('/session')).statusCode).toBe(401);
  world.later(4 * 24 * 60);
  expect((await as(used).get('/session')).statusCode).toBe(401);
});

describe('a PIN', () => {
  beforeAll(() => world.makeFleet('pins'));

  const withPin = async (who: string, pin: string | null) => {
    const cookies = cookieOf(await signIn(who));
    expect((await as(cookies).post('/session/pin', { current: PASSWORD, pin })).statusCode).toBe(204);
    return cookies;
  };
  const idOf = async (cookies: { za_session: string }) =>
    (await as(cookies).get('/session')).json().person.id as string;

  test('changes the person on a device, and ends the session of whoever had it', async () => {
    const technician = await idOf(await withPin('technician@pins', '240680'));
    const shop = cookieOf(await signIn('foreman@pins'));
    expect((await as(shop).get('/session/person')).json()).toMatchObject({
      fullToday: true,
      ownPin: false,
      people: [{ id: technician }],
    });
    const changed = await as(shop).post('/session/person', { person: technician, pin: '240680' });
    expect(changed.json().person).toMatchObject({ id: technician, role: 'technician' });
    expect((await as(shop).get('/session')).statusCode).toBe(401);
    expect((await as(cookieOf(changed)).get('/session')).json().person.id).toBe(technician);
  });

  test('opens nothing where nobody signed in in full that day, however often the person was changed', async () => {
    const technician = await idOf(await withPin('technician@pins', '240680'));
    const driver = await idOf(await withPin('driver@pins', '135790'));
    const shop = cookieOf(await signIn('foreman@pins'));
    const changed = cookieOf(await as(shop).post('/session/person', { person: technician, pin: '240680' }));
    world.later(24 * 60);
    expect((await as(changed).get('/session/person')).json()).toMatchObject({ fullToday: false, people: [] });
    const refused = await as(changed).post('/session/person', { person: driver, pin: '135790' });
    expect([refused.statusCode, problemOf(refused)]).toEqual([401, 'sign-in-first']);
  });

  test('opens nothing after five wrong ones typed in one session, many at once counted one by one, and is closed to nobody elsewhere', async () => {
    const technician = await idOf(await withPin('technician@pins', '240680'));
    const shop = cookieOf(await signIn('foreman@pins'));
    const tries = await Promise.all(
      Array.from({ length: 6 }, () => as(shop).post('/session/person', { person: technician, pin: '000000' })),
    );
    expect(new Set(tries.map(problemOf))).toEqual(new Set(['wrong-pin']));
    const right = () => as(shop).post('/session/person', { person: technician, pin: '240680' });
    expect(problemOf(await right())).toBe('wrong-pin');
    const elsewhere = cookieOf(await signIn('manager@pins'));
    const there = await as(elsewhere).post('/session/person', { person: technician, pin: '240680' });
    expect(there.statusCode).toBe(200);
    expect(problemOf(await right())).toBe('wrong-pin');
  });

  test('is set only with the password, and another fleet’s opens nothing', async () => {
    const theirs = await world.makeFleet('pins-too');
    expect(theirs.slug).toBe('pins-too');
    const them = await idOf(await withPin('technician@pins-too', '240680'));
    const shop = cookieOf(await signIn('foreman@pins'));
    expect((await as(shop).post('/session/pin', { current: OTHER, pin: '240680' })).statusCode).toBe(400);
    expect(problemOf(await as(shop).post('/session/person', { person: them, pin: '240680' }))).toBe('wrong-pin');
  });
});

describe('a second factor', () => {
  const codeOf = (secret: string) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: world.now().getTime() });

  async function withFactor(slug: string) {
    await world.makeFleet(slug);
    const cookies = cookieOf(await signIn(`manager@${slug}`));
    const { secret, address } = (await as(cookies).post('/session/factor', { current: PASSWORD })).json();
    expect(address).toMatch(/^otpauth:\/\/totp\//);
    const { codes } = (await as(cookies).post('/session/factor/confirm', { code: codeOf(secret) })).json();
    return { cookies, secret, codes: codes as string[] };
  }

  test('is asked for after the password, and no code works twice', async () => {
    const { secret } = await withFactor('factor');
    expect(problemOf(await signIn('manager@factor', undefined, OTHER))).toBe('wrong-sign-in');
    expect(problemOf(await signIn('manager@factor'))).toBe('second-factor');
    expect(problemOf(await signIn('manager@factor', '000000'))).toBe('wrong-second-factor');
    expect(problemOf(await signIn('manager@factor', codeOf(secret)))).toBe('wrong-second-factor');
    world.later(1);
    const code = codeOf(secret);
    expect((await signIn('manager@factor', code)).statusCode).toBe(200);
    expect(problemOf(await signIn('manager@factor', code))).toBe('wrong-second-factor');
  });

  test('lost, each kept code opens once, and it can be ended', async () => {
    const { cookies, secret, codes } = await withFactor('lost');
    expect(codes).toHaveLength(8);
    const [first = '', second = ''] = codes;
    expect((await signIn('manager@lost', first.toLowerCase())).statusCode).toBe(200);
    expect(problemOf(await signIn('manager@lost', first))).toBe('wrong-second-factor');
    world.later(1);
    const end = (current: string, code: string) => as(cookies).post('/session/factor/end', { current, code });
    expect((await end(OTHER, codeOf(secret))).statusCode).toBe(400);
    expect((await end(PASSWORD, second)).statusCode).toBe(204);
    expect((await signIn('manager@lost')).statusCode).toBe(200);
  });

  test('is for those who run the shop, needs the password, and is in force only once a code was given', async () => {
    await world.makeFleet('begun');
    const driver = cookieOf(await signIn('driver@begun'));
    expect((await as(driver).post('/session/factor', { current: PASSWORD })).statusCode).toBe(403);
    const foreman = cookieOf(await signIn('foreman@begun'));
    expect((await as(foreman).post('/session/factor', { current: OTHER })).statusCode).toBe(400);
    await as(foreman).post('/session/factor', { current: PASSWORD });
    expect((await as(foreman).post('/session/factor/confirm', { code: '000000' })).statusCode).toBe(400);
    expect((await signIn('foreman@begun')).statusCode).toBe(200);
  });

  test('keeps a PIN from opening the door', async () => {
    const { cookies } = await withFactor('both');
    await as(cookies).post('/session/pin', { current: PASSWORD, pin: '240680' });
    const manager = (await as(cookies).get('/session')).json().person.id;
    const shop = cookieOf(await signIn('foreman@both'));
    expect((await as(shop).get('/session/person')).json().people).toEqual([]);
    expect(problemOf(await as(shop).post('/session/person', { person: manager, pin: '240680' }))).toBe('wrong-pin');
  });
});

test('whoever tries name after name from one address is stopped, and nobody at another is', async () => {
  await world.makeFleet('tried');
  const from = (remoteAddress: string, name: string) =>
    world.app.inject({ method: 'POST', url: '/api/v1/session', remoteAddress, payload: { name, password: 'guess' } });
  const answers = await Promise.all(Array.from({ length: 70 }, (_, nth) => from('10.0.0.9', `who${nth}@tried`)));
  const told = new Set(answers.map(({ statusCode }) => statusCode));
  expect(told.has(429)).toBe(true);
  for (const status of told) expect([401, 429, 503]).toContain(status);
  expect((await from('10.0.0.8', 'driver@tried')).statusCode).toBe(401);
});

describe('guesses of others from the same address', () => {
  const guess = (name: string, more: object = {}) =>
    world.app.inject({
      method: 'POST',
      url: '/api/v1/session',
      remoteAddress: '10.0.0.7',
      payload: { name, password: 'a guess of somebody', ...more },
    });
  const locked = async (name: string) => {
    const told = await Promise.all(Array.from({ length: 30 }, () => guess(name)));
    expect(told.some(({ statusCode }) => statusCode === 429)).toBe(true);
    expect(problemOf(await guess(name, { password: PASSWORD }))).toBe('too-many-tries');
  };

  test('do not lock out who brings the second code, and a wrong one is not weighed', async () => {
    await world.makeFleet('locked');
    const cookies = cookieOf(await signIn('manager@locked'));
    const { secret } = (await as(cookies).post('/session/factor', { current: PASSWORD })).json();
    const codeOf = () => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: world.now().getTime() });
    await as(cookies).post('/session/factor/confirm', { code: codeOf() });
    await locked('manager@locked');
    world.later(1);
    expect(problemOf(await guess('manager@locked', { password: PASSWORD, code: '000000' }))).toBe('too-many-tries');
    const code = codeOf();
    expect((await guess('manager@locked', { password: PASSWORD, code })).statusCode).toBe(200);
    expect(problemOf(await guess('manager@locked', { password: PASSWORD, code }))).toBe('too-many-tries');
  });

  test('do not lock out who was given a code by a manager', async () => {
    const { slug } = await world.makeFleet('given');
    const name = `driver@${slug}`;
    await locked(name);
    const code = 'K7QM-2XWD-9HRT';
    const { body } = await world.get(`manager@${slug}`, '/people');
    const driver = body.people.find(({ role }: { role: string }) => role === 'driver');
    await world.done(`manager@${slug}`, 'reset-person', { person: driver.id, version: driver.version, code });
    const claim = (by: string) =>
      world.app.inject({
        method: 'POST',
        url: '/api/v1/invitation',
        remoteAddress: '10.0.0.7',
        payload: { name, code: by, password: 'another long password' },
      });
    const wrong = await Promise.all(Array.from({ length: 30 }, () => claim('AAAA-BBBB-CCCC')));
    expect(wrong.some(({ statusCode }) => statusCode === 429)).toBe(true);
    expect((await claim(code)).statusCode).toBe(200);
  });
});

test('nobody comes into a fleet that is closed, by a password or a session of before', async () => {
  const closed = await world.makeFleet('closed');
  const before = cookieOf(await signIn('driver@closed'));
  const app = await buildApp({
    db: world.db,
    live: world.live,
    planner: planHere(),
    strangers: planHere(),
    now: () => new Date('2026-03-02T12:00:00Z'),
    web: '/nowhere',
    log: 'silent',
    secure: false,
    offlineDays: 30,
    closedFleet: closed.id,
  });
  const payload = { name: 'driver@closed', password: PASSWORD };
  expect(problemOf(await app.inject({ method: 'POST', url: '/api/v1/session', payload }))).toBe('wrong-sign-in');
  expect((await app.inject({ url: '/api/v1/session', cookies: before })).statusCode).toBe(401);
  expect((await as(before).get('/session')).statusCode).toBe(200);
  await app.close();
});
