import fc from 'fast-check';
import {
  formatDistance,
  formatLength,
  formatPressure,
  lengthStyle,
  must,
  NM_PER_INCH,
  NM_PER_MM,
  parseDistance,
  parseLength,
  parsePressure,
  pressureStep,
} from '.';

const nm = (text: string, bare?: 'fraction' | '32nds' | 'none') => must(parseLength(text, bare));
const refusal = (text: string, bare?: 'fraction' | '32nds' | 'none') => {
  const parsed = parseLength(text, bare);
  return parsed.ok ? `read as ${parsed.value}` : parsed.message;
};

describe('lengths as people write them', () => {
  test.each([
    ['1 7/8', 47_625_000],
    ['1-7/8"', 47_625_000],
    ['1 7/8 in', 47_625_000],
    ['1⅞ in', 47_625_000],
    ['1⅞″', 47_625_000],
    ['1.875 in', 47_625_000],
    ['1¹⁄₁₆ in', 26_987_500],
    ['2 ¹⁄₁₆ in', 52_387_500],
    ['¹/₁₆ in', 1_587_500],
    ['16/16 in', 25_400_000],
    ['2 in', 50_800_000],
    ['.003 in', 76_200],
    ['1/64 in', 396_875],
    ['5.5 mm', 5_500_000],
    ['0.001 mm', 1_000],
    ['  5.5   MM ', 5_500_000],
    ['5.5mm', 5_500_000],
  ])('%s', (text, expected) => expect(nm(text)).toBe(expected));

  test.each([
    ['21/16 in', 'write 1 5/16 in'],
    ['15/8 in', 'write 1 7/8 in'],
    ['40/32 in', 'write 1 1/4 in'],
    ['33/16', 'write 2 1/16 in'],
  ])('%s is refused with how to write it', (text, how) => expect(refusal(text)).toMatch(how));

  test('thirty-seconds of tread may be more than one whole', () => expect(nm('40/32', '32nds')).toBe(31_750_000));

  test('thirty-seconds stand bare for tread only', () => {
    expect(nm('6/32', '32nds')).toBe(4_762_500);
    expect(refusal('6/32', 'none')).toMatch('has no unit');
    expect(refusal('1/4', '32nds')).toMatch('has no unit');
  });

  test.each([
    ['', 'Nothing is written'],
    ['two inches', 'is not a length'],
    ['. in', 'is not a length'],
    ['-1 in', 'never negative'],
    ['5,5 mm', 'with a point'],
    ['2', 'has no unit'],
    ['1.875', 'has no unit'],
    ['1/3 in', 'not a fraction of a rule'],
    ['1/0 in', 'not a fraction of a rule'],
    ['1 9/8 in', 'more than one whole'],
    ['1.8750001 in', 'more than 6 decimals'],
    ['5.1234567 mm', 'more than 6 decimals'],
    ['0² in', 'is not a length'],
    ['1⁷ in', 'is not a length'],
    ['2₁ mm', 'not a number of millimeters'],
    ['1 7/8 cm', 'is not a length'],
    ['95 psi', 'is not a length'],
    ['1e3 mm', 'not a number of millimeters'],
  ])('%j is refused with a sentence', (text, why) => {
    expect(refusal(text)).toMatch(why);
    expect(refusal(text)).toMatch('write a length like');
  });

  test('a hair under a limit stays under it', () => {
    expect(nm('0.249999 in')).toBeLessThan(nm('1/4 in'));
    expect(nm('1.999999 in')).toBeLessThan(nm('2 in'));
    expect(nm('2.000001 in')).toBeGreaterThan(nm('2 in'));
  });
});

