import { dayAfter, daysBetween } from '@zealous-axle/core';
import { clock, dayName, dayOf, dueWords } from './dates';
import tokens from './tokens.json';

const channel = (part: string) => {
  const value = Number.parseInt(part, 16) / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
};
const light = (hex: string) =>
  0.2126 * channel(hex.slice(1, 3)) + 0.7152 * channel(hex.slice(3, 5)) + 0.0722 * channel(hex.slice(5, 7));
const contrast = (a: string, b: string) => {
  const [high = 0, low = 0] = [light(a), light(b)].sort((x, y) => y - x);
  return (high + 0.05) / (low + 0.05);
};

const PAIRS = [
  ['ink', 'ground'],
  ['ink', 'card'],
  ['ink', 'raised'],
  ['soft', 'ground'],
  ['soft', 'card'],
  ['soft', 'raised'],
  ['act', 'card'],
  ['on-act', 'act'],
  ['card', 'out'],
  ['card', 'shop'],
  ...(['out', 'violation', 'shop', 'within', 'open'] as const).flatMap((tone) => [
    [tone, `${tone}-tint`],
    [tone, 'card'],
    [tone, 'ground'],
  ]),
] as [keyof (typeof tokens)['light'], keyof (typeof tokens)['light']][];

describe.each(['light', 'dark'] as const)('the %s theme', (theme) => {
  test.each(PAIRS)('%s on %s can be read', (ink, paper) => {
    expect(contrast(tokens[theme][ink], tokens[theme][paper])).toBeGreaterThanOrEqual(4.5);
  });
});

test('dates as people say them', () => {
  expect(dayName('2026-11-24')).toBe('Tue 24\u00a0Nov');
  expect(clock('2026-11-24T13:05:00Z', 'America/Chicago')).toBe('24\u00a0Nov, 07:05');
  const now = new Date('2026-11-24T13:05:00Z');
  expect(dayOf('2026-01-01T03:00:00Z', 'America/Chicago', now)).toBe('31\u00a0Dec 2025');
  expect(dayOf('2026-01-01T03:00:00Z', 'Europe/London', now)).toBe('1\u00a0Jan');
  expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01');
  expect(daysBetween('2026-11-24', '2026-12-03')).toBe(9);
  expect([
    dueWords('2026-11-24', '2026-11-24'),
    dueWords('2026-11-24', '2026-11-25'),
    dueWords('2026-11-24', '2026-11-18'),
  ]).toEqual(['due today', 'due in 1 day', '6 days overdue']);
});
