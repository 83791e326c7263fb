import fc from 'fast-check';
import { FIRST_AXLES } from '../../trailer';
import {
  byUnitAndDay,
  type Cell,
  guessed,
  type Known,
  type MeantIn,
  MOVE_LISTS,
  type MoveList,
  movedLines,
  orderOf,
  placedColumns,
  tableOf,
  writtenChamber,
  writtenDay,
} from '.';

const MEANT: MeantIn = {
  days: 'mdy',
  distance: 'mi',
  weight: 'lb',
  pressure: 'psi',
  usual: { kind: 'semitrailer', axles: null, brake: 's-cam', tyres: 'dual', hub: 'grease' },
  length: 'in',
  role: 'technician',
  leadDays: 3,
  blank: 'wrong',
  today: '2026-12-01',
};
const H_1 = { number: 'H-1', kind: 'semitrailer' as const, axles: [...FIRST_AXLES.semitrailer] };
const KNOWN: Known = {
  units: new Map([['H-1', H_1]]),
  parts: new Set(['wheel-seal']),
  signIns: new Set(['wyn.castellan']),
};
const movedOf = <L extends MoveList>(list: L, rows: Cell[][], meant: Partial<MeantIn> = {}) => {
  const table = tableOf(rows);
  if (!table) throw new Error('no head');
  const mapping = guessed(list, table.columns);
  return { table, lines: movedLines(list, table, { mapping, meant: { ...MEANT, ...meant }, known: KNOWN }) };
};
const moved = (rows: Cell[][], meant: Partial<MeantIn> = {}) => movedOf('units', rows, meant);
const wrongOf = (lines: readonly object[]) =>
  lines.map((each) => ('wrong' in each ? (each.wrong as { field: string }[]).map(({ field }) => field) : 'good'));

/** A list under a title, in words of its own, with a total line. */
const FIRST: Cell[][] = [
  ['Fleet list 2026', '', '', ''],
  [],
  ['Trailer #', 'Type', 'Cans', 'Slacks', 'Annual due', 'Tires'],
  ['H-101', 'Hopper', 'T30 LS', 'auto', '3/31/2027', 'duals'],
  ['H-102', 'hopper', '30/30', 'manual', '12/1/2026', 'Single'],
  ['Total', '', '2', '', '', ''],
];
/** A list with a merged head of two lines, days by the month's word, and a date the sheet's reader gave as one. */
const SECOND: Cell[][] = [
  ['Unit', '', 'Brakes', '', 'Papers', ''],
  ['Number', 'Year', 'Chamber', 'Slack', 'Insurance', 'Registration'],
  ['D 7', 2014, 24, 'ASA', '2 Mar 2027', new Date('2027-05-01T00:00:00Z')],
];
/** A list by dots and metric. */
const THIRD: Cell[][] = [
  ['asset_id', 'vehicle type', 'brake type', 'Odometer', 'mot', 'GVWR', 'Height'],
  ['G/1', 'pup', 'disc', '182 340', '28.02.2027', '18000', '4.1 m'],
];

test('a list under a title reads by its own heads and words; its total line is left out', () => {
  const { table, lines } = moved(FIRST);
  expect(table.left).toEqual([
    { line: 1, why: 'title' },
    { line: 6, why: 'total' },
  ]);
  expect(lines).toMatchObject([
    {
      line: 4,
      row: {
        form: {
          number: 'H-101',
          kind: 'semitrailer',
          axles: [
            { chamber: { size: '30', stroke: 'long' }, adjuster: 'automatic', tyres: 'dual' },
            { chamber: { size: '30' } },
          ],
        },
        papers: [{ name: 'Periodic inspection', until: '2027-03-31' }],
      },
    },
    { line: 5, row: { form: { axles: [{ adjuster: 'manual', tyres: 'single' }, {}] } } },
  ]);
});

test('a merged head of two lines is one head, and dates of three kinds are days', () => {
  const { table, lines } = moved(SECOND);
  expect(table.columns).toContain('Brakes Chamber');
  expect(lines).toMatchObject([
    {
      line: 3,
      row: {
        form: {
          number: 'D 7',
          features: { yearBuilt: 2014 },
          axles: [{ chamber: { size: '24' }, adjuster: 'automatic' }, {}],
        },
        papers: [
          { name: 'Insurance', until: '2027-03-02' },
          { name: 'Registration', until: '2027-05-01' },
        ],
      },
    },
  ]);
});