describe('round trips', () => {
  const sixtyFourths = fc.integer({ min: 0, max: 64 * 60 }).map((count) => count * 396_875);

  test('any number of 64ths prints as a fraction that reads back', () => {
    fc.assert(fc.property(sixtyFourths, (length) => nm(formatLength(length, 'fraction')) === length));
  });
  test('any number of 32nds prints as 32nds that read back', () => {
    fc.assert(fc.property(sixtyFourths, (length) => nm(formatLength(length * 2, '32nds'), '32nds') === length * 2));
  });
  test('any number of micrometres prints as mm that read back', () => {
    const micrometres = fc.integer({ min: 0, max: 2_000_000 });
    fc.assert(fc.property(micrometres, (count) => nm(formatLength(count * 1_000, 'mm')) === count * 1_000));
  });
  test('decimal inches of up to five places are exact', () => {
    const parts = fc.integer({ min: 0, max: 9_999_999 });
    fc.assert(
      fc.property(parts, (count) => nm(`${(count / 100_000).toFixed(5)} in`) === (count * NM_PER_INCH) / 100_000),
    );
  });
  test('reading never throws and never gives anything but whole nanometres', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 24 }), (text) => {
        const parsed = parseLength(text);
        return parsed.ok ? Number.isSafeInteger(parsed.value) && parsed.value >= 0 : parsed.message.length > 10;
      }),
    );
  });
});

describe('printing', () => {
  test.each([
    [47_625_000, 'fraction', '1 7/8 in'],
    [-3_175_000, 'fraction', '-1/8 in'],
    [0, 'fraction', '0 in'],
    [4_762_500, '32nds', '6/32 in'],
    [47_625_000, 'inch', '1.875 in'],
    [5 * NM_PER_MM + 500_000, 'mm', '5.5 mm'],
    [51 * NM_PER_MM, 'fraction', '2.0079 in'],
  ] as const)('%d as %s', (length, style, text) => expect(formatLength(length, style)).toBe(text));

  test('something is never printed as nothing', () => {
    expect(formatLength(25, 'inch')).not.toBe('0 in');
    expect(formatLength(1, 'mm')).not.toBe('0 mm');
  });

  test('the style follows the writing', () => {
    expect(['6/32', '1 7/8 in', '1.875 in', '5 mm', '2 in'].map(lengthStyle)).toEqual([
      '32nds',
      'fraction',
      'inch',
      'mm',
      'fraction',
    ]);
  });
});

describe('pressures and distances', () => {
  test.each([
    ['95 psi', 655_002],
    ['80 psi', 551_581],
    ['6.5 bar', 650_000],
    ['655 kPa', 655_000],
    ['655kpa', 655_000],
  ])('%s', (text, pascals) => expect(must(parsePressure(text))).toBe(pascals));

  test.each(['95', 'psi', '-5 psi', '95 psig', '9 5 psi', ''])('%j is no pressure', (text) =>
    expect(parsePressure(text)).toMatchObject({ ok: false, message: expect.stringContaining('95 psi') }),
  );

  test('a pressure printed in its own unit reads back to the same whole unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), (psi) => {
        const text = formatPressure(must(parsePressure(`${psi} psi`)), 'psi');
        return text === `${psi} psi`;
      }),
    );
  });

  test('a drop in one unit is what that drop is, however it is spread over time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 150 }), fc.integer({ min: 0, max: 30 }), (start, drop) => {
        const [more, less] = [`${start + drop} psi`, `${start} psi`];
        const exact = must(parsePressure(`${drop} psi`));
        return (
          pressureStep(more, less) === exact &&
          pressureStep(less, more) === (exact === 0 ? 0 : -exact) &&
          pressureStep(`${start + 2 * drop} psi`, less, 60, 120) === exact
        );
      }),
    );
    expect(pressureStep('7 bar', '100 psi')).toBe(700_000 - 689_476);
  });

  test.each([
    ['48 210 km', 48_210_000],
    ['29,950 mi', 48_199_853],
    ['12.4 km', 12_400],
    ['1000 km', 1_000_000],
  ])('%s', (text, metres) => expect(must(parseDistance(text))).toBe(metres));

  test.each(['29,95 mi', '12', '12 m', '1 2 km'])('%j is no distance', (text) =>
    expect(parseDistance(text).ok).toBe(false),
  );

  test('distances group their thousands', () => {
    expect(formatDistance(48_210_000, 'km')).toBe('48 210 km');
    expect(formatDistance(48_199_853, 'mi')).toBe('29,950 mi');
  });
});
