import { QueryObserver } from '@tanstack/react-query';
import type { YardRow } from '@zealous-axle/core';
import { queryClient } from './queries';
import { type Happened, refresh } from './refresh';

const row = (change: Partial<YardRow> = {}): YardRow => ({
  id: 'a',
  number: 'H-11',
  body: 'Hopper',
  kind: 'semitrailer',
  site: '',
  held: false,
  openDefects: 0,
  toAcknowledge: 0,
  lastMeasured: null,
  verdict: null,
  due: null,
  looked: [],
  walked: null,
  inspecting: null,
  helpSince: null,
  judging: false,
  ...change,
});
const YARD = ['yard', {}, 'urgency'];
const yard = () => queryClient.getQueryData<{ pages: { units: YardRow[] }[] }>(YARD)?.pages[0]?.units;
const stale = (key: readonly unknown[]) => queryClient.getQueryState(key)?.isInvalidated;
const settled = async () => {
  for (let turns = 0; turns < 20; turns++) await new Promise<void>((resolve) => setImmediate(resolve));
};

beforeEach(() => {
  queryClient.setDefaultOptions({
    queries: { ...queryClient.getDefaultOptions().queries, gcTime: Number.POSITIVE_INFINITY },
  });
  queryClient.clear();
  queryClient.setQueryData(['unit', 'a'], { id: 'a' });
  queryClient.setQueryData(['unit', 'b'], { id: 'b' });
  queryClient.setQueryData(['job', 'j'], { job: { unit: { id: 'b' } } });
  queryClient.setQueryData(['sheet', 's'], { unit: { id: 'a' } });
  queryClient.setQueryData(['shop'], {});
  queryClient.setQueryData(YARD, { pages: [{ units: [row(), row({ id: 'b', number: 'H-12' })] }], pageParams: [''] });
});

const answers = (now: YardRow) => {
  const fetched = jest.fn(
    async () => ({ ok: true, status: 200, headers: new Headers(), json: async () => now }) as Response,
  );
  globalThis.fetch = fetched as unknown as typeof fetch;
  return fetched;
};
const KEYS = [['unit', 'a'], ['unit', 'b'], ['job', 'j'], ['sheet', 's'], ['shop']];

test.each<[Happened, string[]]>([
  [{ type: 'take-reading', unit: 'a' }, ['unit a', 'sheet s', 'shop']],
  [{ type: 'attach-photo', unit: 'a' }, ['unit a', 'sheet s', 'shop']],
  [{ type: 'start-job', unit: 'b' }, ['unit b', 'job j', 'shop']],
  [{ type: 'set-own-units', unit: null }, []],
  // What a fleet reckons by stands on its units' pages.
  [{ type: 'set-road-costs', unit: null }, ['unit a', 'unit b', 'job j', 'sheet s']],
  [{ type: 'triage-defect' }, ['unit a', 'unit b', 'job j', 'sheet s', 'shop']],
  [{ type: 'read-again' }, ['unit a', 'unit b', 'job j', 'sheet s', 'shop']],
])('%j makes only this out of date: %j', async (event, wanted) => {
  answers(row());
  void refresh([event]);
  await settled();
  expect(KEYS.filter(stale).map((key) => key.join(' '))).toEqual(wanted);
});

test('one row is asked for, and stands in its place; a list is read again only where the row now stands elsewhere', async () => {
  const fetched = answers(row({ openDefects: 0, toAcknowledge: 0 }));
  void refresh([{ type: 'attach-photo', unit: 'a' }]);
  await settled();
  expect(fetched).toHaveBeenCalledTimes(1);
  expect(stale(YARD)).toBe(false);
  answers(row({ held: true }));
  void refresh([{ type: 'hold-trailer', unit: 'a' }]);
  await settled();
  expect(yard()?.map(({ held }) => held)).toEqual([true, false]);
  expect(stale(YARD)).toBe(true);
});

test('what is being asked for while something happens may already be old: it is asked for again', async () => {
  let asked = 0;
  const observer = new QueryObserver(queryClient, {
    queryKey: ['job', 'k'],
    // The first answer was read before the event, and comes in after it.
    queryFn: () => (++asked === 1 ? new Promise(() => undefined) : Promise.resolve({ state: 'placed' })),
  });
  const stop = observer.subscribe(() => undefined);
  void refresh([{ type: 'place-job', unit: 'b' }]);
  await settled();
  expect([asked, observer.getCurrentResult().data]).toEqual([2, { state: 'placed' }]);
  stop();
});

test('what could not be read again is said not to be read', async () => {
  let broken = false;
  const observer = new QueryObserver(queryClient, {
    queryKey: ['job', 'm'],
    queryFn: async () => {
      if (broken) throw new Error('The server is busy.');
      return { job: { unit: { id: 'b' } } };
    },
    retry: false,
  });
  const stop = observer.subscribe(() => undefined);
  await settled();
  answers(row({ id: 'b' }));
  expect((await refresh([{ type: 'tick-step', unit: 'b' }]))()).toBe(true);
  broken = true;
  expect((await refresh([{ type: 'tick-step', unit: 'b' }]))()).toBe(false);
  // What touches another unit does not wait for this page.
  expect((await refresh([{ type: 'tick-step', unit: 'a' }]))()).toBe(true);
  broken = false;
  expect((await refresh([{ type: 'read-again' }]))()).toBe(true);
  stop();
});
