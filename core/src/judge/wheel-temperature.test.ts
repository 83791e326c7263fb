import fc from 'fast-check';
import { BOOKS } from '../limits';
import { findPatterns } from '../patterns';
import type { ReadingOf } from '../reading';
import type { Side, Unit } from '../trailer';
import { spoken } from '../words';
import { judge } from './judge';
import { VERDICT_RANK } from './verdict';

const unit: Unit = {
  id: 'T1',
  kind: 'semitrailer',
  axles: [
    { brake: 's-cam', tyres: 'dual', hub: 'oil' },
    { brake: 's-cam', tyres: 'dual', hub: 'oil' },
  ],
};
type Heat = ReadingOf<'wheel-temperature'>;
const heat = (axle: number, side: Side, value: string): Heat => ({ kind: 'wheel-temperature', axle, side, value });
const judged = (readings: readonly Heat[], book: 'na' | 'gb' = 'na') =>
  spoken(judge({ book, units: [unit], readings: readings.map((each) => ({ ...each, unit: unit.id })) } as never));
const found = (readings: readonly Heat[], book?: 'na' | 'gb') =>
  judged(readings, book).findings.filter(({ kind }) => kind.startsWith('wheel-temperature'));

test('an end too hot by itself is past the shop’s limit and holds, with the arithmetic in degrees apart', () => {
  expect(found([heat(1, 'left', '262 °F')])).toMatchObject([
    {
      verdict: 'shop-limit',
      holds: true,
      limit: '250 °F',
      margin: '-12 F°',
      because: expect.stringContaining('262 °F is more than 250 °F, by 12 F°.'),
    },
  ]);
  expect(found([heat(1, 'left', '250 °F')])).toMatchObject([{ verdict: 'within', margin: '0 F°' }]);
  expect(found([heat(1, 'left', '250 °F')])[0]?.holds).toBeUndefined();
});

test('the hotter end of an axle is named where both are too far apart, whatever the unit', () => {
  expect(found([heat(2, 'left', '140 °F'), heat(2, 'right', '201 °F')]).at(0)).toMatchObject({
    kind: 'wheel-temperature-apart',
    axle: 2,
    side: 'right',
    verdict: 'shop-limit',
    measured: '61 F°',
    because: expect.stringContaining('This end 201 °F, the other one 140 °F.'),
  });
  const apart = (...readings: Heat[]) => found(readings).filter(({ kind }) => kind === 'wheel-temperature-apart');
  expect(apart(heat(1, 'left', '140 °F'), heat(1, 'right', '190 °F'))).toEqual([]);
  expect(apart(heat(1, 'left', '60 °C'), heat(1, 'right', '191 °F'))).toHaveLength(1);
  expect(apart(heat(1, 'left', '140 °F'), heat(2, 'right', '220 °F'))).toEqual([]);
});

test('a metric book has its own figures', () => {
  expect(found([heat(1, 'left', '121 °C')], 'gb')).toMatchObject([{ limit: '120 °C', margin: '-1 C°' }]);
});

test('what a thermometer cannot show has no verdict', () => {
  expect(found([heat(1, 'left', '4000 °F')])).toMatchObject([
    { verdict: 'not-judged', because: expect.stringContaining('is not plausible') },
  ]);
});

test('another reading never makes an axle better', () => {
  const any = fc.record({
    axle: fc.integer({ min: 1, max: 2 }),
    side: fc.constantFrom<Side>('left', 'right'),
    value: fc.oneof(
      fc.integer({ min: 0, max: 400 }).map((degrees) => `${degrees} °F`),
      fc.integer({ min: 0, max: 200 }).map((degrees) => `${degrees} °C`),
    ),
  });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 6 }), any, (some, more) => {
      const of = (each: typeof more) => heat(each.axle, each.side, each.value);
      const rank = (all: (typeof more)[]) =>
        Math.min(
          9,
          ...found(all.map(of)).flatMap(({ verdict }) => (verdict === 'within' ? [] : VERDICT_RANK[verdict])),
        );
      return rank([...some, more]) <= rank(some);
    }),
  );
});

test('the pattern of a hot hub rests on both ends', () => {
  const readings = [heat(1, 'left', '150 °F'), heat(1, 'right', '215 °F'), heat(2, 'left', '255 °F')];
  expect(findPatterns(BOOKS.na, unit, readings).map(({ pattern, place }) => `${pattern.id} ${place}`)).toEqual([
    'hot-hub Axle 1',
    'hot-ends 2L',
  ]);
});
