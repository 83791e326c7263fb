import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { defectWith } from '../../testing/shop';
import { Certified } from './Certified';

const mockSent = jest.fn(async (..._: unknown[]) => undefined);
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../device/photos', () => ({ sendPictures: async () => undefined }));
jest.mock('../../session/session', () => ({ useSession: () => ({ person: {}, fleet: { zone: 'UTC' } }) }));
beforeEach(() => mockSent.mockClear());

const done = (id: string, job = 'j', code = 'hub-leak') =>
  defectWith({
    id,
    job,
    code,
    state: 'certified',
    certified: { by: 'Tomas', at: '2026-07-01T12:00:00Z', statement: 'Seal renewed' },
    version: 4,
  });
const press = (text: string | RegExp) => act(async () => fireEvent.press(screen.getByText(text)));

test('a certified repair says who signed what, and is acknowledged once', async () => {
  await render(<Certified defects={[done('a')]} />);
  expect(screen.getByText('Seal renewed')).toBeTruthy();
  expect(screen.getByText(/^Signed by Tomas, 1 Jul/)).toBeTruthy();
  await press('I have seen the repair at 1L');
  await press('Acknowledged');
  expect(mockSent.mock.calls.map(([name, body]) => [name, body])).toEqual([
    ['acknowledge-repair', { defect: 'a', version: 4 }],
  ]);
});

test('the repairs of one job are one card and one tap, those of another their own', async () => {
  await render(<Certified defects={[done('a'), done('b', 'j', 'brake-hose'), done('c', 'k')]} />);
  await press('I have seen these 2 repairs');
  expect(mockSent.mock.calls.map(([, body]) => (body as { defect: string }).defect)).toEqual(['a', 'b']);
  expect(screen.getByText('I have seen the repair at 1L')).toBeTruthy();
});

test('what is still wrong is reported again in words of one’s own, as come back, and is seen', async () => {
  await render(<Certified defects={[done('a')]} />);
  await press('Still wrong…');
  await act(async () =>
    fireEvent.changeText(screen.getByLabelText('What do you see, hear or feel?'), 'Wet again after ten miles'),
  );
  await press('Report it again');
  expect(mockSent.mock.calls.map(([name]) => name)).toEqual(['report-defect', 'acknowledge-repair']);
  expect(mockSent.mock.calls[0]?.[1]).toMatchObject({
    code: 'hub-leak',
    comeBackOf: 'a',
    words: 'Wet again after ten miles',
    place: { axle: 1, side: 'left', tyre: null },
  });
});
