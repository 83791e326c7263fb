import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { BOOKS, type Limit, type Role } from '@zealous-axle/core';
import { AXLE } from '@zealous-axle/core/testing';
import { unitPageWith } from '../../testing/shop';
import { MakerLimits } from './MakerLimits';
import { OwnLimit } from './OwnLimit';

const mockSent = jest.fn(async (..._: unknown[]) => undefined);
let mockRole: Role = 'technician';
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../session/rules', () => ({ useUnits: () => ({ length: 'in' }) }));
jest.mock('../../session/session', () => {
  const session = () => ({ person: { role: mockRole }, fleet: { zone: 'UTC' } });
  return { useSession: session, useSessionState: session };
});
beforeEach(() => {
  mockSent.mockClear();
  mockRole = 'technician';
});
const press = (text: string) => act(async () => fireEvent.press(screen.getByText(text)));
const write = (label: string, text: string) =>
  act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
const limitOf = (id: string) => BOOKS.na.limits.find((each) => each.id === id) as Limit;

test('a limit of one’s own is stricter and has its reason, or it is refused at once and why', async () => {
  await render(<OwnLimit book={BOOKS.na} limit={limitOf('stroke.clamp.30.standard')} onClose={() => undefined} />);
  await write('Our limit', '2 1/4');
  await write('Why we are stricter', 'Hills');
  await press('Set this limit');
  expect(mockSent).not.toHaveBeenCalled();
  await write('Our limit', '1 7/8');
  await press('Set this limit');
  expect(mockSent.mock.calls[0]?.[0]).toBe('add-fleet-limit');
  expect(mockSent.mock.calls[0]?.[1]).toMatchObject({
    tightens: 'stroke.clamp.30.standard',
    value: '1 7/8 in',
    reason: 'Hills',
  });
});

test('without a reason none is set', async () => {
  await render(<OwnLimit book={BOOKS.na} limit={limitOf('stroke.clamp.30.standard')} onClose={() => undefined} />);
  await write('Our limit', '1 7/8 in');
  await press('Set this limit');
  expect(mockSent).not.toHaveBeenCalled();
});

const marked = unitPageWith({
  axles: [
    { ...AXLE, ends: { left: { maker: { lining: { value: '5/16 in', source: 'Cast on the shoe' } } }, right: {} } },
  ],
});

test('a maker’s limit stands at its own end, with where it is written', async () => {
  const { unmount } = await render(<MakerLimits unit={marked} at="1L" />);
  expect(screen.getByText('Maker: Lining 5/16 in (Cast on the shoe)')).toBeTruthy();
  await unmount();
  await render(<MakerLimits unit={marked} at="1R" />);
  expect(screen.queryByText(/^Maker: /)).toBeNull();
});

test('it is set for that end alone, in the unit of the house, with its source', async () => {
  await render(<MakerLimits unit={unitPageWith()} at="1R" />);
  await press('Maker’s limit at 1R');
  await write('Limit', '5/16');
  await press('Save this limit');
  expect(mockSent).not.toHaveBeenCalled();
  await write('Source', 'Manual, page 4');
  await press('Save this limit');
  expect(mockSent.mock.calls[0]?.[1]).toEqual({
    unit: 'u',
    axle: 1,
    side: 'right',
    reading: 'lining',
    limit: { value: '5/16 in', source: 'Manual, page 4' },
  });
});

test('it is taken back with a reason', async () => {
  await render(<MakerLimits unit={marked} at="1L" />);
  await press('Take back');
  await press('Remove this limit');
  expect(mockSent).not.toHaveBeenCalled();
  await write('Why?', 'Another shoe is on it');
  await press('Remove this limit');
  expect(mockSent.mock.calls[0]?.[1]).toMatchObject({ limit: null, reason: 'Another shoe is on it' });
});

test('a driver sees what is marked and sets nothing; an end that is not there has none', async () => {
  mockRole = 'driver';
  const { unmount } = await render(<MakerLimits unit={marked} at="1L" />);
  expect(screen.queryByText('Take back')).toBeNull();
  expect(screen.queryByText('Maker’s limit at 1L')).toBeNull();
  await unmount();
  mockRole = 'technician';
  await render(<MakerLimits unit={marked} at="3L" />);
  expect(screen.queryByText('Maker’s limit at 3L')).toBeNull();
});
