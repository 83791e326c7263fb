import type { Reading, Step, Unit } from '@zealous-axle/core';
import fc from 'fast-check';
import { composed, pressureText, temperatureText, writtenLength } from './compose';
import {
  type Draft,
  entryOf,
  judgeDraft,
  jumpTo,
  newDraft,
  openSteps,
  sectionSeconds,
  stepAt,
  takenReadings,
  toNextOpen,
  unreadSteps,
  withEntry,
  withNote,
  withText,
  withTime,
} from './draft';
import { draftFromV1 } from './draft-v1';
import { currentField, fieldsOf, nextEmptyField } from './fields';

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  tyres: 'dual',
  hub: 'oil',
} as const;
const unit: Unit & { number: string; body: string } = {
  id: 'u',
  number: 'T-1',
  body: 'Test',
  kind: 'semitrailer',
  axles: [axle],
};
const begun = (): Draft =>
  newDraft({
    inspection: 'i',
    unit,
    rules: { book: 'na', schools: {}, limits: [] },
    purpose: 'full',
    job: null,
    previous: {},
    startedAt: '2026-03-02T12:00:00Z',
  });
const at = (draft: Draft): Step => {
  const step = stepAt(draft);
  if (!step) throw new Error('past the end');
  return step;
};
const save = (draft: Draft, typed: string): Draft => {
  const step = at(draft);
  const entered = withText(draft, step, 'value', typed);
  const made = composed(entered, step);
  if (!made.ok) throw new Error(String(made.message));
  return toNextOpen(withEntry(entered, step, { saved: { reading: 'r', value: made.value } }));
};

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
  const step = at(begun());
  const typed = withText({ ...begun(), reservoir: '95' }, step, 'value', '1 7/8');
  expect(composed(typed, step)).toEqual({
    ok: true,
    value: { kind: 'stroke-applied', axle: 1, side: 'left', value: '1 7/8 in', reservoir: '95 psi' },
  });
  const without = composed({ ...typed, reservoir: 'not noted' }, step);
  expect(without.ok && 'reservoir' in without.value).toBe(false);
});

test('nothing entered is no error; nonsense is one, in a sentence', () => {
  const step = at(begun());
  expect(composed(begun(), step)).toEqual({ ok: false, message: null });
  expect(composed(withText(begun(), step, 'value', '1 7/'), step)).toMatchObject({
    message: expect.stringMatching('write'),
  });
});

test('saving moves on to the next open step, and round to those left behind', () => {
  let draft: Draft = { ...begun(), reservoir: '95' };
  draft = toNextOpen(withEntry(draft, at(draft), { skipped: 'mud' }));
  expect(draft.cursor).toBe(1);
  draft = save(draft, '1 5/8');
  expect(at(draft)).toMatchObject({ kind: 'lining', side: 'left' });
  const jumped = save({ ...draft, cursor: 4 }, '9');
  expect(openSteps(jumped).length).toBe(draft.steps.length - 3);
  const last = save({ ...jumped, cursor: jumped.steps.length - 2 }, '9');
  expect(last.cursor).toBe(jumped.steps.length - 1);
});

