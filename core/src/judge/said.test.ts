import { ask, at, first, type Given, type More, ownLimit } from '../testing/judging';

/** What is answered word for word: verdict, figures, share, rule and sentence of readings on either side of every limit. */
const stroke = (value: string, reservoir: string | null = '95 psi', more: object = {}): Given => ({
  kind: 'stroke-applied',
  ...at,
  value,
  ...(reservoir ? { reservoir } : {}),
  ...more,
});
const lining = (...points: string[]): Given => ({ kind: 'lining', ...at, points });
const tyre = { ...at, tyre: 'outer' };
const tread = (...grooves: string[][]): Given => ({ kind: 'tread', ...tyre, grooves });
const pressure = (value: string, more: object = {}): Given => ({ kind: 'pressure', ...tyre, value, ...more });
const drum = (value: string, more: object = {}): Given => ({ kind: 'drum', ...at, value, ...more });
const rotor = (value: string, more: object = {}): Given => ({ kind: 'rotor', ...at, value, ...more });

const STROKES: [Given, More?][] = [
  ...['1/2 in', '1 15/16 in', '2 in', '2 1/16 in', '2 1/8 in', '2 1/4 in', '2 13/16 in'].map((value): [Given] => [
    stroke(value),
  ]),
  ...['1 7/8 in', '2 1/8 in'].flatMap((value): [Given][] => [
    [stroke(value, '60 psi')],
    [stroke(value, '120 psi')],
    [stroke(value, null)],
  ]),
  [stroke('0 in')],
  [stroke('0 in', '60 psi')],
  [stroke('0 in', null), { book: 'gb' }],
  [stroke('2 1/8 in', '95 psi', { presses: 3 })],
  [stroke('2 1/8 in'), { axle: { adjuster: 'manual' } }],
  [stroke('2 1/8 in'), { axle: { adjuster: undefined } }],
  [stroke('2 1/8 in'), { policies: { adjuster: 'find-cause' } }],
  [stroke('1 7/8 in'), { limits: [ownLimit('stroke.clamp.30.standard', '1 3/4 in')] }],
  [stroke('1 7/8 in', '60 psi'), { limits: [ownLimit('stroke.clamp.30.standard', '1 3/4 in')] }],
  [stroke('2 1/8 in'), { limits: [ownLimit('stroke.clamp.30.standard', '1 3/4 in')] }],
  [stroke('1 7/8 in'), { axle: { chamber: null } }],
  [stroke('1 7/8 in'), { axle: { chamber: { type: 'clamp', size: '99', stroke: 'standard' } } }],
  [stroke('1 7/8 in'), { axle: { brake: 'air-disc' } }],
  [stroke('1 7/8 in'), { axle: { brake: 'wedge', chamber: null } }],
  [stroke('50 mm'), { book: 'gb' }],
  [stroke('55 mm'), { book: 'gb' }],
];

const LININGS: [Given, More?][] = [
  ...['1/8 in', '3/16 in', '1/4 in', '5/16 in'].map((value): [Given] => [lining(value)]),
  [lining('3/8 in', '7/32 in', '1/2 in')],
  [lining('1/8 in'), { axle: { steer: true } }],
  [lining('3/16 in'), { axle: { steer: true, liningStyle: 'strip' } }],
  [lining('3/16 in'), { axle: { liningStyle: 'strip' } }],
  [lining('1/8 in'), { axle: { brake: 'air-disc' } }],
  [lining('1/16 in'), { axle: { brake: 'air-disc' } }],
  [lining('1/8 in'), { axle: { brake: 'hydraulic-drum' } }],
  [lining('1/32 in'), { axle: { brake: 'hydraulic-disc' } }],
  [lining('1/8 in'), { axle: { brake: 'electric' } }],
  [lining('5/16 in'), { limits: [ownLimit('lining.drum', '3/8 in')] }],
  [lining('5 mm', '4 mm'), { book: 'gb' }],
  [lining('1 mm'), { book: 'gb' }],
];

const TREADS: [Given, More?][] = [
  ...['1/32', '2/32', '3/32', '4/32', '5/32'].flatMap((value): [Given, More?][] => [
    [tread([value])],
    [tread([value]), { axle: { steer: true } }],
  ]),
  [tread(['2/32', '1/32', '1/32', '2/32'])],
  [tread(['1/32', '1/32', '6/32'], ['1/32', '1/32', '6/32'])],
  [tread(['0/32', '0/32', '6/32'], ['0/32', '0/32', '6/32'], ['0/32', '0/32', '6/32'])],
  [tread(['5/32']), { limits: [ownLimit('tread.other', '6/32')] }],
  ...[
    ['0.5 mm', '3 mm', '3 mm', '3 mm'],
    ['3 mm', '0.5 mm', '3 mm', '3 mm'],
    ['3 mm', '0.5 mm', '0.5 mm', '3 mm'],
    ['0.5 mm', '3 mm', '3 mm', '0.5 mm'],
    ['3 mm', '0 mm', '3 mm', '3 mm'],
    ['0.5 mm', '0.5 mm', '3 mm', '3 mm', '3 mm', '3 mm'],
    ['3 mm', '3 mm', '0.5 mm', '3 mm', '3 mm'],
    ['1.6 mm'],
    ['0.9 mm'],
  ].map((row): [Given, More] => [tread(row), { book: 'gb' }]),
  [tread(['3 mm', '3 mm', '3 mm'], ['3 mm', '0 mm', '3 mm']), { book: 'gb' }],
  [tread(['0.5 mm', '3 mm', '3 mm'], ['3 mm', '3 mm', '0.5 mm']), { book: 'gb' }],
  [tread(['3 mm', '3 mm', '0.5 mm'], ['0.5 mm', '3 mm', '3 mm']), { book: 'gb' }],
];

