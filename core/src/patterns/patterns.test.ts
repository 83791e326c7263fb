import fc from 'fast-check';
import { plainBook } from '../limits';
import { type Reading, readingKey } from '../reading';
import { AXLE } from '../testing/axle';
import type { Unit } from '../trailer';
import { type EarlierReading, findPatterns, PATTERNS, patternSchema } from '.';

const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [AXLE, AXLE] };
const at = { axle: 1, side: 'left' } as const;
const stroke = (value: string, side: 'left' | 'right' = 'left'): Reading => ({
  kind: 'stroke-applied',
  axle: 1,
  side,
  value,
  reservoir: '95 psi',
});
const free = (value: string): Reading => ({ kind: 'stroke-free', ...at, value });
const pulled = (value: string): Reading => ({ kind: 'stroke-free', ...at, value, method: 'hand' });
const lining = (value: string): Reading => ({ kind: 'lining', ...at, points: [value] });
const tread = (value: string, tyre: 'inner' | 'outer'): Reading => ({ kind: 'tread', ...at, tyre, grooves: [[value]] });
const hub = (noted: object): Reading =>
  ({ kind: 'hub-oil', ...at, level: 'between', condition: 'clear', leak: 'none', ...noted }) as Reading;
const seen = (check: string, ...codes: string[]): Reading => ({ kind: 'check', check, ...at, found: codes });
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
    if ('when' in pattern)
      for (const { past = [] } of pattern.when)
        for (const id of past) expect(limits.some((each) => each.startsWith(id))).toBe(true);
});

test.each<[string, Reading[], unknown[]]>([
  ['long applied, normal free', [stroke('2 1/8 in'), free('5/8 in')], [['worn-foundation', '1L', 2]]],
  ['long applied, long free', [stroke('2 1/8 in'), free('1 in')], [['adjuster-not-working', '1L', 2]]],
  ['long by hand, long applied', [stroke('2 1/8 in'), pulled('1 1/4 in')], [['adjuster-not-working', '1L', 2]]],
  ['short by hand says nothing of drag', [pulled('5/16 in'), lining('3/16 in')], []],
  ['hot by eye, thin lining', [seen('hub-look', 'hub-hot'), lining('3/16 in')], [['dragging', '1L', 2]]],
  [
    'drags, told as a defect',
    [{ kind: 'defect', ...at, code: 'brake-dragging' }, lining('3/16 in')],
    [['dragging', '1L', 2]],
  ],
  [
    'low, and a soaked lining seen',
    [hub({ level: 'at-add' }), seen('lining-look', 'lining-oil')],
    [['inner-seal-seen', '1L', 2]],
  ],
  ['low, and a leak seen outside', [hub({ level: 'at-add' }), seen('hub-look', 'hub-leak')], []],
  ['short free, thin lining', [free('5/16 in'), lining('3/16 in')], [['dragging', '1L', 2]]],
  ['strokes 1/4 apart', [stroke('1 1/2 in'), stroke('1 3/4 in', 'right')], [['uneven-stroke', 'Axle 1', 2]]],
  ['strokes 3/16 apart', [stroke('1 9/16 in'), stroke('1 3/4 in', 'right')], []],
  ['duals 5/32 apart', [tread('6/32', 'inner'), tread('11/32', 'outer')], [['uneven-dual', '1L', 2]]],
  ['duals a hair over 4/32 apart', [tread('5 mm', 'inner'), tread('8.18 mm', 'outer')], [['uneven-dual', '1L', 2]]],
  ['duals 4/32 apart', [tread('6/32', 'inner'), tread('10/32', 'outer')], []],
  ['low and wet inside', [hub({ level: 'at-add', leak: 'onto-lining' })], [['inner-seal', '1L', 1]]],
  ['low and dry', [hub({ level: 'below-add' })], [['oil-low-and-dry', '1L', 1]]],
  ['milky', [hub({ condition: 'milky' })], [['milky-oil', '1L', 1]]],
  ['short free, hot hub', [free('5/16 in'), hub({ heat: 'hot' })], [['dragging', '1L', 2]]],
  ['short free, blue drum', [free('5/16 in'), seen('drum-look', 'drum-blue')], [['dragging', '1L', 2]]],
  ['blue drum, hot hub', [seen('drum-look', 'drum-blue'), hub({ heat: 'hot' })], [['dragging', '1L', 2]]],
  [
    'every sign of dragging',
    [free('5/16 in'), lining('3/16 in'), seen('drum-look', 'drum-blue'), hub({ heat: 'hot' })],
    [['dragging', '1L', 4]],
  ],
  ['a hot hub alone', [hub({ heat: 'hot' })], []],
  [
    'low, and wet inside as seen',
    [hub({ level: 'at-add' }), seen('inner-seal', 'wheel-inside-wet')],
    [['inner-seal-seen', '1L', 2]],
  ],
  ['low, and dry as seen', [hub({ level: 'at-add' }), seen('inner-seal')], [['oil-low-and-dry', '1L', 1]]],
  [
    'low, and wet as read and seen',
    [hub({ level: 'at-add', leak: 'onto-lining' }), seen('inner-seal', 'hub-seal-onto-lining')],
    [['inner-seal', '1L', 1]],
  ],
  ['cupped', [{ ...tread('6/32', 'outer'), wear: ['cupped'] } as Reading], [['wear-cupped', '1L', 1]]],
  ['nothing odd', [stroke('1 5/8 in'), free('5/8 in'), lining('1/2 in'), hub({})], []],
])('%s', (_, readings, suggested) => expect(found(readings)).toEqual(suggested));

