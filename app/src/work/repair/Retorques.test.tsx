import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { unitPageWith } from '../../testing/shop';
import { LapsedRetorques, Retorques } from './Retorques';

const mockSent = jest.fn(async (..._: unknown[]) => undefined);
let mockLapsed: object[] = [];
jest.mock('../../device/outbox', () => ({ send: (...sent: unknown[]) => mockSent(...sent) }));
jest.mock('../../session/rules', () => ({ useUnits: () => ({ length: 'in' }) }));
jest.mock('../../server/queries', () => ({ useLapsed: () => ({ data: { lapsed: mockLapsed } }) }));
beforeEach(() => {
  mockSent.mockClear();
  mockLapsed = [];
  Object.assign(globalThis, { localStorage: { getItem: () => null, setItem: () => undefined } });
});

const retorque = {
  id: 'r',
  unit: { id: 'u', number: 'H-90', body: 'Hopper', kind: 'semitrailer' },
  wheels: [{ axle: 1, side: 'left' }],
  value: '475 lb-ft',
  due: '2026-07-08',
  dueMeter: null,
} as never;
const press = (text: string) => act(async () => fireEvent.press(screen.getByText(text)));

test('a re-torque is done with its value, its tool, and whether a nut moved: all three', async () => {
  await render(<Retorques unit={unitPageWith({ retorques: [retorque] })} today="2026-07-05" />);
  await press('Done');
  await press('Re-torque done');
  await act(async () => fireEvent.changeText(screen.getByLabelText('Set with'), 'Wrench 4'));
  await press('Re-torque done');
  expect(mockSent).not.toHaveBeenCalled();
  await press('One or more moved');
  await press('Re-torque done');
  expect(mockSent.mock.calls[0]?.[0]).toBe('do-retorque');
  expect(mockSent.mock.calls[0]?.[1]).toMatchObject({
    unit: 'u',
    retorque: 'r',
    value: '475 lb-ft',
    tool: 'Wrench 4',
    moved: true,
  });
});

test.each([
  ['2026-07-05', 'by'],
  ['2026-07-20', 'was due'],
])('on %s it is said when it %s', async (today, words) => {
  await render(<Retorques unit={unitPageWith({ retorques: [retorque] })} today={today} />);
  expect(screen.getByText(new RegExp(`^475 lb-ft, ${words} `))).toBeTruthy();
});

test('one that lapsed is made a report once, by whoever may', async () => {
  mockLapsed = [retorque];
  const { rerender } = await render(<LapsedRetorques may={false} />);
  expect(screen.queryByText('Report as a defect')).toBeNull();
  await rerender(<LapsedRetorques may />);
  await press('Report as a defect');
  expect(screen.queryByText('Report as a defect')).toBeNull();
  expect(mockSent.mock.calls.map(([name]) => name)).toEqual(['lapse-retorque']);
});
