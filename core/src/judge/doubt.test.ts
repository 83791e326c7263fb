import fc from 'fast-check';
import { BOOKS } from '../limits';
import { must, parseLength } from '../measure';
import { doubtOf } from './doubt';

const nm = (text: string) => must(parseLength(text, '32nds'));
const doubt = (kind: 'lining' | 'tread' | 'stroke-applied' | 'hub-oil', before: string | null, now: string) =>
  doubtOf(BOOKS.na, kind, before === null ? null : nm(before), nm(now))?.way ?? null;

test.each([
  ['lining', '3/8 in', '11/32 in', null],
  ['lining', '3/8 in', '13/32 in', null],
  ['lining', '3/8 in', '7/16 in', 'grown'],
  ['lining', '3/4 in', '1/2 in', null],
  ['lining', '3/4 in', '15/32 in', 'shrunk'],
  ['tread', '6/32', '7/32', null],
  ['tread', '6/32', '8/32', 'grown'],
  ['stroke-applied', '1 1/2 in', '2 1/4 in', null],
  ['stroke-applied', '1 1/2 in', '2 5/16 in', 'grown'],
  ['hub-oil', '0 in', '3 in', null],
  ['lining', null, '7/16 in', null],
  ['lining', null, '7 in', 'too-much'],
  ['lining', null, '0 in', null],
  ['tread', null, '66/32', 'too-much'],
  ['stroke-applied', null, '0 in', 'too-little'],
  ['stroke-applied', '3/16 in', '7/64 in', 'too-little'],
] as const)('%s from %s to %s: %s', (kind, before, now, way) => expect(doubt(kind, before, now)).toBe(way));

test.each([
  ['lining', '3/8 in', '5/16 in', 2, 'shrunk'],
  ['lining', '3/8 in', '11/32 in', 2, null],
  ['lining', '3/8 in', '5/16 in', 30, null],
  ['lining', '3/8 in', '3/16 in', 30, 'shrunk'],
  ['lining', '3/4 in', '1/2 in', 365, null],
  ['lining', '3/4 in', '15/32 in', 365, 'shrunk'],
  ['tread', '9/32', '7/32', 1, 'shrunk'],
  ['tread', '9/32', '5/32', 60, null],
  // A clock that runs backwards wears nothing off.
  ['lining', '3/8 in', '5/16 in', -40, 'shrunk'],
] as const)('%s from %s to %s in %d days: %s', (kind, before, now, days, way) =>
  expect(doubtOf(BOOKS.na, kind, nm(before), nm(now), days)?.way ?? null).toBe(way),
);

test('what did not change is never called changed', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100_000_000 }), (length) => {
      const way = doubtOf(BOOKS.na, 'lining', length, length)?.way;
      return way === undefined || way === 'too-much';
    }),
  );
});
