import { act, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { Refused } from '../server/client';
import { Loaded } from './Loaded';

const answered = { data: 'the unit', isPending: false, fetchStatus: 'idle', error: null } as never;
const fetching = { isPending: true, fetchStatus: 'fetching' } as const;

const show = (query: never, beside: { isPending: boolean; fetchStatus: 'fetching' | 'idle' | 'paused' }[] = []) =>
  render(
    <Loaded query={query} beside={beside as never}>
      {(data: string) => <Text>{data}</Text>}
    </Loaded>,
  );

test('what was answered is shown at once', async () => {
  await show(answered);
  expect(screen.getByText('the unit')).toBeTruthy();
});

test('what stands between its controls is waited for, once, so that nothing moves under a finger', async () => {
  const { rerender } = await show(answered, [fetching]);
  expect(screen.queryByText('the unit')).toBeNull();
  expect(screen.getByText('Loading…')).toBeTruthy();
  await rerender(
    <Loaded query={answered} beside={[{ isPending: false, fetchStatus: 'fetching' }]}>
      {(data: string) => <Text>{data}</Text>}
    </Loaded>,
  );
  expect(screen.getByText('the unit')).toBeTruthy();
});

test.each(['idle', 'paused'] as const)('what is not being asked for (%s) keeps nobody waiting', async (fetchStatus) => {
  await show(answered, [{ isPending: true, fetchStatus }]);
  expect(screen.getByText('the unit')).toBeTruthy();
});

test('why an answer is not there is said: the refusal in its own words, else that there is no signal', async () => {
  const refused = new Refused({ detail: 'There is no such unit.', errors: [] } as never);
  const { unmount } = await show({ error: refused, isPending: false } as never);
  expect(screen.getByText('There is no such unit.')).toBeTruthy();
  await unmount();
  await show({ error: new TypeError('fetch failed'), isPending: false } as never);
  expect(screen.getByText(/No connection/)).toBeTruthy();
  expect(screen.getByText('Try again')).toBeTruthy();
});

test('where the network hangs, what is known is shown without what stands beside it', async () => {
  jest.useFakeTimers();
  await show(answered, [fetching]);
  expect(screen.queryByText('the unit')).toBeNull();
  await act(async () => jest.advanceTimersByTime(2_000));
  expect(screen.getByText('the unit')).toBeTruthy();
  jest.useRealTimers();
});
