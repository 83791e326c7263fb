import { type BookId, bookFor } from '../limits';
import { judgeReading } from '.';

const judged = (value: string, built?: number, book: BookId = 'na') =>
  judgeReading(bookFor({ book, policies: {}, limits: [] }), null, {
    kind: 'guard-height',
    value,
    ...(built ? { built } : {}),
  });

test.each([
  ['22 in', 1998, 'within'],
  ['22 1/4 in', 1998, 'violation'],
  ['22 1/4 in', 1997, 'within'],
  ['30 in', 1997, 'within'],
  ['30 1/8 in', 1997, 'violation'],
] as const)('a guard at %s of a unit built in %i is %s', (value, built, verdict) => {
  expect(judged(value, built)).toMatchObject({ verdict });
});

test('without the year only what every figure says alike is said', () => {
  expect(judged('21 in').verdict).toBe('within');
  expect(judged('31 in').verdict).toBe('violation');
  expect(judged('25 in')).toMatchObject({
    verdict: 'not-judged',
    said: [{ code: 'guard-year' }],
  });
});

test('a book without a figure judges nothing', () => {
  expect(judged('25 in', 2019, 'gb').verdict).toBe('not-judged');
});
