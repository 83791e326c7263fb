import fc from 'fast-check';
import { BOOKS } from '../limits';
import { type CountedBrake, countBrakes, outOfServiceAt } from './brake-count';

const brake = (share: 0 | 0.5 | 1, open = false): CountedBrake => ({ share, measured: !open, open });
const good = (count: number) => Array.from({ length: count }, () => brake(0));

test.each([
  [4, 1],
  [6, 2],
  [8, 2],
  [10, 2],
  [12, 3],
  [14, 3],
  [16, 4],
  [18, 4],
  [20, 4],
  [22, 5],
])('%d brakes are out of service at %d', (total, at) => expect(outOfServiceAt(BOOKS.na, total)).toBe(at));

test('two halves are one', () => {
  expect(countBrakes(BOOKS.na, [brake(0.5), ...good(3)])).toMatchObject({ defective: 0, outOfService: false });
  expect(countBrakes(BOOKS.na, [brake(0.5), brake(0.5), ...good(2)])).toMatchObject({
    defective: 1,
    outOfService: true,
  });
  expect(countBrakes(BOOKS.na, [brake(0.5), brake(0.5), brake(0.5), ...good(9)])).toMatchObject({ defective: 1 });
});

test('just under 20 % is not 20 %', () => {
  expect(countBrakes(BOOKS.na, [brake(1), brake(1), ...good(9)])).toMatchObject({ total: 11, outOfService: false });
  expect(countBrakes(BOOKS.na, [brake(1), brake(1), ...good(8)])).toMatchObject({ total: 10, outOfService: true });
});

test('assumed good brakes widen the whole', () => {
  expect(countBrakes(BOOKS.na, [brake(1), ...good(3)], 6)).toMatchObject({
    total: 10,
    outOfServiceAt: 2,
    outOfService: false,
  });
});

test('an open brake makes the count a range', () => {
  expect(countBrakes(BOOKS.na, [brake(0.5), brake(0, true), brake(0, true), brake(0, true)])).toMatchObject({
    measured: 1,
    defective: 0,
    defectiveAtMost: 3,
  });
});

test('the range always holds the count, whatever the open brakes turn out to be', () => {
  const brakes = fc.array(
    fc.record({
      share: fc.constantFrom<0 | 0.5 | 1>(0, 0.5, 1),
      open: fc.boolean(),
      later: fc.constantFrom<0 | 0.5 | 1>(0, 0.5, 1),
    }),
    { minLength: 1, maxLength: 22 },
  );
  fc.assert(
    fc.property(brakes, (all) => {
      const now = countBrakes(
        BOOKS.na,
        all.map(({ share, open }) => brake(share, open && share < 1)),
      );
      const then = countBrakes(
        BOOKS.na,
        all.map(({ share, open, later }) => brake(open && later > share ? later : share)),
      );
      return now.defective <= then.defective && then.defective <= now.defectiveAtMost;
    }),
  );
});
