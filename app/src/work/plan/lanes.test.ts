import fc from 'fast-check';
import { lanesOf } from './lanes';

const bar = fc.record({ left: fc.integer({ min: 0, max: 400 }), width: fc.integer({ min: 24, max: 120 }) });

test('no bar covers another, whatever stands on a row', () => {
  fc.assert(
    fc.property(fc.array(bar, { maxLength: 30 }), (bars) => {
      const drawn = bars.map((each, n) => ({ id: `j${n}`, ...each }));
      const { laneOf, count } = lanesOf(drawn);
      for (const one of drawn) {
        const lane = laneOf.get(one.id) ?? -1;
        expect(lane).toBeLessThan(count);
        const covers = drawn.some(
          (other) =>
            other !== one &&
            laneOf.get(other.id) === lane &&
            other.left < one.left + one.width &&
            one.left < other.left + other.width,
        );
        expect(covers).toBe(false);
      }
    }),
  );
});

test('what stands one after the other stays in one lane', () => {
  const drawn = [0, 60, 120].map((left) => ({ id: `${left}`, left, width: 60 }));
  expect(lanesOf(drawn).count).toBe(1);
});
