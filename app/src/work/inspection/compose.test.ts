import {
  type Draft,
  formatLength,
  HUB_LEAKS,
  HUB_LEVELS,
  judge,
  type KeptCheck,
  keyOf,
  NM_PER_INCH,
  type Note,
  parseLength,
  ROUTES,
  readingSchema,
  routeSteps,
  type Step,
  sentences,
  VEHICLES,
  WEAR_MARKS,
  withNote,
  withText,
} from '@zealous-axle/core';
import { AXLE } from '@zealous-axle/core/testing';
import fc from 'fast-check';
import { begun, HOPPER } from '../../testing/inspection';
import { composed } from './compose';
import { currentField, fieldsOf, nextEmptyField } from './fields';
import { pressureText, temperatureText, writtenLength } from './written';

const nm = (text: string) => parseLength(text, 'none');

const stepOf = (kind: Step['kind'], item?: string): Step => ({
  kind,
  axle: kind === 'air-test' || kind === 'king-pin' ? null : 1,
  side: kind === 'air-test' || kind === 'king-pin' ? null : 'left',
  tyre: kind === 'tread' || kind === 'pressure' ? 'outer' : null,
  ...(item ? { item } : {}),
});
const only = (step: Step): Draft => begun({ reservoir: '95', steps: [step] });
const typed = (step: Step, texts: Record<string, string>, note = {}): Draft =>
  Object.entries(texts).reduce(
    (draft, [field, text]) => withText(draft, step, field, text),
    withNote(only(step), step, note),
  );
const value = (step: Step, texts: Record<string, string>, note = {}) => composed(typed(step, texts, note), step);

test.each([
  ['fraction', '1 7/8', 'in', '1 7/8 in'],
  ['32nds', '6', 'in', '6/32'],
  ['32nds', '5.5', 'mm', '5.5 mm'],
  ['fraction', '6 mm', 'in', '6 mm'],
  ['decimal', '16.62', 'in', '16.62 in'],
  ['fraction', '', 'in', ''],
] as const)('%s typed as %j with the %s keys is %j', (keys, typed, padUnit, text) => {
  expect(writtenLength(keys, typed, padUnit)).toBe(text);
});

test('a stroke takes the reservoir pressure along, when there is one', () => {
  const step = stepOf('stroke-applied');
  const entered = withText(only(step), step, 'value', '1 7/8');
  expect(composed(entered, step)).toEqual({
    ok: true,
    value: { kind: 'stroke-applied', axle: 1, side: 'left', value: '1 7/8 in', reservoir: '95 psi' },
  });
  const without = composed({ ...entered, reservoir: 'not noted' }, step);
  expect(without.ok && 'reservoir' in without.value).toBe(false);
});

test('nothing entered is no error; nonsense is one, in a sentence', () => {
  const step = stepOf('stroke-applied');
  expect(composed(begun(), step)).toEqual({ ok: false, message: null });
  expect(composed(withText(begun(), step, 'value', '1 7/'), step)).toMatchObject({
    message: expect.stringMatching('write'),
  });
});

test('a typed pressure', () => {
  expect(['95', '6.5 bar', 'not noted', ''].map((typed) => pressureText(typed))).toEqual([
    '95 psi',
    '6.5 bar',
    null,
    null,
  ]);
  expect(pressureText('6.5', 'bar')).toBe('6.5 bar');
});

test('a typed temperature takes the person’s own unit, and keeps one that was typed', () => {
  expect([temperatureText('105'), temperatureText('-5', '°C'), temperatureText('105 °F', '°C')]).toEqual([
    '105 °F',
    '-5 °C',
    '105 °F',
  ]);
});

