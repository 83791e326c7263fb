import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { noteContact } from '../device/contact';
import { ClockBar } from './ClockBar';

const MINUTE_MS = 60_000;
/** A contact at which the device's clock was so many minutes ahead. */
const contact = (minutes: number) => act(() => noteContact(new Date(Date.now() - minutes * MINUTE_MS).toUTCString()));

test('a clock that is off is told, which way and by how much, until somebody knows', async () => {
  await render(<ClockBar />);
  await contact(1);
  expect(screen.queryByRole('button')).toBeNull();
  await contact(75);
  expect(screen.getByText(/clock is 1 h 15 min fast/)).toBeTruthy();
  await fireEvent.press(screen.getByRole('button'));
  expect(screen.queryByRole('button')).toBeNull();
  await contact(76);
  expect(screen.queryByRole('button')).toBeNull();
  await contact(-10);
  expect(screen.getByText(/clock is 10 min slow/)).toBeTruthy();
});
