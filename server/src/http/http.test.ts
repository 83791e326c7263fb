import { JUDGE_SAMPLE } from '@zealous-axle/core';
import { openWorld, type World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const judge = (payload: unknown) =>
  world.app.inject({ method: 'POST', url: '/api/v1/judge', payload: payload as object });

describe('POST /api/v1/judge', () => {
  test('answers the published sample without a sign-in', async () => {
    const answer = await judge(JUDGE_SAMPLE);
    expect(answer.statusCode).toBe(200);
    const body = answer.json();
    expect(body).toMatchObject({
      book: { id: 'na', edition: '2026-01' },
      units: [{ id: 'T1', verdict: 'out-of-service', complete: false }],
      combination: { brakes: { total: 10, outOfServiceAt: 2 } },
    });
    expect(body.findings.find((each: { kind: string }) => each.kind === 'stroke-applied')).toEqual({
      unit: 'T1',
      axle: 1,
      side: 'left',
      tyre: null,
      kind: 'stroke-applied',
      verdict: 'violation',
      measured: '2 1/8 in',
      limit: '2 in',
      margin: '-1/8 in',
      share: 0.5,
      rule: '49 CFR 393.47(e)',
      sure: 'law',
      said: expect.any(Array),
      because: expect.any(String),
    });
  });

  test.each([
    ['an unknown key', { ...JUDGE_SAMPLE, extra: 1 }, 'extra'],
    [
      'a key inside a reading',
      { ...JUDGE_SAMPLE, readings: [{ ...JUDGE_SAMPLE.readings[0], colour: 'red' }] },
      'readings.0.colour',
    ],
    [
      'a value without a unit',
      { ...JUDGE_SAMPLE, readings: [{ ...JUDGE_SAMPLE.readings[0], value: '2' }] },
      'readings.0.value',
    ],
    ['a book that is not there', { ...JUDGE_SAMPLE, book: 'xx' }, 'book'],
    [
      'an axle that is not there',
      { ...JUDGE_SAMPLE, readings: [{ ...JUDGE_SAMPLE.readings[0], axle: 7 }] },
      'readings.0.axle',
    ],
  ])('%s is a problem document with its path', async (_, payload, path) => {
    const answer = await judge(payload);
    expect(answer.statusCode).toBe(400);
    expect(answer.headers['content-type']).toMatch('application/problem+json');
    expect(answer.json()).toMatchObject({ status: 400, title: expect.any(String) });
    expect(answer.json().errors.map((each: { path: string }) => each.path)).toContain(path);
  });

  test('is limited in size', async () => {
    const answer = await judge({ ...JUDGE_SAMPLE, padding: 'x'.repeat(600_000) });
    expect(answer.json()).toMatchObject({ status: 413, title: 'Too large' });
  });

  test('an outsider may check our arithmetic many times in a row', async () => {
    const codes = await Promise.all(Array.from({ length: 300 }, async () => (await judge(JUDGE_SAMPLE)).statusCode));
    expect(new Set(codes)).toEqual(new Set([200]));
  });

  test('broken JSON is answered with a problem document', async () => {
    const answer = await world.app.inject({
      method: 'POST',
      url: '/api/v1/judge',
      headers: { 'content-type': 'application/json' },
      payload: '{',
    });
    expect(answer.json()).toMatchObject({ status: 400, errors: [{ message: expect.stringMatching('not JSON') }] });
  });
});

test('health, readiness, catalog and the description of the API', async () => {
  expect((await world.app.inject('/healthz')).json()).toEqual({ status: 'ok' });
  expect((await world.app.inject('/readyz')).json()).toEqual({ status: 'ok' });
  expect((await world.app.inject('/api/v1/catalogue')).json().length).toBeGreaterThan(40);
  const described = (await world.app.inject('/api/docs/json')).json();
  expect(Object.keys(described.paths)).toEqual(
    expect.arrayContaining(['/api/v1/judge', '/api/v1/commands/certify-job']),
  );
  expect((await world.app.inject('/api/docs')).statusCode).toBe(200);
});

test('every operation says what it does', async () => {
  const { paths } = (await world.app.inject('/api/docs/json')).json() as {
    paths: Record<string, Record<string, { summary?: string }>>;
  };
  const silent = Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).flatMap(([method, { summary }]) => (summary ? [] : `${method} ${path}`)),
  );
  expect(silent).toEqual([]);
});

test('answers carry the security headers', async () => {
  const { headers } = await world.app.inject('/healthz');
  expect(headers['content-security-policy']).toMatch("default-src 'self'");
  expect(headers['content-security-policy']).not.toMatch('unsafe');
  expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' });
});

test('an address that is not there is a problem document', async () => {
  expect((await world.app.inject('/api/v1/nothing')).json()).toMatchObject({ status: 404, errors: [] });
});

test('what is answered is kept by no cache, and says what a page may ask of the device', async () => {
  const { headers } = await world.app.inject('/api/v1/session');
  expect(headers).toMatchObject({
    'cache-control': 'no-store',
    'permissions-policy': expect.stringContaining('geolocation=()'),
  });
});

test('what another site’s page would have a browser send is refused', async () => {
  const send = (headers: Record<string, string>) =>
    world.app.inject({
      method: 'POST',
      url: '/api/v1/judge',
      payload: JUDGE_SAMPLE,
      headers: { host: 'shop.example', ...headers },
    });
  const told = async (headers: Record<string, string>) => (await send(headers)).statusCode;
  expect(await told({})).toBe(200);
  expect(await told({ origin: 'https://shop.example' })).toBe(200);
  expect(await told({ origin: 'https://other.example' })).toBe(403);
  expect(await told({ origin: 'null' })).toBe(403);
  expect(await told({ origin: 'https://shop.example', 'sec-fetch-site': 'cross-site' })).toBe(403);
  expect(await told({ origin: 'https://dev.example', 'sec-fetch-site': 'same-origin' })).toBe(200);
});

test('an address that cannot be read, and what goes too deep, are problem documents', async () => {
  const malformed = await world.app.inject('/api/v1/units/%zz');
  expect(malformed.json()).toMatchObject({ status: 400, type: expect.stringContaining('urn:zealous-axle') });
  const deep = `${'['.repeat(20_000)}${']'.repeat(20_000)}`;
  const answer = await world.app.inject({
    method: 'POST',
    url: '/api/v1/judge',
    headers: { 'content-type': 'application/json' },
    payload: deep,
  });
  expect(answer.json()).toMatchObject({ status: 400, type: expect.stringContaining('urn:zealous-axle') });
});