test('heads that stand twice are told apart, and what is too long to be read is said', () => {
  const table = tableOf([
    ['Unit', 'Type', 'Type'],
    ...Array.from({ length: 6_000 }, (_, nth) => [`H-${nth}`, 'semi', 'x']),
  ]);
  expect(table).toMatchObject({ columns: ['Unit', 'Type', 'Type (2)'], lines: { length: 5_000 }, more: 1_000 });
});

test('what no column tells is as whoever moves it in said, and nothing is assumed beside', () => {
  const { lines } = moved([
    ['Unit', 'Type'],
    ['Y-9', 'tractor'],
  ]);
  expect(lines).toEqual([
    {
      line: 2,
      row: {
        form: {
          number: 'Y-9',
          kind: 'tractor',
          body: '',
          site: '',
          features: {},
          axles: [
            { brake: 's-cam', chamber: null, tyres: 'single', hub: 'grease', steer: true },
            { brake: 's-cam', chamber: null, tyres: 'dual', hub: 'grease' },
            { brake: 's-cam', chamber: null, tyres: 'dual', hub: 'grease' },
          ],
        },
        papers: [],
      },
    },
  ]);
});

test('bare figures are meant as the shop says', () => {
  const { lines } = moved(THIRD, { distance: 'km', weight: 'kg', days: 'dmy' });
  expect(lines).toMatchObject([
    {
      row: {
        form: {
          kind: 'full-trailer',
          axles: [{ brake: 'air-disc' }, {}],
          features: { grossWeight: '18000 kg', height: '4.1 m' },
        },
        papers: [{ until: '2027-02-28' }],
        meter: '182 340 km',
      },
    },
  ]);
});

test('what is wrong is said at its line and field, everything at once, and a number that stands twice', () => {
  const { lines } = moved([
    ['Unit', 'Type', 'Cans', 'Annual due'],
    ['H-9', 'boat', 'T99', '31/31/2027'],
    ['', 'semi', '', ''],
    ['H-2', 'semi', '', ''],
    ['H-2', 'semi', '', ''],
    ['H-1', 'semi', '', ''],
  ]);
  expect(wrongOf(lines)).toEqual([['kind', 'chamber', 'inspection'], ['number'], 'good', ['number'], ['number']]);
  expect(JSON.stringify(lines[3])).toContain('H-2 is already on line 4');
});

test('what was chosen for such heads before is chosen again', () => {
  const columns = ['Our code', 'Type'];
  expect(guessed('units', columns).number).toBeUndefined();
  expect(guessed('units', columns, { number: 'Our code' })).toMatchObject({ number: 'Our code', kind: 'Type' });
});

test('what was said to be in no column is in none, whatever its head, and its column is free for another', () => {
  const columns = ['Unit', 'Type'];
  expect(guessed('units', columns, { kind: '' })).toEqual({ number: 'Unit' });
  expect(guessed('units', columns, { kind: '', body: 'Type' })).toEqual({ number: 'Unit', body: 'Type' });
});

test.each([
  ['2027-03-02', '2027-03-02', '2027-03-02'],
  ['3/2/2027', '2027-03-02', '2027-02-03'],
  ['2.3.27', '2027-02-03', '2027-03-02'],
  ['March 2, 2027', '2027-03-02', '2027-03-02'],
  ['2-Mar-27', '2027-03-02', '2027-03-02'],
  ['03/2027', '2027-03-31', '2027-03-31'],
  ['Feb 2028', '2028-02-29', '2028-02-29'],
  ['2/30/2027', null, null],
  ['soon', null, null],
  ['', null, null],
])('“%s” is %s where the month is first, %s where the day is', (text, mdy, dmy) =>
  expect([writtenDay(text, 'mdy'), writtenDay(text, 'dmy')]).toEqual([mdy, dmy]),
);
test('the order of a column’s days is told by one that can be only one', () => {
  expect(orderOf(['1/2/2027', '25/3/2027'])).toBe('dmy');
  expect(orderOf(['1/2/2027', '3/25/2027'])).toBe('mdy');
  expect(orderOf(['1/2/2027', '2027-03-25'])).toBeNull();
});

