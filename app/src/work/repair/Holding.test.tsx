import { fireEvent, render, screen } from '@testing-library/react-native';
import type { Role, UnitPage } from '@zealous-axle/core';
import { defectWith, unitPageWith } from '../../testing/shop';
import { Holding } from './Holding';

const mockSent = jest.fn();
let mockRole: Role = 'technician';
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../session/session', () => {
  const session = () => ({ person: { role: mockRole, name: 'Tomas' }, fleet: { zone: 'UTC' } });
  return { useSession: session, useSessionState: session };
});
beforeEach(() => {
  mockSent.mockClear();
  mockRole = 'technician';
});

const SINCE = '2026-07-01T10:00:00Z';
const hold = { id: 'h', reason: '1L: Hub leaks', by: 'Ada', at: SINCE, inspection: null };
const held = (more: Partial<UnitPage> = {}) => unitPageWith({ holds: [hold], ...more });
const certified = (at: string) => ({ by: 'Tomas', at, statement: 'done' });

test('why it is held stands there, by whom and since when', async () => {
  await render(<Holding unit={held()} />);
  expect(screen.getByText('1L: Hub leaks')).toBeTruthy();
  expect(screen.getByText(/^Ada, 1 Jul/)).toBeTruthy();
});

test('while a defect that holds is open it cannot be released: what is missing stands in its place', async () => {
  await render(<Holding unit={held({ defects: [defectWith({ holds: true })] })} />);
  expect(screen.getByText('Before it can be released')).toBeTruthy();
  expect(screen.queryByText('Release trailer')).toBeNull();
});

test('a driver cannot release, and is told who can', async () => {
  mockRole = 'driver';
  await render(<Holding unit={held()} />);
  expect(screen.queryByText('Release trailer')).toBeNull();
  expect(screen.getByText(/A technician or the foreman can release it/)).toBeTruthy();
});

test('a release is signed in words of one’s own', async () => {
  await render(<Holding unit={held()} />);
  await fireEvent.press(screen.getByText('Release trailer'));
  await fireEvent.changeText(screen.getByLabelText('Statement'), 'Looked at, nothing found');
  await fireEvent.press(screen.getByText('Sign and release'));
  expect(mockSent).toHaveBeenCalledTimes(1);
  const [name, body] = mockSent.mock.calls[0] ?? [];
  expect([name, body.unit, body.statement]).toEqual(['release-trailer', 'u', 'Looked at, nothing found']);
});

test('without a word nothing is signed', async () => {
  await render(<Holding unit={held()} />);
  await fireEvent.press(screen.getByText('Release trailer'));
  await fireEvent.press(screen.getByText('Sign and release'));
  expect(mockSent).not.toHaveBeenCalled();
});

test.each([
  ['certified since it is held', '2026-07-01T11:00:00Z', 1],
  ['certified before it was held', '2026-07-01T09:00:00Z', 0],
])('“repaired as certified” is offered only where that is so: %s', async (_, at, offered) => {
  await render(<Holding unit={held({ defects: [defectWith({ state: 'certified', certified: certified(at) })] })} />);
  await fireEvent.press(screen.getByText('Release trailer'));
  const usual = screen.queryAllByText(/Repaired as certified/);
  expect(usual).toHaveLength(offered);
  if (usual[0]) await fireEvent.press(usual[0]);
  expect(mockSent).toHaveBeenCalledTimes(offered);
});
