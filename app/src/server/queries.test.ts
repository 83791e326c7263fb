import { device } from '../device/device';
import { forgetAnswers, keepAnswers, queryClient, restoreAnswers } from './queries';

beforeEach(async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  await forgetAnswers();
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
  queryClient.clear();
});

const as = (id: string) => ({ person: { id } }) as Parameters<typeof restoreAnswers>[0];
const yard = () => queryClient.getQueryData(['yard']);
/** Lets the answers that came in be written. */
const written = async () => {
  await jest.advanceTimersByTimeAsync(1_000);
  for (let turns = 0; turns < 20; turns++) await new Promise<void>((resolve) => setImmediate(resolve));
};

test('what a person last saw is there when the program opens again, without a server', async () => {
  const stop = keepAnswers('ada');
  queryClient.setQueryData(['yard'], { units: ['H-11'] });
  await written();
  stop();
  queryClient.clear();
  expect(yard()).toBeUndefined();
  await restoreAnswers(as('ada'));
  expect(yard()).toEqual({ units: ['H-11'] });
});

test('nobody sees what another person saw, and a sign-out forgets it', async () => {
  const stop = keepAnswers('ada');
  queryClient.setQueryData(['yard'], { units: ['H-11'] });
  await written();
  stop();
  queryClient.clear();
  await restoreAnswers(as('ad'));
  expect(yard()).toBeUndefined();
  await forgetAnswers();
  await restoreAnswers(as('ada'));
  expect(yard()).toBeUndefined();
});

test('only what is new is written, and the newest counts', async () => {
  const stop = keepAnswers('ada');
  queryClient.setQueryData(['yard'], 1);
  queryClient.setQueryData(['unit', 'a'], 1);
  await written();
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  queryClient.setQueryData(['unit', 'a'], 2);
  queryClient.setQueryData(['unit', 'a'], 3);
  await written();
  expect(put).toHaveBeenCalledTimes(1);
  stop();
  queryClient.clear();
  await restoreAnswers(as('ada'));
  expect([yard(), queryClient.getQueryData(['unit', 'a'])]).toEqual([1, 3]);
});

test('an answer kept in an older shape is not shown', async () => {
  const query = { queryHash: '["yard"]', queryKey: ['yard'], state: { data: 1, status: 'success' } };
  await (await device()).put('answers', { shape: 0, query }, 'ada ["yard"]');
  await restoreAnswers(as('ada'));
  expect(yard()).toBeUndefined();
});

test('where the storage takes nothing, answers are shown as they come', async () => {
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const stop = keepAnswers('ada');
  queryClient.setQueryData(['yard'], 1);
  await written();
  expect(yard()).toBe(1);
  stop();
});
