import { render, screen } from '@testing-library/react-native';
import { ExpectedBack } from './ExpectedBack';

const mockPlan = { jobs: 3, unplanned: 1, back: null, over: false, leaves: null };
jest.mock('../../server/queries', () => ({ useUnitPlan: () => ({ data: mockPlan }) }));
jest.mock('../../session/session', () => ({
  useSession: () => ({ person: { id: 'p' }, fleet: { zone: 'UTC' } }),
}));

test.each([
  [1, 'Return time not known yet: 1 of its jobs is not scheduled.'],
  [2, 'Return time not known yet: 2 of its jobs are not scheduled.'],
])('while %s of its jobs has no place, nobody says when it is back', async (unplanned, words) => {
  mockPlan.unplanned = unplanned;
  await render(<ExpectedBack unit="u" number="H-90" />);
  expect(screen.getByText(words)).toBeTruthy();
});
