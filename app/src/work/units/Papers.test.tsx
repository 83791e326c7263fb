import { act, fireEvent, render, screen } from '@testing-library/react-native';
import type { Role } from '@zealous-axle/core';
import { unitPageWith } from '../../testing/shop';
import { Papers } from './Papers';

const mockSent = jest.fn(async (..._: unknown[]) => undefined);
let mockRole: Role = 'technician';
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../session/session', () => {
  const session = () => ({ person: { role: mockRole }, fleet: { zone: 'UTC', book: 'na', policies: {} } });
  return { useSession: session, useSessionState: session };
});
beforeEach(() => {
  mockSent.mockClear();
  mockRole = 'technician';
});
const press = (text: string | RegExp) => act(async () => fireEvent.press(screen.getByText(text)));
const write = (label: string, text: string) =>
  act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
const INSURED = unitPageWith({ papers: [{ paper: 'Insurance', on: '2026-12-31' }] });

test('papers stand with their last day, and none is said', async () => {
  const { unmount } = await render(<Papers unit={unitPageWith()} />);
  expect(screen.getByText('None on file.')).toBeTruthy();
  await unmount();
  await render(<Papers unit={INSURED} />);
  expect(screen.getByText(/^Insurance: good until .*31 Dec.* 2026$/)).toBeTruthy();
});

test('a driver reads them and changes none', async () => {
  mockRole = 'driver';
  await render(<Papers unit={INSURED} />);
  expect(screen.queryByText('Read the inspection sticker')).toBeNull();
});

test('a sticker is taken by its month, as that very sticker means it, and its last day is shown before', async () => {
  await render(<Papers unit={unitPageWith()} />);
  await press('Read the inspection sticker');
  await write('Month on the sticker', 'soon');
  await press('Save');
  expect(mockSent).not.toHaveBeenCalled();
  await write('Month on the sticker', '03/2026');
  expect(screen.getByText(/^Good until .* 2027$/)).toBeTruthy();
  const [, other] = screen.getAllByRole('radio');
  await act(async () => fireEvent.press(other as never));
  expect(screen.getByText(/^Good until .* 2026$/)).toBeTruthy();
  await press('Save');
  expect(mockSent.mock.calls[0]?.[0]).toBe('record-sticker');
  expect(mockSent.mock.calls[0]?.[1]).toMatchObject({ unit: 'u', month: '03/2026', means: expect.any(String) });
});

test('another paper has a day that is one, and is taken away only where there is one', async () => {
  await render(<Papers unit={INSURED} />);
  await press('Another document…');
  await press('Insurance');
  await write('Its last day', '2026-02-30');
  await press('Save');
  expect(mockSent).not.toHaveBeenCalled();
  await write('Its last day', '2027-06-30');
  await press('Save');
  await press('Another document…');
  await press('Insurance');
  await press('Remove this document');
  expect(mockSent.mock.calls.map(([, body]) => (body as { good: unknown }).good)).toEqual([
    { until: '2027-06-30' },
    null,
  ]);
});