test('what was skipped is still unread, and the device’s judgement says so', () => {
  let draft: Draft = { ...begun(), reservoir: '95' };
  draft = toNextOpen(withEntry(draft, at(draft), { skipped: 'mud' }));
  draft = save(draft, '2 1/8');
  expect(unreadSteps(draft)).toHaveLength(draft.steps.length - 1);
  expect(takenReadings(draft)).toHaveLength(1);
  expect(judgeDraft(draft).units[0]).toMatchObject({ verdict: 'violation', complete: false });
  expect(entryOf(draft, draft.steps[0] as Step).skipped).toBe('mud');
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

test('a defect somebody reported counts on the device too', () => {
  const leak = { code: 'chamber-leak', axle: 1, side: 'left', tyre: null, state: 'reported' } as const;
  const brakes = (state: 'reported' | 'done') =>
    judgeDraft(begun(), { standing: [], defects: [{ ...leak, state }] }).units[0]?.brakes.full;
  expect([brakes('reported'), brakes('done')]).toEqual([1, 0]);
});

test('after a repair, what stands elsewhere is judged with the new readings', () => {
  const steps = begun().steps.slice(0, 1);
  const standing = [
    {
      key: 'stroke-applied@1L',
      kind: 'stroke-applied',
      value: { kind: 'stroke-applied', axle: 1, side: 'left', value: '3 in' },
    },
    { key: 'lining@1R', kind: 'lining', value: { kind: 'lining', axle: 1, side: 'right', points: ['1/8 in'] } },
  ] as { key: string; kind: string; value: Reading }[];
  const again: Draft = { ...begun(), purpose: 're-measure', steps };
  const found = judgeDraft(again, { standing, defects: [] }).findings.filter(({ measured }) => measured !== null);
  expect(found.map(({ kind, verdict }) => [kind, verdict])).toEqual([['lining', 'violation']]);
});

const stepOf = (kind: Step['kind'], item?: string): Step => ({
  kind,
  axle: kind === 'air-test' || kind === 'king-pin' ? null : 1,
  side: kind === 'air-test' || kind === 'king-pin' ? null : 'left',
  tyre: kind === 'tread' || kind === 'pressure' ? 'outer' : null,
  ...(item ? { item } : {}),
});
const only = (step: Step): Draft => ({ ...begun(), reservoir: '95', steps: [step] });
const typed = (step: Step, texts: Record<string, string>, note = {}): Draft =>
  Object.entries(texts).reduce(
    (draft, [field, text]) => withText(draft, step, field, text),
    withNote(only(step), step, note),
  );
const value = (step: Step, texts: Record<string, string>, note = {}) => composed(typed(step, texts, note), step);

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
    const distance = fc.oneof(
      fc.integer({ min: 0, max: 400 }).map((count) => `${count}/64 in`),
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
    const note = { several: true, places: 2, grooves: 2 };
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
    [stepOf('lining'), { p0: '3/8', p2: '7/16' }, { several: true }, { points: ['3/8 in', '7/16 in'] }],
    [stepOf('drum'), { value: '16.62', marked: '16.75' }, {}, { value: '16.62 in', marked: '16.75 in' }],
    [
      stepOf('pressure'),
      { value: '98', target: '100' },
      { hot: true, heavy: true },
      { value: '98 psi', target: '100 psi', hot: true, heavy: true },
    ],
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

  test('typing over a gauge’s value makes it a person’s', () => {
    const step = stepOf('lining');
    const filled = withEntry(only(step), step, { gauge: { kind: 'lining', serial: 'LG-1', sequence: 1 } });
    expect(entryOf(withText(filled, step, 'value', '1/4'), step).gauge).toBeUndefined();
  });
});

describe('the place in the route', () => {
  test('is kept when something is noted out of order', () => {
    const far = jumpTo({ ...begun(), reservoir: '95', cursor: 2 }, 7);
    expect(far.place).toBe(2);
    expect(jumpTo(far, 5).place).toBe(2);
    expect(toNextOpen(far).cursor).toBe(2);
  });

  test('time is counted for its section, but not a long pause', () => {
    const steps = begun().steps.map((step) => ({ ...step, section: 'ends' }));
    const route = { id: 'r', name: 'R', sections: [{ id: 'ends', name: 'Ends', says: '' }] };
    const draft = withTime({ ...begun(), steps, route }, 1_000, 21_000);
    expect(sectionSeconds(draft)).toEqual([{ id: 'ends', name: 'Ends', seconds: 20 }]);
    expect(withTime(draft, 0, 3_600_000)).toBe(draft);
  });
});

test('a draft of the first version keeps everything typed', () => {
  const now = draftFromV1({
    inspection: 'i',
    unit,
    book: 'na',
    purpose: 'full',
    job: null,
    steps: begun().steps,
    cursor: 3,
    padUnit: 'in',
    reservoir: '95',
    previous: {},
    startedAt: '2026-03-02T12:00:00Z',
    closed: false,
    entries: {
      'stroke-applied@1L': { typed: '1 7/8', hub: {}, saved: null, skipped: null },
      'hub-oil@1L': { typed: '', hub: { level: 'full' }, saved: null, skipped: null, asked: true },
    },
  });
  expect(now).toMatchObject({ cursor: 3, reservoir: '95', rules: { book: 'na' }, route: null });
  expect(now.entries['stroke-applied@1L']?.texts).toEqual({ value: '1 7/8' });
  expect(now.entries['hub-oil@1L']).toMatchObject({ note: { level: 'full' }, asked: true });
  expect(draftFromV1(now)).toBe(now);
});
