import { measuringRoute } from '../inspection';
import { expectedReadings, keyOf } from '../reading';
import { parsePosition, positionCode, type Unit, wheelEnd, wheelEnds } from '.';

const axle = { brake: 's-cam', tyres: 'dual', hub: 'oil' } as const;
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [axle, { ...axle, lift: true, tyres: 'single' }, axle] };

test('position codes read back', () => {
  for (const code of ['1L', '2R', '3L-out', '3R-in', '12R']) {
    const position = parsePosition(code);
    expect(position && positionCode(position)).toBe(code);
  }
  expect(['', '0L', '2X', '2L-mid', 'L2'].map(parsePosition)).toEqual([null, null, null, null, null]);
});

test('a single tire has the code of its wheel end', () => {
  expect(positionCode({ axle: 2, side: 'left', tyre: 'single' })).toBe('2L');
});

test('what differs at one end is kept to that end', () => {
  const odd: Unit = { ...unit, axles: [{ ...axle, ends: { right: { hub: 'grease' } } }] };
  expect(wheelEnds(odd).map(({ hub }) => hub)).toEqual(['oil', 'grease']);
  expect(wheelEnd(odd, 2, 'left')).toBeNull();
});

test('only a power unit steers, its first axle unless said otherwise', () => {
  expect(wheelEnds({ ...unit, kind: 'tractor' }).map(({ steer }) => steer)).toEqual([
    true,
    true,
    false,
    false,
    false,
    false,
  ]);
  expect(wheelEnds({ ...unit, axles: [{ ...axle, steer: true }] }).some(({ steer }) => steer)).toBe(false);
});

test('the route visits every expected reading once: strokes first, then down the left and up the right', () => {
  const route = measuringRoute(unit).map(keyOf);
  expect([...route].sort()).toEqual(expectedReadings(unit).map(keyOf).sort());
  expect(route.slice(0, 6).every((key) => key.startsWith('stroke-applied'))).toBe(true);
  expect(route.slice(6, 11)).toEqual(['lining@1L', 'tread@1L-in', 'tread@1L-out', 'hub-oil@1L', 'lining@2L']);
  expect(route.at(-1)).toBe('hub-oil@1R');
});
