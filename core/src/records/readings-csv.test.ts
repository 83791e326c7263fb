import type { Reading } from '../reading';
import { READING_COLUMNS, readingCells, rowReading } from '.';

const at = { axle: 1, side: 'left' } as const;

test.each<[Reading]>([
  [
    {
      kind: 'stroke-applied',
      ...at,
      value: '1 7/8 in',
      reservoir: '95 psi',
      method: 'pin-distance',
      distances: ['3 in', '4 7/8 in'],
      presses: 3,
    },
  ],
  [{ kind: 'lining', ...at, points: ['3/8 in', '7/16 in'] }],
  [
    {
      kind: 'tread',
      ...at,
      tyre: 'outer',
      grooves: [
        ['6/32', '5/32'],
        ['4/32', '7/32'],
      ],
      wear: ['cupped', 'flat-spots'],
    },
  ],
  [
    {
      kind: 'pressure',
      ...at,
      tyre: 'inner',
      value: '98 psi',
      target: '100 psi',
      hot: true,
      heavy: false,
      temperature: '41 °C',
    },
  ],
  [{ kind: 'wheel-nuts', ...at, holes: 10, loose: [1, 2], missing: [], rust: [7] }],
  [{ kind: 'hub-oil', ...at, level: 'at-add', condition: 'clear', leak: 'none', smoking: false }],
  [{ kind: 'king-pin', pin: ['2 in', '1.98 in'], collar: ['2.8 in', '2.8 in'] }],
  [
    {
      kind: 'air-test',
      test: 'leak-released',
      start: '100 psi',
      end: '98.5 psi',
      seconds: 60,
      vehicles: 'combination',
    },
  ],
  [{ kind: 'check', check: 'spring', ...at, found: ['leaf-broken'], how: 'seen', words: 'second leaf' }],
  [{ kind: 'mud-flap', side: 'left', value: '7 in' }],
])('%j goes out and comes back', (reading) => {
  const cells = readingCells(reading, 'H-11', '2026-03-02T12:00:00Z', 'Wyn');
  const row = Object.fromEntries(READING_COLUMNS.map((name, index) => [name, cells[index]]));
  expect(rowReading(row)).toEqual({ ok: true, value: reading });
});

test.each([
  [{ kind: 'nonsense' }, /kind/],
  [{ kind: 'lining', axle: '1', side: 'left', value: 'thick' }, /points\.0.*write a length/],
  [{ kind: 'lining', axle: 'x', side: 'left', value: '1/4 in' }, /axle/],
  [{ kind: 'stroke-applied', axle: '1', side: 'left', value: '1 in', detail: 'colour=red' }, /colour|[Uu]nrecognized/],
  [{}, /kind/],
])('%j is refused in a sentence', (row, why) => {
  const read = rowReading(row);
  expect(read.ok ? 'read' : read.message).toMatch(why);
});
