import { fireEvent, render, screen } from '@testing-library/react-native';
import { ChangePerson } from './ChangePerson';

let mockAnswer: { data?: { people: { id: string; name: string }[] }; error: Error | null };
jest.mock('./Pin', () => ({ useChangers: () => mockAnswer }));

test.each<[string, typeof mockAnswer]>([
  ['Reading…', { error: null }],
  ['The server cannot be reached: another person cannot take over now.', { error: new Error('no') }],
  ['No one else has a PIN. Everyone signs in with a password.', { data: { people: [] }, error: null }],
  [
    'People with a PIN. Everyone else signs in with a password.',
    { data: { people: [{ id: 't', name: 'Tomas' }] }, error: null },
  ],
])('who may take over is said as far as it is known: %s', async (words, answer) => {
  mockAnswer = answer;
  await render(<ChangePerson />);
  await fireEvent.press(screen.getByText('Change person'));
  expect(screen.getByText(words)).toBeTruthy();
});
