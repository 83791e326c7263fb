import fc from 'fast-check';
import {
  formatApart,
  formatLike,
  formatTemperature,
  forPeople,
  INCH_UNITS,
  inBoth,
  inUnits,
  METRIC_UNITS,
  must,
  parseAmount,
  parseTemperature,
  wordsInUnits,
} from '.';

test.each([
  ['2 in', METRIC_UNITS, '50.8 mm'],
  ['1 7/8 in', INCH_UNITS, '1 7/8 in'],
  ['50.8 mm', INCH_UNITS, '2 in'],
  ['6/32', METRIC_UNITS, '4.7625 mm'],
  ['2/32 in', METRIC_UNITS, '1.5875 mm'],
  ['100 psi', METRIC_UNITS, '6.89 bar'],
  ['6.5 bar', INCH_UNITS, '94.3 psi'],
  ['29,950 mi', METRIC_UNITS, '48 200 km'],
  ['105 °F', METRIC_UNITS, '41 °C'],
  ['-1/8 in', METRIC_UNITS, '-3.175 mm'],
  ['50 F°', METRIC_UNITS, '27.8 C°'],
  ['-12 F°', METRIC_UNITS, '-6.7 C°'],
  ['30 C°', INCH_UNITS, '54 F°'],
  ['good', METRIC_UNITS, 'good'],
])('%s shown in other units is %#', (text, units, shown) => expect(inUnits(text, units)).toBe(shown));

test.each([
  ['0.0375 mm', '0.04 mm'],
  ['-3.1764 mm', '-3.18 mm'],
  ['0.0004 mm', '0.0004 mm'],
  ['0.25591 in', '0.256 in'],
  ['1/8 in', '1/8 in'],
  ['2 psi', '2 psi'],
])('a margin of %s is said as %s', (text, said) => expect(forPeople(text)).toBe(said));

test('what was written stays beside it', () => expect(inBoth('2 in', METRIC_UNITS)).toBe('50.8 mm (2 in)'));

test.each([
  ['45 s', 'time', 45_000],
  ['2 psi', 'pressure', 13_790],
  ['1/8 in', 'length', 3_175_000],
  ['2 inches', 'length', 50_800_000],
  ['250 °F', 'temperature', 394_261],
  ['120 °C', 'temperature', 393_150],
  ['50 F°', 'temperature difference', 27_778],
  ['30 C°', 'temperature difference', 30_000],
] as const)('%s is a %s', (text, dimension, value) => expect(must(parseAmount(text))).toEqual({ dimension, value }));

test.each(['', 'x s', '2 foo'])('%j is no amount', (text) => expect(parseAmount(text).ok).toBe(false));

test('a signed amount is printed like another', () => {
  expect(formatLike(-3_175_000, '2 in')).toBe('-1/8 in');
  expect(formatLike(1_500, '45 s')).toBe('1.5 s');
  expect(formatLike(13_790, '2 psi')).toBe('2 psi');
  expect(formatLike(394_261, '41 °F')).toBe('250 °F');
  expect(formatLike(30_000, '1 C°')).toBe('30 C°');
});

test('between two temperatures lie degrees apart, between other amounts amounts like them', () => {
  expect(formatApart(-6_667, '250 °F')).toBe('-12 F°');
  expect(formatApart(500, '120 °C')).toBe('0.5 C°');
  expect(formatApart(27_778, '50 F°')).toBe('50 F°');
  expect(formatApart(-3_175_000, '2 in')).toBe('-1/8 in');
});

test.each([
  ['41 °C', 314_150],
  ['105 °F', 313_706],
  ['-5 C', 268_150],
])('%s', (text, kelvin) => expect(must(parseTemperature(text))).toBe(kelvin));
test.each(['41', 'hot', '-300 °C', ''])('%j is no temperature', (text) =>
  expect(parseTemperature(text).ok).toBe(false),
);
test('whole degrees read back', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -60, max: 200 }),
      fc.constantFrom('°C' as const, '°F' as const),
      (degrees, unit) => formatTemperature(must(parseTemperature(`${degrees} ${unit}`)), unit) === `${degrees} ${unit}`,
    ),
  );
});

describe('a sentence in a person’s own units', () => {
  test.each([
    ['2 1/8 in is 1/8 in past 2 in.', '53.975 mm (2 1/8 in) is 3.175 mm (1/8 in) past 50.8 mm (2 in).'],
    ['Measured at 60 psi: at least 80 psi.', 'Measured at 4.14 bar (60 psi): at least 5.52 bar (80 psi).'],
    ['Lost 3 psi in 60 s, limit 3 psi in 60 s.', 'Lost 0.21 bar (3 psi) in 60 s, limit 0.21 bar (3 psi) in 60 s.'],
    ['2 in a row, 3 of 4 brakes, axle 2.', '2 in a row, 3 of 4 brakes, axle 2.'],
    ['8 in place, 1 in 4 loose.', '8 in place, 1 in 4 loose.'],
    ['Drum 16.620 in, 5 mm deep.', 'Drum 422.148 mm (16.620 in), 5 mm deep.'],
    ['262 °F is more than 250 °F, by 12 F°.', '128 °C (262 °F) is more than 121 °C (250 °F), by 6.7 C° (12 F°).'],
    ['49 CFR 393.47(e), after 50 mi', '49 CFR 393.47(e), after 80 km (50 mi)'],
  ])('%s', (sentence, metric) => {
    expect(wordsInUnits(sentence, METRIC_UNITS)).toBe(metric);
    expect(wordsInUnits(sentence, INCH_UNITS).replace(/\d\S* in \(5 mm\)/, '5 mm')).toBe(sentence);
  });
});
