import type { PersistedQuery } from '@tanstack/query-persist-client-core';
import { waitFor } from '@testing-library/react-native';
import { device } from '../device/device';
import { forgetAnswers, keepAnswers } from './answers';
import { queryClient } from './queries';

beforeEach(async () => {
  await forgetAnswers();
});
afterEach(() => {
  jest.restoreAllMocks();
  queryClient.clear();
});

/** Until the device has what came in. */
const written = (key: string[], answer: unknown) =>
  waitFor(async () => {
    const kept = (await (await device()).getAll('answers')) as PersistedQuery[];
    expect(
      kept.filter(({ queryKey }) => String(queryKey) === String(key)).map(({ state }) => state.data),
    ).toContainEqual(answer);
  });
/** Asks a question as a screen does; the server gives the answer, or cannot be reached. */
const answered = async (key: string[], answer: unknown, gcTime = Number.POSITIVE_INFINITY) => {
  const queryFn = jest.fn(async () => {
    if (answer === undefined) throw new TypeError('no network');
    return answer;
  });
  return queryClient.fetchQuery({ queryKey: key, queryFn, gcTime, retry: false }).catch(() => undefined);
};
/** As {@link answered}, until the device has it. */
const asked = async (...[key, answer, gcTime]: Parameters<typeof answered>) => {
  const data = await answered(key, answer, gcTime);
  if (answer !== undefined) await written(key, answer);
  return data;
};
const KEY = ['unit', 'a'];

test('what a person last saw is there when the program opens again, without a server', async () => {
  keepAnswers('ada');
  await asked(KEY, { number: 'H-11' });
  queryClient.clear();
  expect(await asked(KEY, undefined)).toEqual({ number: 'H-11' });
});

test('an answer that was kept just now is shown, and asked for again all the same', async () => {
  keepAnswers('ada');
  await asked(KEY, { number: 'H-11' });
  queryClient.clear();
  expect(await answered(KEY, { number: 'H-12' })).toEqual({ number: 'H-11' });
  await waitFor(() => expect(queryClient.getQueryData(KEY)).toEqual({ number: 'H-12' }));
});

test('nobody sees what another person saw, and a sign-out forgets it', async () => {
  keepAnswers('ada');
  await asked(KEY, { number: 'H-11' });
  queryClient.clear();
  keepAnswers('ad');
  expect(await asked(KEY, undefined)).toBeUndefined();
  await forgetAnswers();
  keepAnswers('ada');
  expect(await asked(KEY, undefined)).toBeUndefined();
});

test('each answer is written by itself, and the newest counts', async () => {
  keepAnswers('ada');
  await asked(['yard'], 1);
  await asked(KEY, 1);
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  await queryClient.invalidateQueries({ queryKey: KEY });
  await asked(KEY, 2);
  expect(put).toHaveBeenCalledTimes(1);
  queryClient.clear();
  expect([await asked(['yard'], undefined), await asked(KEY, undefined)]).toEqual([1, 2]);
});

test('an answer kept in an older shape is not shown', async () => {
  const state = { data: 1, dataUpdatedAt: Date.now(), status: 'success' };
  const kept = { buster: '3', queryHash: '["yard"]', queryKey: ['yard'], state };
  await (await device()).put('answers', kept, 'ada-["yard"]');
  keepAnswers('ada');
  expect(await asked(['yard'], undefined)).toBeUndefined();
});

test('where the storage takes nothing, answers are shown as they come', async () => {
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  keepAnswers('ada');
  expect(await answered(['yard'], 1)).toBe(1);
});
