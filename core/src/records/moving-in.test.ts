import fc from 'fast-check';
import { type Cell, guessed, type MeantIn, movedLines, orderOf, tableOf, writtenChamber, writtenDay } from '.';

const MEANT: MeantIn = {
  days: 'mdy',
  distance: 'mi',
  weight: 'lb',
  pressure: 'psi',
  usual: { kind: 'semitrailer', axles: null, brake: 's-cam', tyres: 'dual', hub: 'grease' },
};
const moved = (rows: Cell[][], meant: Partial<MeantIn> = {}) => {
  const table = tableOf(rows);
  if (!table) throw new Error('no head');
  return { table, lines: movedLines(table, guessed(table.columns), { ...MEANT, ...meant }) };
};

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
      unit: {
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
    { line: 5, unit: { form: { axles: [{ adjuster: 'manual', tyres: 'single' }, {}] } } },
  ]);
});

test('a merged head of two lines is one head, and dates of three kinds are days', () => {
  const { table, lines } = moved(SECOND);
  expect(table.columns).toContain('Brakes Chamber');
  expect(lines).toMatchObject([
    {
      line: 3,
      unit: {
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

test('what no column tells is as whoever moves it in said, and nothing is assumed beside', () => {
  const { lines } = moved([
    ['Unit', 'Type'],
    ['Y-9', 'tractor'],
  ]);
  expect(lines).toEqual([
    {
      line: 2,
      unit: {
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
      unit: {
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
    ['H-1', 'boat', 'T99', '31/31/2027'],
    ['', 'semi', '', ''],
    ['H-2', 'semi', '', ''],
    ['H-2', 'semi', '', ''],
  ]);
  expect(lines.map((each) => ('wrong' in each ? each.wrong.map(({ field }) => field) : 'good'))).toEqual([
    ['kind', 'chamber', 'inspection'],
    ['number'],
    'good',
    ['number'],
  ]);
  expect(JSON.stringify(lines[3])).toContain('H-2 stands in line 4 already');
});

test('what was chosen for such heads before is chosen again', () => {
  const columns = ['Our code', 'Type'];
  expect(guessed(columns).number).toBeUndefined();
  expect(guessed(columns, { number: 'Our code' })).toMatchObject({ number: 'Our code', kind: 'Type' });
});

test('what was said to be in no column is in none, whatever its head, and its column is free for another', () => {
  const columns = ['Unit', 'Type'];
  expect(guessed(columns, { kind: '' })).toEqual({ number: 'Unit' });
  expect(guessed(columns, { kind: '', body: 'Type' })).toEqual({ number: 'Unit', body: 'Type' });
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

test('any sheet gives lines or nothing, never an error, and no line twice', () => {
  const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.double(), fc.boolean(), fc.constant(null), fc.date());
  fc.assert(
    fc.property(fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 12 }), (rows) => {
      const table = tableOf(rows);
      if (!table) return;
      const lines = movedLines(table, guessed(table.columns), MEANT);
      expect(new Set(lines.map(({ line }) => line)).size).toBe(lines.length);
    }),
  );
});
