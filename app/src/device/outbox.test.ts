import fc from 'fast-check';
import { postCommand } from '../server/post-command';
import { device } from './device';
import { discard, flush, onAnswered, openOutbox, outboxState, pagesRead, retry, send } from './outbox';

type Counted = { device: string; count: number };
type Answer = 'ok' | 'refused' | 'unreachable' | 'lost' | 'broken';

const UNIT = '01900000-0000-7000-8000-000000000001';
const hold = (reason: string) => ({ hold: UNIT, unit: UNIT, reason });
const refusal = { type: 'x', title: 'No', status: 409, detail: 'Not possible now.', errors: [] };

/** A server that answers as told; it does a command once however often it arrives. `lost`: done, but the answer never came. */
function fakeServer(answers: Answer[]) {
  const done: string[] = [];
  const seen = new Set<string>();
  globalThis.fetch = jest.fn(async (_url, init) => {
    const { id, body } = JSON.parse(String(init?.body)) as { id: string; body: { reason: string } };
    const answer = answers.shift() ?? 'ok';
    if (answer === 'unreachable') throw new TypeError('no network');
    if (answer === 'refused')
      return { headers: new Headers(), ok: false, status: 409, json: async () => refusal } as Response;
    if (answer === 'broken')
      return {
        headers: new Headers(),
        ok: false,
        status: 500,
        json: async () => ({ ...refusal, status: 500 }),
      } as Response;
    if (!seen.has(id)) done.push(body.reason);
    seen.add(id);
    if (answer === 'lost') throw new TypeError('connection lost');
    return { headers: new Headers(), ok: true, status: 200, json: async () => ({ id, changed: [] }) } as Response;
  }) as typeof fetch;
  return { done };
}

beforeEach(async () => {
  await openOutbox(null, postCommand);
  await (await device()).clear('outbox');
  await openOutbox('ada', postCommand);
});
afterEach(() => openOutbox(null, postCommand));

const settled = async () => {
  for (let turns = 0; turns < 400 && outboxState().sending; turns++)
    await new Promise<void>((resolve) => setImmediate(() => resolve()));
};
const empty = async () => {
  for (let tries = 0; tries < 60; tries++) {
    await settled();
    if (!outboxState().entries.some((entry) => !entry.refused)) return;
    await flush();
  }
};

test('commands go out in order, each once, and are told of', async () => {
  const server = fakeServer([]);
  const told: string[] = [];
  const stop = onAnswered(({ name }) => told.push(name));
  for (const reason of ['a', 'b', 'c']) await send('hold-trailer', hold(reason), reason);
  await empty();
  stop();
  expect(server.done).toEqual(['a', 'b', 'c']);
  expect(told).toEqual(['hold-trailer', 'hold-trailer', 'hold-trailer']);
  expect(outboxState()).toMatchObject({ entries: [], offline: false });
});

test('without a server they stay on the device, and the state says so', async () => {
  fakeServer(['unreachable']);
  await send('hold-trailer', hold('a'), 'held');
  await settled();
  expect(outboxState().offline).toBe(true);
  expect(await (await device()).count('outbox')).toBe(1);
  fakeServer([]);
  await flush();
  await empty();
  expect(await (await device()).count('outbox')).toBe(0);
});

test('a refused command stays with its reason, and does not stop the others', async () => {
  const server = fakeServer(['refused']);
  await send('hold-trailer', hold('a'), 'a');
  await send('hold-trailer', hold('b'), 'b');
  await empty();
  const [kept] = outboxState().entries;
  expect(kept).toMatchObject({ label: 'a', refused: { detail: 'Not possible now.' } });
  expect(server.done).toEqual(['b']);
  await retry(kept?.id ?? '');
  await empty();
  expect(server.done).toEqual(['b', 'a']);
});

test('a command the server breaks on is tried again a few times, then set aside and shown; the others are sent', async () => {
  const server = fakeServer(['broken', 'ok', 'broken', 'broken']);
  await send('hold-trailer', hold('bad'), 'bad');
  await send('hold-trailer', hold('good'), 'good');
  await settled();
  expect(server.done).toEqual(['good']);
  expect(outboxState()).toMatchObject({ offline: false, entries: [{ label: 'bad', tries: 1 }] });
  await empty();
  expect(server.done).toEqual(['good']);
  expect(outboxState().entries).toMatchObject([{ label: 'bad', refused: { status: 500 } }]);
});

test('what rests on a command the server breaks on waits without asking over and over', async () => {
  const inspection = '01900000-0000-7000-8000-0000000000ab';
  const server = fakeServer(['broken', 'broken', 'broken']);
  await send('hold-trailer', { ...hold('bad'), hold: inspection }, 'bad');
  await send('hold-trailer', { ...hold('rests on it'), hold: inspection }, 'rests');
  await settled();
  expect(outboxState()).toMatchObject({ sending: false });
  for (let tries = 0; tries < 3; tries++) {
    await flush();
    await settled();
  }
  expect(outboxState()).toMatchObject({
    sending: false,
    entries: [{ label: 'bad', refused: { status: 500 } }, { label: 'rests' }],
  });
  expect(server.done).toEqual([]);
  expect(globalThis.fetch).toHaveBeenCalledTimes(3);
});

test('what rests on a command that was set aside waits for it', async () => {
  const inspection = '01900000-0000-7000-8000-0000000000aa';
  const server = fakeServer(['refused']);
  await send('hold-trailer', { ...hold('first'), hold: inspection }, 'first');
  await send('hold-trailer', { ...hold('rests on it'), hold: inspection }, 'rests');
  await send('hold-trailer', hold('else'), 'else');
  await settled();
  expect(server.done).toEqual(['else']);
  await discard(outboxState().entries[0]?.id ?? '');
  await flush();
  await settled();
  expect(server.done).toEqual(['else', 'rests on it']);
});

