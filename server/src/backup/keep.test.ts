import fc from 'fast-check';
import { outlived, readKeepRule } from './keep';

const day = (n: number) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10);
const year = Array.from({ length: 365 }, (_, n) => day(n));
const RULE = { days: 7, weeks: 4, months: 12 };

test('a rule is read as it is written, and nothing else is a rule', () => {
  expect(readKeepRule('7d,4w,12m')).toEqual(RULE);
  for (const text of ['', '7d', '0d,4w,12m', '-1d,4w,12m', '7d,4w,12m,2y', 'seven'])
    expect(readKeepRule(text)).toBeNull();
});

test('of a year of days stay the last of each day, week and month', () => {
  const gone = new Set(outlived(year, RULE));
  const kept = year.filter((each) => !gone.has(each));
  expect(kept.slice(-7)).toEqual(year.slice(-7));
  expect(kept).toContain('2026-01-31');
  expect(kept).toContain('2026-06-30');
  expect(kept).not.toContain('2026-06-29');
  expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
});

test('the newest is always kept, and what outlived its time today is still outlived when nothing came since', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 0, max: 900 }), { minLength: 1, maxLength: 60 }),
      fc.record({
        days: fc.integer({ min: 1, max: 10 }),
        weeks: fc.integer({ min: 0, max: 10 }),
        months: fc.integer({ min: 0, max: 10 }),
      }),
      (numbers, rule) => {
        const days = numbers.map(day);
        const gone = outlived(days, rule);
        expect(gone).not.toContain([...days].sort().at(-1));
        const left = days.filter((each) => !gone.includes(each));
        expect(outlived(left, rule)).toEqual([]);
      },
    ),
  );
});