const PRESSURES: [Given, More?][] = [
  [pressure('100 psi')],
  [pressure('0 psi')],
  [pressure('0 psi', { target: '100 psi' })],
  ...['50 psi', '51 psi', '79 psi', '80 psi', '94 psi', '95 psi', '100 psi', '110 psi', '121 psi'].map(
    (value): [Given] => [pressure(value, { target: '100 psi' })],
  ),
  [pressure('60 psi', { target: '100 psi', sidewallMax: '120 psi' })],
  [pressure('61 psi', { target: '100 psi', sidewallMax: '120 psi' })],
  [pressure('130 psi', { target: '100 psi', sidewallMax: '120 psi' })],
  [pressure('115 psi', { target: '100 psi', hot: true })],
  [pressure('105 psi', { target: '100 psi', hot: true })],
  [pressure('12 psi', { target: '100 psi', hot: true })],
  [pressure('6.5 bar', { target: '7 bar' })],
  [pressure('100 psi', { target: '100 psi', temperature: '105 °F', coldTemperature: '60 °F' })],
  [pressure('100 psi', { target: '100 psi', temperature: '105 °F' })],
  [pressure('90 psi', { target: '100 psi' }), { book: 'gb' }],
  [pressure('50 psi', { target: '100 psi' }), { book: 'gb' }],
];

const PARTS: [Given, More?][] = [
  ...['16.5 in', '16.62 in', '16.63 in'].map((value): [Given] => [drum(value)]),
  [drum('16.65 in', { marked: '16.620 in' })],
  [drum('16.60 in', { marked: '16.620 in' })],
  [drum('16.61 in', { marked: '16.620 in' }), { limits: [ownLimit('drum.16-5', '16.6 in')] }],
  ...['45 mm', '37 mm', '36 mm'].map((value): [Given, More] => [rotor(value), { axle: { brake: 'air-disc' } }]),
  [rotor('36 mm', { marked: '37 mm' }), { axle: { brake: 'air-disc' } }],
  [rotor('38 mm', { marked: '37 mm' }), { axle: { brake: 'air-disc' } }],
  [{ kind: 'end-play', ...at, value: '0.004 in' }],
  [{ kind: 'end-play', ...at, value: '0.008 in' }],
  [{ kind: 'stroke-free', ...at, value: '1/4 in' }],
  [{ kind: 'stroke-free', ...at, value: '1/2 in' }],
  [{ kind: 'stroke-free', ...at, value: '7/8 in' }],
];

const words = (given: Given, more?: More): string => {
  const { kind, axle: _, side: __, ...rest } = given;
  return `${kind} ${JSON.stringify(rest)}${more ? ` of ${JSON.stringify(more)}` : ''}`;
};

test.each([
  ['strokes', STROKES],
  ['linings', LININGS],
  ['treads', TREADS],
  ['pressures', PRESSURES],
  ['parts', PARTS],
])('%s are answered word for word as before', (_, cases) => {
  const said = cases.map(([given, more]) => {
    const { verdict, measured, limit, margin, share, rule, sure, because } = first(given, more);
    return [words(given, more), { verdict, measured, limit, margin, share, rule, sure, because }];
  });
  expect(Object.fromEntries(said)).toMatchSnapshot();
});

test('what is not judged says why, and what to do', () => {
  const AXLES: More['axle'][] = [
    {},
    { chamber: null },
    { brake: 'wedge' },
    { brake: 'air-disc' },
    { brake: 'electric', chamber: null },
    { brake: 'hydraulic-drum', chamber: null },
    { hub: 'grease' },
    { steer: true },
  ];
  const sparse: Given[] = [
    { kind: 'hub-oil', ...at, level: 'unreadable' },
    { kind: 'dual', ...at, diameters: ['40 in', '40 in'] },
    { kind: 'air-test', test: 'governor', cutIn: '102 psi' },
    { kind: 'king-pin', pin: ['1.98 in', '1.98 in'] },
  ];
  for (const book of ['na', 'gb'] as const)
    for (const axle of AXLES)
      for (const [given] of [
        ...STROKES,
        ...LININGS,
        ...TREADS,
        ...PRESSURES,
        ...PARTS,
        ...sparse.map((each) => [each]),
      ])
        for (const { verdict, because } of ask([given as Given], { book, axle }).findings)
          if (verdict === 'not-judged') expect(because).toMatch(/[:?.] \S|again|manual|by eye|foreman|^Enter /);
});
