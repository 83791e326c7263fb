import fc from 'fast-check';
import type { Verdict } from '../limits';
import { VERDICTS } from '../limits';
import { standingVerdict, whichStands } from '.';

const old = (verdict: Verdict, at = 100) => ({ id: 'old', verdict, at });
const fresh = (verdict: Verdict, at: number, more = {}) => ({ id: 'fresh', verdict, at, sure: true, ...more });

test.each<[string, ReturnType<typeof fresh>, boolean, boolean]>([
  ['a later one', fresh('within', 101), true, false],
  ['one of the same time', fresh('within', 100), true, false],
  ['an earlier one whose clock is known', fresh('violation', 99), false, false],
  ['an earlier one in doubt that is worse', fresh('out-of-service', 99, { sure: false }), true, true],
  ['an earlier one in doubt that is better', fresh('within', 99, { sure: false }), false, true],
  ['an open one in doubt beside a fault', fresh('not-judged', 99, { sure: false }), false, true],
  ['a correction of the one that stands', fresh('within', 50, { corrects: 'old' }), true, false],
  ['a correction of another, made later', fresh('within', 500, { corrects: 'other' }), false, false],
])('%s', (_, claim, stands, doubtful) => {
  expect(whichStands(old('violation'), claim)).toEqual({ fresh: stands, doubtful });
});

test('what is open is worse than a pass', () => {
  expect(whichStands(old('within'), fresh('not-judged', 1, { sure: false })).fresh).toBe(true);
});

test('in doubt, a pass never takes the place of a fault, whatever the clocks say', () => {
  const faults = fc.constantFrom<Verdict>('out-of-service', 'violation', 'shop-limit');
  fc.assert(
    fc.property(
      faults,
      fc.integer({ min: 1, max: 99 }),
      (verdict, at) => !whichStands(old(verdict), fresh('within', at, { sure: false })).fresh,
    ),
  );
});

test('what stays open of a reading is no pass where it stands', () => {
  const said = (verdict: Verdict, open?: string) => standingVerdict({ verdict, open } as never);
  expect(said('within')).toBe('within');
  expect(said('within', 'the law’s question')).toBe('not-judged');
  for (const verdict of VERDICTS.slice(0, 3)) expect(said(verdict, 'more')).toBe(verdict);
});
