import fc from 'fast-check';
import { at, first } from '../testing/judging';
import { atTemperature } from '.';

describe('shares of a pressure are those of what was typed', () => {
  const units = fc.constantFrom<['psi' | 'bar' | 'kPa', number]>(['psi', 10], ['bar', 100], ['kPa', 1]);
  const written = (count: number, [unit, per]: ['psi' | 'bar' | 'kPa', number]) => `${count / per} ${unit}`;
  const tyre = (noted: object) => first({ kind: 'pressure', ...at, tyre: 'outer', ...noted });

  test('half of the sidewall maximum is flat, a little more is not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 680 }), units, (half, unit) => {
        const sidewallMax = written(2 * half, unit);
        const verdict = (count: number) => tyre({ value: written(count, unit), sidewallMax }).verdict;
        expect([verdict(half), verdict(half + 1)]).toEqual(['out-of-service', 'not-judged']);
      }),
    );
  });

  test('a fifth below the target asks for a look inside, a little less below does not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 270 }), units, (fifth, unit) => {
        const target = written(5 * fifth, unit);
        const looks = (count: number) => /look inside/.test(tyre({ value: written(count, unit), target }).because);
        expect([looks(4 * fifth), looks(4 * fifth + 1)]).toEqual([true, false]);
      }),
    );
  });

  test('the warning comes by half of the cut-out, to the last digit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 400, max: 540 }), fc.constantFrom(0, 5), (tenths, hundredths) => {
        const half = (tenths + hundredths / 10) / 10;
        const warned = (value: number) =>
          first(
            {
              kind: 'air-test',
              test: 'low-air',
              value: `${value.toFixed(3)} psi`,
              cutOut: `${(2 * half).toFixed(2)} psi`,
            },
            { policies: { 'low-air': '55-or-half' } },
          ).verdict;
        expect(warned(half)).toBe('within');
        expect(warned(half - 0.01)).not.toBe('within');
      }),
    );
  });
});

describe('what is known of the end', () => {
  const known = { axle: { target: '100 psi', sidewallMax: '120 psi' } };
  const read = (value: string, noted: object = {}) =>
    first({ kind: 'pressure', ...at, tyre: 'outer', value, ...noted }, known);

  test.each([
    ['45 psi', 'out-of-service'],
    ['60 psi', 'out-of-service'],
    ['61 psi', 'violation'],
    ['99 psi', 'violation'],
    ['100 psi', 'within'],
    ['4.1 bar', 'out-of-service'],
  ])('%s at an end set up as 100 cold and 120 at most is %s', (value, verdict) => {
    expect(read(value).verdict).toBe(verdict);
  });

  test('noted with a reading, a pressure never makes less of what the end asks for', () => {
    const psi = fc.integer({ min: 1, max: 140 }).map((each) => `${each} psi`);
    const rank = { 'not-judged': 0, within: 0, 'shop-limit': 1, violation: 2, 'out-of-service': 3 };
    const rankOf = (verdict: string) => rank[verdict as keyof typeof rank];
    fc.assert(
      fc.property(
        psi,
        fc.option(psi, { nil: undefined }),
        fc.option(psi, { nil: undefined }),
        (value, target, sidewallMax) => {
          expect(rankOf(read(value, { target, sidewallMax }).verdict)).toBeGreaterThanOrEqual(
            rankOf(read(value).verdict),
          );
        },
      ),
    );
  });
});

describe('hot tires', () => {
  test('the gas law goes there and back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.integer({ min: 250_000, max: 370_000 }),
        fc.integer({ min: 250_000, max: 370_000 }),
        (gauge, from, to) => Math.abs(atTemperature(atTemperature(gauge, from, to), to, from) - gauge) <= 2,
      ),
    );
  });
  test('is said beside the rule’s own allowance', () => {
    const hot = {
      kind: 'pressure',
      ...at,
      tyre: 'outer',
      value: '115 psi',
      target: '100 psi',
      hot: true,
      temperature: '60 °C',
      coldTemperature: '20 °C',
    };
    expect(first(hot)).toMatchObject({ verdict: 'within', because: expect.stringMatching('at 20 °C') });
    expect(first({ ...hot, value: '104 psi', heavy: false }).verdict).toBe('violation');
    expect(first({ ...hot, value: '105 psi', heavy: false }).verdict).toBe('within');
  });
});
