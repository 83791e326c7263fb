import { fireEvent, render, screen } from '@testing-library/react-native';
import type { Role, UnitPage } from '@zealous-axle/core';
import { defectWith, unitPageWith } from '../../testing/shop';
import { BeforeSigning, BeforeUse, LastSigned, SignWalk } from './SignWalk';

const mockSent = jest.fn();
let mockRole: Role = 'driver';
let mockEntries: { name: string; body: object; refused?: object }[] = [];
let mockOut: string[] = [];
let mockHere = new Map<string, object>();
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../device/useOutbox', () => ({
  useOutbox: () => ({ entries: mockEntries }),
  useDoneHere: () => mockEntries,
}));
jest.mock('../../session/session', () => {
  const session = () => ({ person: { role: mockRole, name: 'Ada' }, fleet: { zone: 'UTC' } });
  return { useSession: session, useSessionState: session };
});
jest.mock('../../session/standing', () => ({ useOutOfUse: () => new Set(mockOut) }));
jest.mock('../../session/here', () => ({ useHereAll: () => mockHere, beside: (own: object) => own }));
beforeEach(() => {
  mockSent.mockClear();
  [mockRole, mockEntries, mockOut, mockHere] = ['driver', [], [], new Map()];
});

const hold = { id: 'h', reason: 'leaks', by: 'B', at: '2026-07-01T10:00:00Z', inspection: null };
const sign = (unit: UnitPage, asks = false) => render(<SignWalk units={[unit]} ids={[unit.id]} asks={asks} />);
const NOTHING = 'Sign: nothing found on H-90';
const HELD = 'I saw H-90 is on hold: not driving it';

test('nothing found is signed by one tap, once however often it is tapped', async () => {
  await sign(unitPageWith());
  await fireEvent.press(screen.getByText(NOTHING));
  await fireEvent.press(screen.getByText('Signed'));
  expect(mockSent).toHaveBeenCalledTimes(1);
  expect(mockSent.mock.calls[0]?.[0]).toBe('report-nothing');
});

test('where a tap comes easily it is asked once more', async () => {
  await sign(unitPageWith(), true);
  await fireEvent.press(screen.getByText('Nothing found'));
  expect(mockSent).not.toHaveBeenCalled();
  await fireEvent.press(screen.getByText(NOTHING));
  expect(mockSent).toHaveBeenCalledTimes(1);
});

test('beside an open defect nothing more was found', async () => {
  await sign(unitPageWith({ defects: [defectWith()] }));
  expect(screen.getByText('Sign: nothing more found on H-90')).toBeTruthy();
});

test.each<[string, () => UnitPage]>([
  ['held', () => unitPageWith({ holds: [hold] })],
  [
    'out of service as it stands',
    () => {
      mockOut = ['u'];
      return unitPageWith();
    },
  ],
  [
    'held by what only this device knows',
    () => {
      mockHere = new Map([['u', { holds: true }]]);
      return unitPageWith();
    },
  ],
])('what is %s is never signed as found good', async (_, unit) => {
  await sign(unit());
  expect(screen.queryByText(NOTHING)).toBeNull();
  await fireEvent.press(screen.getByText(HELD));
  expect(mockSent.mock.calls.map(([name]) => name)).toEqual(['see-held']);
});

test('of units that run together all are signed, or the held ones alone', async () => {
  const other = unitPageWith({ id: 'v', number: 'H-91', holds: [hold] });
  const units = [unitPageWith(), other];
  const { rerender } = await render(<SignWalk units={units} ids={['u', 'v']} />);
  await fireEvent.press(screen.getByText('I saw H-91 is on hold: not driving it'));
  expect(mockSent.mock.calls.map(([, body]) => body.unit)).toEqual(['v']);
  mockSent.mockClear();
  await rerender(<SignWalk units={[unitPageWith(), { ...other, holds: [] }]} ids={['u', 'v']} />);
  await fireEvent.press(screen.getByText('Sign: nothing found on H-90, H-91'));
  expect(mockSent.mock.calls.map(([, body]) => body.unit)).toEqual(['u', 'v']);
});

test('where one of them could not be read nothing is signed', async () => {
  await render(<SignWalk units={[unitPageWith()]} ids={['u', 'v']} />);
  expect(screen.queryByText(NOTHING)).toBeNull();
});

test.each<Role>(['technician', 'foreman', 'manager'])('a %s does not sign a driver’s walk', async (role) => {
  mockRole = role;
  await sign(unitPageWith());
  expect(screen.queryByText(NOTHING)).toBeNull();
});

test('a signature that waits to be sent is shown as given; one that was refused is not', async () => {
  mockEntries = [{ name: 'report-nothing', body: { unit: 'u' } }];
  const { unmount } = await sign(unitPageWith());
  expect(screen.getByText('Signed')).toBeTruthy();
  await unmount();
  mockEntries = [{ name: 'report-nothing', body: { unit: 'u' }, refused: {} }];
  await sign(unitPageWith());
  expect(screen.getByText(NOTHING)).toBeTruthy();
});

test('papers that are over, late wheels and an open inspection stand before the use', async () => {
  const retorque = {
    id: 'r',
    wheels: [{ axle: 1, side: 'left' }],
    value: '475 lb-ft',
    dueOn: '2026-01-01',
    doneAt: null,
  };
  const unit = unitPageWith({
    papers: [
      { paper: 'Insurance', on: '2026-01-01' },
      { paper: 'Registration', on: '2999-01-01' },
    ],
    retorques: [{ ...retorque, from: null, due: '2026-01-01', dueMeter: null } as never],
    inspecting: [
      { id: 'i', route: null, by: 'Tomas', startedAt: '2026-07-01T08:00:00Z', read: 3 },
      { id: 'k', route: null, by: 'Nobody', startedAt: '2026-07-01T08:00:00Z', read: 0 },
    ] as never,
  });
  await render(
    <>
      <BeforeUse unit={unit} />
      <BeforeSigning unit={unit} />
    </>,
  );
  expect(screen.getAllByText(/Insurance/)).toHaveLength(2);
  expect(screen.queryByText(/Registration/)).toBeNull();
  expect(screen.getAllByText(/An inspection is still open: Tomas/)).toHaveLength(2);
  expect(screen.queryByText(/Nobody/)).toBeNull();
  expect(screen.getByText(/^H-90: /)).toBeTruthy();
});

test.each([
  ['2026-07-01T11:00:00Z', ''],
  ['2026-07-01T08:00:00Z', ' Before later findings.'],
])('a signature of %s says of what it is', async (at, since) => {
  const signed = { by: 'Ada', at, says: 'nothing-found', known: null } as const;
  await render(<LastSigned unit={unitPageWith({ signed, defects: [defectWith()] })} />);
  expect(screen.getByText(new RegExp(`^Walked around, no defects found: Ada, 1 Jul.*\\d\\.${since}$`))).toBeTruthy();
});
