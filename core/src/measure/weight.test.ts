import { parseClearance, parseWeight } from '.';

test.each([
  ['80,000 lb', 80_000 * 45_359_237],
  ['80000 lbs', 80_000 * 45_359_237],
  ['36 300 kg', 36_300 * 100_000_000],
  ['1.5 kg', 150_000_000],
])('%s is a weight, exactly', (text, value) => expect(parseWeight(text)).toEqual({ ok: true, value }));

test.each(['', '80,000', 'heavy', '8,00 lb', '-3 kg', '80 t'])('“%s” is no weight', (text) =>
  expect(parseWeight(text)).toMatchObject({ ok: false, message: expect.stringContaining('80,000 lb') }),
);

test.each([
  ['13 ft 6 in', 162 * 25_400_000],
  ['13\'6"', 162 * 25_400_000],
  ["13' 6", 162 * 25_400_000],
  ['13 ft', 156 * 25_400_000],
  ['162 in', 162 * 25_400_000],
  ['4.1 m', 4_100_000_000],
  ['4100 mm', 4_100_000_000],
])('%s is a height, exactly', (text, value) => expect(parseClearance(text)).toEqual({ ok: true, value }));

test.each(['', 'tall', '13 ft 13 in', '13', '4.1'])('“%s” is no height', (text) =>
  expect(parseClearance(text)).toMatchObject({ ok: false, message: expect.stringContaining('13 ft 6 in') }),
);
