import { type Meter, meterDoubt, whyNotBehind } from './combination';

const unit = (kind: Parameters<typeof whyNotBehind>[0]['kind']) => ({ number: kind, kind });

test.each([
  ['tractor', 'semitrailer', true],
  ['truck', 'full-trailer', true],
  ['semitrailer', 'dolly', true],
  ['dolly', 'semitrailer', true],
  ['tractor', 'full-trailer', false],
  ['semitrailer', 'semitrailer', false],
  ['semitrailer', 'tractor', false],
  ['bus', 'full-trailer', false],
] as const)('behind a %s a %s: %s', (puller, pulled, may) => {
  expect(whyNotBehind(unit(puller), unit(pulled)) === null).toBe(may);
});

const read = (value: string, at = '2026-03-01T08:00:00Z'): Meter => ({ value, at, by: 'Ines' });
test.each([
  [null, '10 km', null],
  [read('48,210 mi'), '48,420 mi', null],
  [read('48,210 mi'), '77 900 km', null],
  [read('48,210 mi'), '48,209 mi', 'does not run backward'],
  [read('48,210 mi'), '58,210 mi', '10,000 mi in a day is farther'],
  [read('48,210 mi', '2026-02-10T08:00:00Z'), '58,210 mi', null],
])('after %j a meter at %s', (before, value, doubt) => {
  const said = meterDoubt(before, value, '2026-03-02T07:00:00Z');
  if (doubt === null) expect(said).toBeNull();
  else expect(said).toContain(doubt);
});
