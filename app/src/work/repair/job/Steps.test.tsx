import { fireEvent, render, screen } from '@testing-library/react-native';
import { NO_WORK_KNOWN } from '@zealous-axle/core';
import { jobPageWith } from '../../../testing/shop';
import { Steps } from './Steps';

const mockSend = jest.fn(async (..._: unknown[]) => undefined);
jest.mock('../../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSend(...sent) }));
interface Entry {
  name: string;
  body: object;
}
let mockWaiting: Entry[] = [];
let mockTaken: Entry[] = [];
jest.mock('../../../device/useOutbox', () => ({
  useOutbox: () => ({ entries: mockWaiting }),
  useDoneHere: () => [...mockTaken, ...mockWaiting],
}));
jest.mock('../../../session/session', () => ({ useSession: () => ({ person: {}, fleet: { zone: 'UTC' } }) }));

const page = jobPageWith({
  work: { ...NO_WORK_KNOWN, steps: [{ key: 'off', words: 'Wheel off', minutes: 5 }] as never },
});
const tick = (done: boolean): Entry => ({ name: 'tick-step', body: { job: page.job.id, step: 'off', done } });
const ticked = () => screen.getByRole('checkbox').props.accessibilityState.checked;

beforeEach(() => {
  mockWaiting = [];
  mockTaken = [];
  mockSend.mockClear();
});

test('a tick stays ticked while it waits, and after the server took it until the page tells of it', async () => {
  await render(<Steps page={page} may />);
  expect(ticked()).toBe(false);

  mockWaiting = [tick(true)];
  await screen.rerender(<Steps page={page} may />);
  expect(ticked()).toBe(true);
  expect(screen.getByText('Not sent yet')).toBeTruthy();

  mockTaken = mockWaiting;
  mockWaiting = [];
  await screen.rerender(<Steps page={page} may />);
  expect(ticked()).toBe(true);
  expect(screen.queryByText('Not sent yet')).toBeNull();

  const told = { ...page, ticks: [{ step: 'off', done: true, by: 'Ada', at: '2026-07-01T09:00:00Z' }] };
  mockTaken = [];
  await screen.rerender(<Steps page={told} may />);
  expect(ticked()).toBe(true);
  expect(screen.getByText(/^Ada, .*09:00/)).toBeTruthy();
});

test('the last of several taps counts, and a finger on what is ticked unticks it', async () => {
  mockTaken = [tick(true)];
  mockWaiting = [tick(false)];
  await render(<Steps page={page} may />);
  expect(ticked()).toBe(false);
  mockWaiting = [tick(false), tick(true)];
  await screen.rerender(<Steps page={page} may />);
  expect(ticked()).toBe(true);
  fireEvent.press(screen.getByRole('checkbox'));
  expect(mockSend.mock.calls.map(([, body]) => body)).toEqual([{ job: page.job.id, step: 'off', done: false }]);
});
