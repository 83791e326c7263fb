import { daylightUntil } from './dusk';

const until = (zone: string, at: string, dusk = '0') =>
  daylightUntil(zone, { dusk }, new Date(at))?.toISOString().slice(0, 16) ?? null;

// The sun sets over Chicago on 2 March 2026 at 17:45, over Regina on 21 December at 16:57 (tables of the sun).
test.each([
  ['America/Chicago', '2026-03-02T18:00:00Z', '2026-03-02T23:4'],
  ['America/Regina', '2026-12-21T18:00:00Z', '2026-12-21T22:5'],
])('it is day in %s until the sun sets there', (zone, at, expected) =>
  expect(until(zone, at)).toMatch(new RegExp(`^${expected}`)),
);

test('the fleet’s margin ends it sooner, and begins it later', () => {
  const plain = Date.parse(`${until('America/Chicago', '2026-03-02T18:00:00Z')}Z`);
  expect(plain - Date.parse(`${until('America/Chicago', '2026-03-02T18:00:00Z', '60')}Z`)).toBe(3_600_000);
  // Half an hour after sunrise.
  expect(until('America/Chicago', '2026-03-02T13:00:00Z')).not.toBeNull();
  expect(until('America/Chicago', '2026-03-02T13:00:00Z', '60')).toBeNull();
});

test('before sunrise, after dusk, without a sunrise and in a zone that has no place it is not day', () => {
  expect(until('America/Chicago', '2026-03-02T11:00:00Z')).toBeNull();
  expect(until('America/Chicago', '2026-03-02T23:50:00Z')).toBeNull();
  expect(until('Arctic/Longyearbyen', '2026-12-21T11:00:00Z')).toBeNull();
  expect(until('UTC', '2026-03-02T12:00:00Z')).toBeNull();
});
