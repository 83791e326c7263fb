import fc from 'fast-check';
import { formatLength } from '../measure';
import {
  BOOKS,
  bookFor,
  bookSchema,
  fleetLimitRefusal,
  limitFor,
  POLICIES,
  plainBook,
  policiesSchema,
  policySchema,
  stickerLastDay,
} from '.';
import { chamberSizes, chambersLike } from './chambers';

test.each(Object.entries(BOOKS))('book %s has the published shape, and no id twice', (id, book) => {
  expect(bookSchema.parse(book)).toEqual(book);
  expect(book.id).toBe(id);
  const ids = [...book.limits, ...book.hubOil.rules].map((each) => each.id);
  expect(new Set(ids).size).toBe(ids.length);
});

describe('policies', () => {
  test('have the published shape, and every limit that names one names a way of it', () => {
    for (const policy of POLICIES) expect(policySchema.parse(policy)).toEqual(policy);
    for (const book of Object.values(BOOKS))
      for (const { where } of book.limits)
        if (where.policy) {
          const [policy = '', option = ''] = where.policy.split(':');
          expect(policiesSchema.safeParse({ [policy]: option }).success).toBe(true);
        }
  });

  test('choose between limits', () => {
    expect(limitFor(plainBook('na'), 'mud-flap', {})?.value).toBe('8 in');
    const narrow = bookFor({ book: 'na', policies: { 'mud-flap': '6' }, limits: [] });
    expect(limitFor(narrow, 'mud-flap', {})?.value).toBe('6 in');
  });

  test.each([{ 'mud-flap': '7' }, { nonsense: '1' }])('%j is refused', (chosen) =>
    expect(policiesSchema.safeParse(chosen).success).toBe(false),
  );

  test.each([
    ['inspection-month', '2026-03', '2027-03-31'],
    ['inspection-month', '2027-02', '2028-02-29'],
    ['expiry-month', '2027-02', '2027-02-28'],
    ['expiry-month', '2026-13', null],
  ])('a sticker with the %s %s is good to %s', (sticker, month, last) =>
    expect(stickerLastDay({ sticker }, month)).toBe(last),
  );
});

describe('a fleet’s own limit', () => {
  const refusal = (tightens: string, value: string) => fleetLimitRefusal(plainBook('na'), tightens, value);

  test.each([
    ['stroke.clamp.30.standard', '1 7/8 in', null],
    ['stroke.clamp.30.standard', '2 in', 'already the book’s limit'],
    ['stroke.clamp.30.standard', '2 1/8 in', 'never looser'],
    ['stroke.clamp.30.standard', '52 mm', 'never looser'],
    ['lining.drum', '5/16 in', null],
    ['lining.drum', '3/16 in', 'never looser'],
    ['tread.other', '4/32 in', null],
    ['leak.released.single', '1 psi', null],
    ['leak.released.single', '1 in', 'is a pressure'],
    ['lining.drum', 'thick', 'is not a length'],
    ['lining.count.drum', '1/2 in', 'roadside criteria'],
    ['nothing', '1 in', 'no such limit'],
  ])('%s as %s: %s', (tightens, value, why) =>
    why === null ? expect(refusal(tightens, value)).toBeNull() : expect(refusal(tightens, value)).toMatch(why),
  );

  test('is never looser than the book, whatever is asked for', () => {
    const sixteenths = fc.integer({ min: 0, max: 80 }).map((count) => formatLength(count * 1_587_500, 'fraction'));
    const ids = fc.constantFrom(...plainBook('na').limits.map(({ id }) => id));
    fc.assert(
      fc.property(ids, sixteenths, (tightens, value) => {
        const own = { id: 'f', tightens, value, reason: 'r', by: 'b', at: '' };
        const book = bookFor({ book: 'na', policies: {}, limits: [own] });
        const taken = book.limits.find(({ from }) => from === 'fleet');
        return refusal(tightens, value) === null ? taken?.value === value : taken === undefined;
      }),
    );
  });

  test('the strictest of book, fleet and maker is shown', () => {
    const own = { id: 'f', tightens: 'lining.drum', value: '5/16 in', reason: 'hills', by: 'B', at: '' };
    const book = bookFor({ book: 'na', policies: {}, limits: [own] });
    const end = { brake: 's-cam', steer: false } as const;
    expect(limitFor(book, 'lining', end)).toMatchObject({ value: '5/16 in', from: 'fleet' });
    const maker = { lining: { value: '3/8 in', source: 'manual' } };
    expect(limitFor(book, 'lining', { ...end, maker })).toMatchObject({ value: '3/8 in', from: 'maker' });
  });
});

test('every clamp chamber is told by what it measures across, larger ones by more', () => {
  const rings = chamberSizes('clamp').map((size) => chambersLike('clamp', size)[0]?.across?.nm ?? 0);
  expect(rings.length).toBeGreaterThan(5);
  expect(Math.min(...rings)).toBeGreaterThan(0);
  expect(rings).toEqual([...rings].sort((a, b) => a - b));
  expect(chambersLike('clamp', '30').map(({ limit }) => limit)).toEqual(['2 in', '2 1/2 in']);
});
