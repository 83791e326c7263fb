import { fireEvent, render, screen } from '@testing-library/react-native';
import type { LookedAt } from '@zealous-axle/core';
import { unitPageWith } from '../testing/shop';
import { ConfirmButton } from './ConfirmButton';
import { LookedList } from './LookedList';

const TODAY = '2026-07-10';
const ends = (more: Partial<LookedAt>): LookedAt => ({
  area: 'ends',
  of: 4,
  read: 4,
  oldest: '2026-07-01T09:00:00Z',
  by: 'Tomas',
  ...more,
});
const show = (more: Parameters<typeof unitPageWith>[0]) =>
  render(<LookedList unit={unitPageWith(more)} zone="UTC" today={TODAY} />);

test('what nobody looked at is named, and what is not on record is said', async () => {
  await show({ looked: [ends({ read: 0, oldest: null })] });
  expect(screen.getByText('not checked')).toBeTruthy();
  expect(screen.getByText('none on record')).toBeTruthy();
  expect(screen.getByText('none kept here')).toBeTruthy();
});

test('what was looked at in part is never said as whole: how much, and how old the oldest is', async () => {
  await show({ looked: [ends({ read: 3 })] });
  expect(screen.getByText(/^3 of 4, the oldest 1 Jul, Tomas$/)).toBeTruthy();
});

test('a walk is of whoever walked, on their day; the paper that ends first is the one that is told', async () => {
  await show({
    looked: [ends({})],
    walked: { at: '2026-07-09T06:00:00Z', by: 'Ada' } as never,
    papers: [
      { paper: 'Insurance', on: '2026-07-01' },
      { paper: 'Inspection', on: '2027-01-01' },
    ],
  });
  expect(screen.getByText(/^1 Jul, Tomas$/)).toBeTruthy();
  expect(screen.getByText(/^9 Jul, Ada$/)).toBeTruthy();
  expect(screen.getByText(/^Insurance /)).toBeTruthy();
  expect(screen.queryByText(/^Inspection /)).toBeNull();
});

test('an act that cannot be taken back asks once, and may be left', async () => {
  const done = jest.fn();
  await render(<ConfirmButton label="Drop it" ask="Yes, drop it" hint="H-90" onDo={done} />);
  await fireEvent.press(screen.getByText('Drop it'));
  await fireEvent.press(screen.getByText('Cancel'));
  expect(done).not.toHaveBeenCalled();
  await fireEvent.press(screen.getByText('Drop it'));
  await fireEvent.press(screen.getByText('Yes, drop it'));
  expect(done).toHaveBeenCalledTimes(1);
});