test('a refused command can be given up', async () => {
  fakeServer(['refused']);
  await send('hold-trailer', hold('a'), 'a');
  await settled();
  await discard(outboxState().entries[0]?.id ?? '');
  expect(outboxState().entries).toEqual([]);
});

describe('where the storage takes nothing', () => {
  beforeEach(() => {
    jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
  });
  afterEach(() => jest.restoreAllMocks());
  const leaving = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));

  test('a command stands in this window, which asks before it goes, and is sent from here', async () => {
    fakeServer(['unreachable', 'unreachable']);
    await send('hold-trailer', hold('a'), 'a');
    await settled();
    expect(outboxState().entries).toMatchObject([{ label: 'a', onlyHere: true }]);
    expect(leaving()).toBe(true);
    const server = fakeServer([]);
    await flush();
    await empty();
    expect(server.done).toEqual(['a']);
    expect(outboxState().entries).toEqual([]);
    expect(leaving()).toBe(false);
  });

  test('it keeps its place among those the device did keep', async () => {
    jest.restoreAllMocks();
    fakeServer(['unreachable', 'unreachable']);
    await send('hold-trailer', hold('kept'), 'kept');
    await settled();
    jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    fakeServer(['unreachable', 'unreachable']);
    await send('hold-trailer', hold('alone'), 'alone');
    await send('hold-trailer', hold('later'), 'later');
    await settled();
    const server = fakeServer([]);
    await flush();
    await empty();
    expect(server.done).toEqual(['kept', 'alone', 'later']);
  });

  test('a refusal is still told, and can be given up or tried again', async () => {
    const server = fakeServer(['refused', 'refused', 'ok']);
    await send('hold-trailer', hold('a'), 'a');
    await send('hold-trailer', hold('b'), 'b');
    await empty();
    const [a, b] = outboxState().entries;
    expect([a, b]).toMatchObject([
      { label: 'a', refused: { status: 409 } },
      { label: 'b', refused: { status: 409 } },
    ]);
    await discard(a?.id ?? '');
    await retry(b?.id ?? '');
    await empty();
    expect(server.done).toEqual(['b']);
    expect(outboxState().entries).toEqual([]);
  });
});

test('a device counts its acts under its own id, across people and tries', async () => {
  const server = fakeServer(['unreachable']);
  const sent = () =>
    jest.mocked(globalThis.fetch).mock.calls.map(([, init]) => JSON.parse(String(init?.body)).counted as Counted);
  await send('hold-trailer', hold('first'), 'a');
  await send('hold-trailer', hold('second'), 'b');
  await empty();
  expect(server.done).toEqual(['first', 'second']);
  await openOutbox('ben', postCommand);
  await send('hold-trailer', hold('third'), 'c');
  await empty();
  const counts = sent();
  expect(new Set(counts.map(({ device: id }) => id)).size).toBe(1);
  const rising = [...new Set(counts.map(({ count }) => count))];
  expect(rising).toHaveLength(3);
  expect(rising).toEqual([...rising].sort((one, other) => one - other));
});

test('what another person left here is not sent in the wrong name', async () => {
  fakeServer(['unreachable']);
  await send('hold-trailer', hold('of ada'), 'a');
  await settled();
  const server = fakeServer([]);
  await openOutbox('ben', postCommand);
  await send('hold-trailer', hold('of ben'), 'b');
  for (let turns = 0; turns < 40; turns++) await settled();
  expect(server.done).toEqual(['of ben']);
  await openOutbox('ada', postCommand);
  await empty();
  expect(server.done).toEqual(['of ben', 'of ada']);
});

test('whatever the server does, everything is done once and in order', async () => {
  const answers = fc.array(fc.constantFrom<Answer>('ok', 'unreachable', 'lost'), { maxLength: 12 });
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: 6 }), answers, async (count, told) => {
      const server = fakeServer([...told]);
      const reasons = Array.from({ length: count }, (_, index) => String(index));
      for (const reason of reasons) await send('hold-trailer', hold(reason), reason);
      await empty();
      return JSON.stringify(server.done) === JSON.stringify(reasons);
    }),
    { numRuns: 25 },
  );
});

test('what the server took counts here until the pages it changes were read again, and never for another person', async () => {
  fakeServer(['ok', 'refused']);
  await send('hold-trailer', hold('first'), 'Hold');
  await send('hold-trailer', hold('second'), 'Hold');
  await empty();
  const reasons = () => outboxState().taken.map(({ body }) => (body as { reason: string }).reason);
  expect(reasons()).toEqual(['first']);
  pagesRead(new Set(['another']));
  expect(reasons()).toEqual(['first']);
  pagesRead(new Set(outboxState().taken.map(({ id }) => id)));
  expect(reasons()).toEqual([]);

  await send('hold-trailer', hold('third'), 'Hold');
  await empty();
  expect(reasons()).toEqual(['third']);
  await openOutbox('ben', postCommand);
  expect(reasons()).toEqual([]);
});

test('what the pages told of before its own answer came does not count beside them afterwards', async () => {
  fakeServer([]);
  const sent = globalThis.fetch;
  globalThis.fetch = jest.fn(async (...asked: Parameters<typeof fetch>) => {
    pagesRead(new Set(outboxState().entries.map(({ id }) => id)));
    return sent(...asked);
  }) as typeof fetch;
  await send('hold-trailer', hold('told first'), 'Hold');
  await empty();
  expect(outboxState()).toMatchObject({ entries: [], taken: [] });
});