test('a manual adjuster is not suspected of not adjusting by itself', () => {
  const manual: Unit = { ...unit, axles: [{ ...AXLE, adjuster: 'manual' }] };
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

const end = (side: 'left' | 'right', value: string): Reading => ({ kind: 'lining', axle: 1, side, points: [value] });
const LAST = '01890000-0000-7000-8000-000000000001';
const earlier = (value: Reading, inspection = LAST): EarlierReading => ({
  value,
  inspection,
  at: '2026-03-02T08:00:00Z',
});
const since = (readings: Reading[], before: EarlierReading[]) =>
  findPatterns(plainBook('na'), unit, readings, before).map(({ pattern, place, evidence, before: rests }) => [
    pattern.id,
    place,
    evidence.length,
    rests.length,
  ]);

test.each<[string, Reading[], EarlierReading[], unknown[]]>([
  [
    'one end wore 3/32 more',
    [end('left', '13/32 in'), end('right', '1/2 in')],
    [earlier(end('left', '5/8 in')), earlier(end('right', '5/8 in'))],
    [['uneven-lining', 'Axle 1', 2, 2]],
  ],
  [
    'one end wore 1/16 more: four readings can differ by as much',
    [end('left', '7/16 in'), end('right', '1/2 in')],
    [earlier(end('left', '5/8 in')), earlier(end('right', '5/8 in'))],
    [],
  ],
  [
    'thinner on one end, but worn alike',
    [end('left', '3/8 in'), end('right', '5/8 in')],
    [earlier(end('left', '1/2 in')), earlier(end('right', '3/4 in'))],
    [],
  ],
  [
    'read at different times',
    [end('left', '3/8 in'), end('right', '1/2 in')],
    [earlier(end('left', '5/8 in')), earlier(end('right', '5/8 in'), '01890000-0000-7000-8000-000000000002')],
    [],
  ],
  ['only one end read before', [end('left', '3/8 in'), end('right', '1/2 in')], [earlier(end('left', '5/8 in'))], []],
  [
    'one end relined',
    [end('left', '3/4 in'), end('right', '1/2 in')],
    [earlier(end('left', '3/8 in')), earlier(end('right', '5/8 in'))],
    [['grown-lining', '1L', 1, 1]],
  ],
  [
    'one dual wore 3/32 more',
    [tread('9/32', 'inner'), tread('12/32', 'outer')],
    [earlier(tread('13/32', 'inner')), earlier(tread('13/32', 'outer'))],
    [['faster-dual', '1L', 2, 2]],
  ],
])('%s', (_, readings, before, suggested) => expect(since(readings, before)).toEqual(suggested));

test('what is said of wear rests on the readings before, whichever way they are shuffled, and needs them all', () => {
  const thirtySeconds = fc.integer({ min: 4, max: 24 }).map((count) => `${count}/32 in`);
  fc.assert(
    fc.property(fc.array(thirtySeconds, { minLength: 4, maxLength: 4 }), fc.boolean(), (values, turned) => {
      const [l0 = '', r0 = '', l1 = '', r1 = ''] = values;
      const now = [end('left', l1), end('right', r1)];
      const before = [earlier(end('left', l0)), earlier(end('right', r0))];
      const said = since(now, before);
      expect(since(turned ? [...now].reverse() : now, turned ? [...before].reverse() : before)).toEqual(said);
      expect(since(now, [])).toEqual([]);
      for (const suggestion of findPatterns(plainBook('na'), unit, now, before))
        for (const { value } of suggestion.before)
          expect(suggestion.evidence.map(readingKey)).toContain(readingKey(value));
    }),
  );
});