test.each([
  ['30', 'standard'],
  ['T30', 'standard'],
  ['Type 30 LS', 'long'],
  ['30/30', 'standard'],
  ['24L', 'long'],
  ['24 3in', 'long-3in'],
])('“%s” is a chamber of %s stroke', (text, stroke) => expect(writtenChamber(text)?.stroke).toBe(stroke));
test.each(['99', 'big', '', '30 30 30'])('“%s” is no chamber', (text) => expect(writtenChamber(text)).toBeNull());

test('parts by their own heads: a short name where there is none, money as shops write it, what the fleet has already named', () => {
  const { lines } = movedOf('parts', [
    ['Part', 'Part #', 'On hand', 'Unit cost', 'Lead time'],
    ['Wheel seal, 2 in', 'HS-200', 12, '$1,042.50', 5],
    ['Slack adjuster', '', '3', '88', 3],
    ['Wheel seal', '', 1, 2, 3],
    ['Wiper', '', 'some', 'dear', 3],
    ['Lamp', '', '', '', ''],
  ]);
  expect(lines.slice(0, 2)).toMatchObject([
    { row: { part: 'HS-200', stock: 12, form: { name: 'Wheel seal, 2 in', price: 104_250, leadDays: 5 } } },
    { row: { part: 'slack-adjuster', stock: 3, form: { price: 8_800, leadDays: 3 } } },
  ]);
  expect(wrongOf(lines).slice(2)).toEqual([['part'], ['price', 'stock'], ['price', 'stock', 'leadDays']]);
});

test('an empty cell of a column that tells what every unit has is wrong: what was said of the list is not meant', () => {
  const { lines } = moved([
    ['Unit', 'Type', 'Brake'],
    ['H-20', '', 'disc'],
    ['H-21', 'semi', ''],
  ]);
  expect(wrongOf(lines)).toEqual([['kind'], ['brake']]);
});
test('an empty price or count is nothing where whoever moves it in says so', () => {
  const { lines } = movedOf(
    'parts',
    [
      ['Part', 'Qty'],
      ['Lamp', ''],
    ],
    { blank: 'nothing' },
  );
  expect(lines).toMatchObject([{ row: { stock: 0, form: { price: 0, leadDays: 3 } } }]);
});

test('people by their own heads: a name to sign in with, what they do, their papers with their days', () => {
  const { lines } = movedOf('people', [
    ['Employee', 'Job title', 'Skills', 'CDL exp', 'Brake cert'],
    ['Jördis Amberley', 'Mechanic', 'brakes, wiring', '5/1/2027', '31 Dec 2026'],
    ['Wyn Castellan', 'Owner', '', '', ''],
    ['Bo', 'juggler', 'juggling', '', ''],
  ]);
  expect(lines[0]).toMatchObject({
    row: {
      signIn: 'jordis.amberley',
      form: {
        name: 'Jördis Amberley',
        role: 'technician',
        work: {
          skills: ['brakes', 'electrical'],
          qualifications: [
            { name: 'Brake inspector', until: '2026-12-31' },
            { name: 'Driving license', until: '2027-05-01' },
          ],
        },
      },
    },
  });
  expect(wrongOf(lines).slice(1)).toEqual([['signIn'], ['role', 'skills']]);
});

test('repairs of before: their unit is the fleet’s, their day has been', () => {
  const { lines } = movedOf('repairs', [
    ['Trailer', 'Date', 'Work done', 'Mechanic', 'Odometer', 'Total cost'],
    ['H-1', '3/2/2025', 'Relined axle 2', 'Oda', '182,340', '412.00'],
    ['H-7', '3/2/2025', 'Relined', '', '', ''],
    ['H-1', '3/2/2027', 'Relined', '', '', ''],
    ['H-1', '', '', '', '', ''],
  ]);
  expect(lines[0]).toMatchObject({
    row: { unit: 'H-1', day: '2025-03-02', work: 'Relined axle 2', by: 'Oda', meter: '182,340 mi', cost: 41_200 },
  });
  expect(wrongOf(lines).slice(1)).toEqual([['number'], ['day'], ['day', 'work']]);
});