describe('steps of more than one figure', () => {
  test('face to pin: the two distances are subtracted for the person', () => {
    const step = stepOf('stroke-applied');
    expect(value(step, { released: '2 1/4', applied: '4 1/8' }, { method: 'pin-distance' })).toMatchObject({
      ok: true,
      value: { value: '1 7/8 in', distances: ['2 1/4 in', '4 1/8 in'] },
    });
    expect(value(step, { released: '4', applied: '2' }, { method: 'pin-distance' })).toMatchObject({
      message: expect.stringMatching('longer distance'),
    });
    const NM_PER_64TH = NM_PER_INCH / 64;
    const distance = fc.oneof(
      fc.integer({ min: 0, max: 400 }).map((count) => formatLength(count * NM_PER_64TH, 'fraction')),
      fc.integer({ min: 0, max: 20_000 }).map((count) => `${(count / 100).toFixed(2)} mm`),
      fc.integer({ min: 0, max: 8_000 }).map((count) => `${(count / 1_000).toFixed(3)} in`),
    );
    fc.assert(
      fc.property(distance, distance, (released, applied) => {
        const made = value(step, { released, applied }, { method: 'pin-distance' });
        return made.ok || /longer distance/.test(made.message ?? '');
      }),
    );
    expect(value(step, { released: '2 1/4' }, { method: 'pin-distance' })).toEqual({ ok: false, message: null });
  });

  test('a tread grid is taken when every place begun is whole', () => {
    const step = stepOf('tread');
    const note = { several: true, spots: 2, grooves: 2 };
    expect(fieldsOf(typed(step, {}, note), step).map(({ id }) => id)).toEqual(['g0-0', 'g0-1', 'g1-0', 'g1-1']);
    expect(value(step, { 'g0-0': '6', 'g0-1': '5', 'g1-0': '4' }, note)).toEqual({ ok: false, message: null });
    expect(value(step, { 'g0-0': '6', 'g0-1': '5' }, note)).toMatchObject({ value: { grooves: [['6/32', '5/32']] } });
    expect(value(step, { value: '6' }, { wear: ['cupped'] })).toMatchObject({
      value: { grooves: [['6/32']], wear: ['cupped'] },
    });
  });

  test('the field in hand, and the one after it', () => {
    const step = stepOf('king-pin');
    const draft = typed(step, { pin0: '2.0' });
    expect(currentField(draft, step)?.id).toBe('pin0');
    expect(nextEmptyField(draft, step)?.id).toBe('pin1');
    expect(nextEmptyField(withText(draft, step, 'pin1', '1.99'), step)).toBeNull();
  });

  test.each<[Step, Record<string, string>, object, object]>([
    [
      stepOf('lining'),
      { p0: '3/8', p1: '1/2', p2: '7/16', p3: '3/8' },
      { several: true },
      { points: ['3/8 in', '1/2 in', '7/16 in', '3/8 in'] },
    ],
    [stepOf('drum'), { value: '16.62', marked: '16.75' }, {}, { value: '16.62 in', marked: '16.75 in' }],
    [stepOf('wheel-temperature'), { value: '155' }, {}, { value: '155 °F' }],
    [stepOf('wheel-temperature'), { value: '68.5 °C' }, {}, { value: '68.5 °C' }],
    [stepOf('pressure'), { value: '98' }, { hot: true, heavy: true }, { value: '98 psi', hot: true, heavy: true }],
    [stepOf('king-pin'), { pin0: '2', pin1: '1.99' }, {}, { pin: ['2 in', '1.99 in'] }],
    [stepOf('wheel-nuts'), {}, { holes: 10, loose: [1] }, { holes: 10, loose: [1] }],
    [
      stepOf('air-test', 'leak-released'),
      { start: '100', end: '99' },
      { seconds: 60 },
      { test: 'leak-released', seconds: 60, vehicles: 'single' },
    ],
    [stepOf('air-test', 'build-up'), {}, { seconds: 30 }, { test: 'build-up', seconds: 30 }],
    [stepOf('air-test', 'governor'), { cutOut: '125' }, {}, { test: 'governor', cutOut: '125 psi' }],
    [stepOf('check', 'spring'), {}, { found: [] }, { check: 'spring', found: [], how: 'seen' }],
    [stepOf('dual'), {}, { touching: false }, { touching: false }],
  ])('%j', (step, texts, note, made) => expect(value(step, texts, note)).toMatchObject({ ok: true, value: made }));

  test('four points asked are four points read', () => {
    expect(value(stepOf('lining'), { p0: '3/8', p2: '7/16' }, { several: true })).toMatchObject({ ok: false });
  });

  test('nothing entered is never a reading', () => {
    for (const kind of [
      'drum',
      'pressure',
      'king-pin',
      'wheel-nuts',
      'slider-pins',
      'check',
      'dual',
      'hub-oil',
    ] as const)
      expect(value(stepOf(kind, kind === 'check' ? 'spring' : undefined), {})).toEqual({ ok: false, message: null });
  });
});

