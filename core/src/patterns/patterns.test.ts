import fc from 'fast-check';
import { plainBook } from '../limits';
import type { Unit } from '../trailer';
import type { Reading } from '../wire';
import { findPatterns, PATTERNS, patternSchema } from '.';

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'dual',
  hub: 'oil',
} as const;
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [axle, axle] };
const at = { axle: 1, side: 'left' } as const;
const stroke = (value: string, side: 'left' | 'right' = 'left'): Reading => ({
  kind: 'stroke-applied',
  axle: 1,
  side,
  value,
  reservoir: '95 psi',
});
const free = (value: string): Reading => ({ kind: 'stroke-free', ...at, value });
const lining = (value: string): Reading => ({ kind: 'lining', ...at, points: [value] });
const tread = (value: string, tyre: 'inner' | 'outer'): Reading => ({ kind: 'tread', ...at, tyre, grooves: [[value]] });
const hub = (noted: object): Reading =>
  ({ kind: 'hub-oil', ...at, level: 'between', condition: 'clear', leak: 'none', ...noted }) as Reading;
const found = (readings: Reading[], of = unit) =>
  findPatterns(plainBook('na'), of, readings).map(({ pattern, place, evidence }) => [
    pattern.id,
    place,
    evidence.length,
  ]);

test('the patterns have the published shape, name limits that exist, and no id twice', () => {
  for (const pattern of PATTERNS) expect(patternSchema.parse(pattern)).toEqual(pattern);
  expect(new Set(PATTERNS.map(({ id }) => id)).size).toBe(PATTERNS.length);
  const limits = plainBook('na').limits.map(({ id }) => id);
  for (const pattern of PATTERNS)
    if (pattern.at === 'end')
      for (const { past } of pattern.when) if (past) expect(limits.some((id) => id.startsWith(past))).toBe(true);
});

test.each<[string, Reading[], unknown[]]>([
  ['long applied, normal free', [stroke('2 1/8 in'), free('5/8 in')], [['worn-foundation', '1L', 2]]],
  ['long applied, long free', [stroke('2 1/8 in'), free('1 in')], [['adjuster-not-working', '1L', 2]]],
  ['short free, thin lining', [free('5/16 in'), lining('3/16 in')], [['dragging', '1L', 2]]],
  ['strokes 1/4 apart', [stroke('1 1/2 in'), stroke('1 3/4 in', 'right')], [['uneven-stroke', 'Axle 1', 2]]],
  ['strokes 3/16 apart', [stroke('1 9/16 in'), stroke('1 3/4 in', 'right')], []],
  ['duals 5/32 apart', [tread('6/32', 'inner'), tread('11/32', 'outer')], [['uneven-dual', '1L', 2]]],
  ['duals a hair over 4/32 apart', [tread('5 mm', 'inner'), tread('8.18 mm', 'outer')], [['uneven-dual', '1L', 2]]],
  ['duals 4/32 apart', [tread('6/32', 'inner'), tread('10/32', 'outer')], []],
  ['low and wet inside', [hub({ level: 'at-add', leak: 'onto-lining' })], [['inner-seal', '1L', 1]]],
  ['low and dry', [hub({ level: 'below-add' })], [['oil-low-and-dry', '1L', 1]]],
  ['milky', [hub({ condition: 'milky' })], [['milky-oil', '1L', 1]]],
  ['short free, hot hub', [free('5/16 in'), hub({ heat: 'hot' })], [['hot-dragging', '1L', 2]]],
  [
    'short free, blue drum',
    [free('5/16 in'), { kind: 'check', check: 'drum-look', ...at, found: ['drum-blue'] }],
    [['blue-dragging', '1L', 2]],
  ],
  ['cupped', [{ ...tread('6/32', 'outer'), wear: ['cupped'] } as Reading], [['wear-cupped', '1L', 1]]],
  ['nothing odd', [stroke('1 5/8 in'), free('5/8 in'), lining('1/2 in'), hub({})], []],
])('%s', (_, readings, suggested) => expect(found(readings)).toEqual(suggested));

test('a manual adjuster is not suspected of not adjusting by itself', () => {
  const manual: Unit = { ...unit, axles: [{ ...axle, adjuster: 'manual' }] };
  expect(found([stroke('2 1/8 in'), free('1 in')], manual)).toEqual([]);
});

test('no pattern without all its readings', () => {
  const all = [
    stroke('2 1/8 in'),
    stroke('1 1/2 in', 'right'),
    free('1 in'),
    lining('1/8 in'),
    hub({ level: 'at-add' }),
  ];
  fc.assert(
    fc.property(fc.subarray(all), (some) =>
      findPatterns(plainBook('na'), unit, some).every(
        ({ evidence }) => evidence.length > 0 && evidence.every((each) => some.includes(each)),
      ),
    ),
  );
});
