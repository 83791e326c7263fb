import { COMMAND_NAMES, type CommandName, commandOf, ROLES } from '@zealous-axle/core';
import { READERS } from '../http';
import { sampleBodies } from '../testing/sample-bodies';
import { openWorld, PASSWORD, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;

beforeAll(async () => {
  world = await openWorld();
  fleet = await world.makeFleet('roles');
});
afterAll(() => world.close());

const forbidden = ROLES.flatMap((role) =>
  COMMAND_NAMES.filter((name) => !commandOf(name).roles.includes(role)).map((name): [string, CommandName] => [
    role,
    name,
  ]),
);

test('everybody but the manager has forbidden acts', () => {
  expect(new Set(forbidden.map(([role]) => role))).toEqual(new Set(['driver', 'technician', 'foreman']));
});

test.each(forbidden)('a %s may not %s', async (role, name) => {
  const answer = await world.send(`${role}@roles`, name, sampleBodies(fleet)[name]);
  expect(answer.status).toBe(403);
  expect(answer.body.type).toBe('urn:zealous-axle:problem:not-allowed');
});

const PUBLIC = ['/judge', '/plan', '/catalogue', '/checks', '/routes', '/schemas/inspection.json'];
const written = async () => {
  const { paths } = (await world.app.inject('/api/docs/json')).json() as { paths: Record<string, object> };
  return Object.entries(paths).flatMap(([path, how]) =>
    'get' in how ? [path.replace('/api/v1', '').replaceAll('{', ':').replaceAll('}', '')] : [],
  );
};

test('whatever can be read has its readers in one table', async () => {
  const open = (await written()).filter((path) => path.startsWith('/') && !(path in READERS) && !PUBLIC.includes(path));
  expect(open.filter((path) => !/calendar|healthz|readyz|outside\/:/.test(path))).toEqual([]);
});

/** What some addresses must be asked with. */
const ASKS: Record<string, string> = {
  '/defects': '?state=triaged',
  '/repairs': '?text=seal',
  '/bays/:id/day': '?day=2026-03-02&job=01900000-0000-7000-8000-000000000001',
};
const closed = ROLES.flatMap((role) =>
  Object.entries(READERS).flatMap(([path, who]): [string, string][] => (who.includes(role) ? [] : [[role, path]])),
);
test.each(closed)('a %s may not read %s', async (role, path) => {
  const url = path.replace('POST ', '').replace(':id', fleet.unit).replace(':code', 'K7QM2X');
  const ask = path.startsWith('POST ')
    ? await world.post(
        `${role}@roles`,
        url,
        path.includes('known') ? { units: [], parts: [], signIns: [] } : { csv: 'x' },
      )
    : await world.raw(`${role}@roles`, `${url}${ASKS[path] ?? ''}`);
  expect([ask.statusCode, ask.json().type]).toEqual([403, 'urn:zealous-axle:problem:not-allowed']);
});
test('each role may read something that one before it may not', () =>
  expect(new Set(closed.map(([role]) => role))).toEqual(new Set(['driver', 'technician', 'foreman'])));

test('nobody gets anywhere without signing in', async () => {
  for (const url of ['/api/v1/units', '/api/v1/shop', '/api/v1/session', '/api/v1/live'])
    expect((await world.app.inject({ url })).statusCode).toBe(401);
  for (const name of COMMAND_NAMES) {
    const payload = { id: fleet.id, at: '2026-03-02T12:00:00Z', body: sampleBodies(fleet)[name] };
    expect((await world.app.inject({ method: 'POST', url: `/api/v1/commands/${name}`, payload })).statusCode).toBe(401);
  }
});

describe('signing in', () => {
  const signIn = (name: string, password: string) =>
    world.app.inject({ method: 'POST', url: '/api/v1/session', payload: { name, password } });

  test('a wrong name and a wrong password are answered alike', async () => {
    const answers = [
      await signIn('foreman@roles', 'no'),
      await signIn('nobody@roles', PASSWORD),
      await signIn('foreman@nowhere', PASSWORD),
    ];
    expect(answers.map(({ statusCode }) => statusCode)).toEqual([401, 401, 401]);
    expect(new Set(answers.map(({ body }) => body)).size).toBe(1);
  });

  test('the cookie is kept from scripts and other sites, and ends with the session', async () => {
    const answer = await signIn('foreman@roles', PASSWORD);
    const cookie = answer.cookies.find(({ name }) => name === 'za_session');
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' });
    const cookies = { za_session: cookie?.value ?? '' };
    expect((await world.app.inject({ url: '/api/v1/session', cookies })).json().person.role).toBe('foreman');
    expect((await world.app.inject({ method: 'DELETE', url: '/api/v1/session', cookies })).statusCode).toBe(204);
    expect((await world.app.inject({ url: '/api/v1/session', cookies })).statusCode).toBe(401);
  });

  test('tries are limited by name', async () => {
    const codes: number[] = [];
    for (let tries = 0; tries < 12; tries++) codes.push((await signIn('someone@roles', 'guess')).statusCode);
    expect(codes.slice(0, 10).every((code) => code === 401)).toBe(true);
    expect(codes.slice(10)).toEqual([429, 429]);
  });

  test('a made-up cookie opens nothing', async () => {
    for (const token of ['x', `${fleet.id}.x`, `${fleet.id}.`, '.x', "' or 1=1 --.x"])
      expect((await world.app.inject({ url: '/api/v1/session', cookies: { za_session: token } })).statusCode).toBe(401);
  });
});