describe('whatever is pressed', () => {
  const unit = { ...HOPPER, axles: [AXLE, { ...AXLE, brake: 'air-disc', tyres: 'single', hub: 'grease' } as const] };
  const steps = [
    ...new Map(
      ROUTES.flatMap((route) => routeSteps(route, unit)).map(({ section: _, ...step }) => [keyOf(step), step]),
    ).values(),
  ];
  const text = fc.oneof(
    { arbitrary: fc.constantFrom('', '3/8', '1 7/8', '2', '6', '16.62', '95', '100', '20 mm', '6.5 bar'), weight: 6 },
    { arbitrary: fc.string({ unit: fc.constantFrom(...'0123456789 /.-inmp°F'), maxLength: 8 }), weight: 2 },
  );
  const some = <T>(values: readonly T[]) => fc.constantFrom(undefined, ...values);
  const studs = fc.uniqueArray(fc.integer({ min: 1, max: 10 }), { maxLength: 3 });
  const note = fc.record<Note>({
    method: some(['face-mark', 'pin-distance', 'bar', 'hand']),
    presses: some([3]),
    several: fc.boolean(),
    spots: some([1, 3]),
    grooves: some([1, 4]),
    wear: fc.subarray([...WEAR_MARKS]),
    hot: fc.boolean(),
    heavy: some([true, false]),
    touching: some([true, false]),
    size: some(['small', 'large']),
    holes: some([5, 8, 10]),
    loose: studs,
    missing: studs,
    rust: studs,
    pins: some([2, 4]),
    seated: some([0, 3, 4]),
    seconds: some([1, 60, 300]),
    vehicles: some(VEHICLES),
    found: some([[]]),
    level: some(HUB_LEVELS),
    leak: some(HUB_LEAKS),
  });
  const entered = fc
    .tuple(
      fc.constantFrom(...steps),
      note,
      fc.array(text, { minLength: 12, maxLength: 12 }),
      fc.constantFrom('in', 'mm'),
    )
    .map(([step, noted, texts, padUnit]) => {
      const bare = withNote(begun({ unit, steps: [step], reservoir: '95', padUnit }), step, noted);
      const draft = fieldsOf(bare, step).reduce(
        (now, { id }, index) => withText(now, step, id, texts[index % texts.length] ?? ''),
        bare,
      );
      return { step, draft };
    });

  test('it becomes a reading of that step which the wire takes and the book judges, or a sentence, or nothing yet', () => {
    let taken = 0;
    fc.assert(
      fc.property(entered, ({ step, draft }) => {
        const made = composed(draft, step);
        if (!made.ok) return made.message === null || /^.{12,}$/.test(made.message);
        taken++;
        expect(readingSchema.parse(JSON.parse(JSON.stringify(made.value)))).toEqual(made.value);
        const { findings } = judge({ book: 'na', units: [unit], readings: [{ unit: unit.id, ...made.value }] });
        const key = keyOf(step);
        return findings.some((each) => keyOf(each) === key && sentences(each.said) !== '');
      }),
      { numRuns: 2_000 },
    );
    expect(taken).toBeGreaterThan(300);
  });

  test('no figure is changed on its way: a single length is what was typed, in the unit of the keys', () => {
    const single = steps.filter(({ kind }) => ['stroke-free', 'drum', 'rotor', 'end-play', 'mud-flap'].includes(kind));
    const count = fc.integer({ min: 0, max: 99_999 });
    fc.assert(
      fc.property(fc.constantFrom(...single), count, fc.constantFrom('in', 'mm'), (step, thousandths, padUnit) => {
        const typedText = (thousandths / 1_000).toFixed(3);
        const draft = withText(begun({ unit, steps: [step], padUnit }), step, 'value', typedText);
        const made = composed(draft, step);
        return (
          made.ok &&
          'value' in made.value &&
          JSON.stringify(nm(made.value.value ?? '')) === JSON.stringify(nm(`${typedText} ${padUnit}`))
        );
      }),
    );
  });
});

test('how many lamps are out is kept of lamps that are out, and of nothing else', () => {
  const step = { ...stepOf('check', 'lamp-brake'), axle: null, side: null };
  const lamps = { out: 1, of: 2 };
  const of = (found: string[]) => composed(withNote(only(step), step, { found, how: 'seen', lamps }), step);
  expect(of(['lamp-stop-out'])).toMatchObject({ ok: true, value: { lamps } });
  expect(of(['lens-broken'])).toMatchObject({ ok: true, value: { found: ['lens-broken'] } });
  expect(of(['lens-broken'])).not.toMatchObject({ value: { lamps } });
});

test('a figure of the shop’s own check is taken in the unit the shop gave it', () => {
  const step: Step = { kind: 'own-check', item: 'Ride height', axle: 2, side: null, tyre: null };
  const check: KeptCheck = {
    name: 'Ride height',
    part: 'suspension',
    at: 'axle',
    good: 'Even',
    signs: [],
    figure: { unit: 'in', least: '8.5', presses: 'before-use' },
    version: 1,
    saved: { by: 'The foreman', at: '2026-03-02T12:00:00Z' },
  };
  const draft = only(step);
  const asked = { ...draft, rules: { ...draft.rules, checks: [check] } };
  expect(composed(asked, step)).toEqual({ ok: false, message: null });
  expect(composed(withText(asked, step, 'value', '8.4'), step)).toEqual({
    ok: true,
    value: { kind: 'own-check', check: 'Ride height', axle: 2, found: [], value: '8.4', unit: 'in' },
  });
  expect(composed(withText(asked, step, 'value', 'much'), step)).toMatchObject({
    message: expect.stringMatching('write'),
  });
});
