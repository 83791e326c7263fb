import fc from 'fast-check';
import type { Verdict } from '../limits';
import { VERDICTS } from '../limits';
import { standingVerdict, whichStands } from '.';

const at = (time: number) => ({ from: time, until: time });
/** Taken by nobody knows when, before it was heard of at that time. */
const before = (time: number) => ({ from: 0, until: time });
const old = (verdict: Verdict, when = at(100)) => ({ id: 'old', verdict, ...when });
const fresh = (verdict: Verdict, when: { from: number; until: number }, corrects?: string) => ({
  id: 'fresh',
  verdict,
  ...when,
  corrects,
});

test.each<[string, ReturnType<typeof fresh>, boolean, boolean]>([
  ['a later one', fresh('within', at(101)), true, false],
  ['one of the same time', fresh('within', at(100)), true, false],
  ['an earlier one whose clock is known', fresh('violation', at(99)), false, false],
  ['one in doubt that is surely later', fresh('within', { from: 100, until: 200 }), true, false],
  ['one in doubt that is surely earlier', fresh('out-of-service', before(99)), false, false],
  ['one in doubt that is worse', fresh('out-of-service', before(200)), true, true],
  ['one in doubt that is better', fresh('within', before(200)), false, true],
  ['an open one in doubt beside a fault', fresh('not-judged', before(200)), false, true],
  ['a correction of the one that stands', fresh('within', at(50), 'old'), true, false],
  ['a correction of another, made later', fresh('within', at(500), 'other'), false, false],
])('%s', (_, claim, stands, doubtful) => {
  expect(whichStands(old('violation'), claim)).toEqual({ fresh: stands, doubtful });
});

test('what is open is worse than a pass', () => {
  expect(whichStands(old('within'), fresh('not-judged', before(200))).fresh).toBe(true);
});

test('in doubt, a better reading never takes the place of a worse one, whatever the clocks say', () => {
  const verdict = fc.constantFrom<Verdict>(...VERDICTS);
  const moment = fc.integer({ min: 0, max: 100 });
  const span = fc.tuple(moment, moment).map(([a, b]) => ({ from: Math.min(a, b), until: Math.max(a, b) }));
  fc.assert(
    fc.property(verdict, verdict, span, span, (was, is, then, now) => {
      const one = whichStands(old(was, then), fresh(is, now));
      const overlap = now.from < then.until && then.from <= now.until;
      expect(one.doubtful).toBe(overlap);
      if (!overlap) return;
      // Whichever of the two came first, the same of them stands, and it is the worse.
      const other = whichStands(old(is, now), fresh(was, then));
      if (was !== is && other.doubtful) expect(one.fresh).toBe(!other.fresh);
      if (is === 'within' && was !== 'within') expect(one.fresh).toBe(false);
    }),
  );
});

test('what stays open of a reading is no pass where it stands', () => {
  const said = (verdict: Verdict, open?: string) => standingVerdict({ verdict, open } as never);
  expect(said('within')).toBe('within');
  expect(said('within', 'the law’s question')).toBe('not-judged');
  for (const verdict of VERDICTS.slice(0, 3)) expect(said(verdict, 'more')).toBe(verdict);
});