test('last readings, a line for each end: bare figures as meant, dual tires told apart', () => {
  const { lines } = movedOf('readings', [
    ['Unit', 'Date', 'Axle', 'Side', 'Tire', 'Stroke', 'Lining', 'Tread'],
    ['H-1', '11/30/2026', 1, 'L', 'in', '1 3/4', '3/8; 1/2', 8],
    ['H-1', '11/30/2026', 2, 'RS', '', '1.5 in', '', ''],
    ['H-1', '11/30/2026', 2, 'right', '', '', '', '9'],
    ['H-1', '11/30/2026', 7, 'right', '', '', '1/2', ''],
    ['H-1', '11/30/2026', 1, 'up', '', 'much', '', ''],
    ['H-1', '11/30/2026', 1, 'left', '', '', '', ''],
  ]);
  const rows = lines.flatMap((each) => ('row' in each ? [each.row] : []));
  expect(rows[0]?.readings).toEqual([
    { kind: 'stroke-applied', axle: 1, side: 'left', value: '1 3/4 in' },
    { kind: 'lining', axle: 1, side: 'left', points: ['3/8 in', '1/2 in'] },
    { kind: 'tread', axle: 1, side: 'left', tyre: 'inner', grooves: [['8/32']] },
  ]);
  expect(wrongOf(lines)).toEqual(['good', 'good', ['tread'], ['lining'], ['side'], ['stroke']]);
  expect(byUnitAndDay(rows)).toMatchObject([{ unit: 'H-1', day: '2026-11-30', readings: { length: 4 } }]);
});

test('last readings in a wide list: each head names its place', () => {
  const { table, lines } = movedOf('readings', [
    ['Unit', 'Date', 'Axle 1', '', 'Axle 2', ''],
    ['Unit', 'Date', 'Left Stroke', 'Right Lining', 'LS Outer Tread', 'R inner tread depth'],
    ['H-1', '11/30/2026', '1.75', '10.5 mm', 7, ''],
  ]);
  expect(placedColumns(table.columns)).toMatchObject([
    { measure: 'stroke', axle: 1, side: 'left' },
    { measure: 'lining', axle: 1, side: 'right' },
    { measure: 'tread', axle: 2, side: 'left', tyre: 'outer' },
    { measure: 'tread', axle: 2, side: 'right', tyre: 'inner' },
  ]);
  expect(lines).toMatchObject([
    { row: { readings: [{ value: '1.75 in' }, { points: ['10.5 mm'] }, { grooves: [['7/32']], tyre: 'outer' }] } },
  ]);
});
test('a wide list whose heads begin with their axle has a head', () =>
  expect(
    tableOf([
      ['Unit', 'Date', '1L lining'],
      ['H-1', '11/30/2026', '1/2'],
    ])?.columns,
  ).toEqual(['Unit', 'Date', '1L lining']));
test.each([
  ['2R lining', 2, 'right', undefined],
  ['A1 LS outer tread', 1, 'left', 'outer'],
  ['Stroke axle 3 left', 3, 'left', undefined],
  ['1li tread', 1, 'left', 'inner'],
])('“%s” names axle %s, %s', (head, axle, side, tyre) =>
  expect(placedColumns([head])[0]).toEqual(expect.objectContaining({ axle, side, ...(tyre ? { tyre } : {}) })),
);
test.each(['Stroke', 'Axle 1', 'Left stroke', 'Year 2014'])('“%s” names no place', (head) =>
  expect(placedColumns([head])).toEqual([]),
);

test('any sheet gives lines or nothing, never an error, and no line twice', () => {
  const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.double(), fc.boolean(), fc.constant(null), fc.date());
  const list = fc.constantFrom(...MOVE_LISTS);
  fc.assert(
    fc.property(list, fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 12 }), (of, rows) => {
      const table = tableOf(rows);
      if (!table) return;
      const mapping = guessed(of, table.columns);
      const lines = movedLines(of, table, { mapping, meant: MEANT, known: KNOWN });
      expect(new Set(lines.map(({ line }) => line)).size).toBe(lines.length);
    }),
  );
});
