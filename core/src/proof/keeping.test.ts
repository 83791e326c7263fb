import fc from 'fast-check';
import { BOOK_IDS } from '../limits';
import { KEEP_ALL, KEPT, type Keeping, keepingSchema, leastKept, tooShort } from './keeping';

test('a fleet keeps everything until it says otherwise', () => {
  for (const book of BOOK_IDS) expect(tooShort(book, KEEP_ALL)).toBeNull();
});

test('every book says for how long each is kept at the least, and where that stands', () => {
  for (const book of BOOK_IDS)
    for (const kept of KEPT) {
      const { months, source } = leastKept(book, kept);
      expect(months).toBeGreaterThan(0);
      expect(source.length).toBeGreaterThan(10);
    }
});

test('at the least time nothing is too short, a month below it is, whatever the others are', () =>
  fc.assert(
    fc.property(fc.constantFrom(...BOOK_IDS), fc.constantFrom(...KEPT), (book, kept) => {
      const least = Object.fromEntries(KEPT.map((each) => [each, leastKept(book, each).months])) as unknown as Keeping;
      expect(tooShort(book, least)).toBeNull();
      expect(tooShort(book, { ...least, [kept]: (least[kept] ?? 0) - 1 })).toBe(kept);
    }),
  ));

test('months are whole, at least one and not past all reason', () => {
  const fits = (months: unknown) => keepingSchema.safeParse({ ...KEEP_ALL, photos: months }).success;
  expect([fits(1), fits(240), fits(null), fits(0), fits(1.5), fits(241), fits('12')]).toEqual([
    true,
    true,
    true,
    false,
    false,
    false,
    false,
  ]);
});
