import fc from 'fast-check';
import { EXERCISES } from './exercise';
import { tooFast } from './pace';

const items = (count: number) => Array.from({ length: count }, (_, n) => n);

test('forty answers of a drill take more than ten seconds, and not more than a minute', () => {
  expect(tooFast({ what: 'drill' }, { seconds: 10, items: items(40) })).toBe(true);
  expect(tooFast({ what: 'drill' }, { seconds: 60, items: items(40) })).toBe(false);
});

test('nothing answered is never too fast, and more time is never faster', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...EXERCISES),
      fc.nat({ max: 400 }),
      fc.nat({ max: 3_600 }),
      fc.nat({ max: 600 }),
      (what, count, seconds, more) => {
        expect(tooFast({ what }, { seconds: 0, items: [] })).toBe(false);
        const fast = tooFast({ what }, { seconds, items: items(count) });
        if (!fast) expect(tooFast({ what }, { seconds: seconds + more, items: items(count) })).toBe(false);
        if (fast) expect(tooFast({ what }, { seconds, items: items(count + 1) })).toBe(true);
      },
    ),
  );
});
