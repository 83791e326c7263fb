import type { Reading, Step, Unit } from '@zealous-axle/core';
import {
  composed,
  type Draft,
  entryOf,
  hubWords,
  judgeDraft,
  newDraft,
  openSteps,
  reservoirText,
  shortReading,
  stepAt,
  takenReadings,
  toNextOpen,
  unreadSteps,
  withEntry,
  writtenLength,
} from './draft';

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
    book: 'na',
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
  const entered = withEntry(draft, step, { typed });
  const made = composed(entered, step);
  if (!made.ok) throw new Error(String(made.message));
  return toNextOpen(withEntry(entered, step, { saved: { reading: 'r', value: made.value } }));
};

test.each([
  ['stroke-applied', '1 7/8', 'in', '1 7/8 in'],
  ['tread', '6', 'in', '6/32'],
  ['tread', '5.5', 'mm', '5.5 mm'],
  ['lining', '6 mm', 'in', '6 mm'],
  ['lining', '', 'in', ''],
] as const)('%s typed as %j with the %s keys is %j', (kind, typed, padUnit, text) => {
  expect(writtenLength(kind, typed, padUnit)).toBe(text);
});

test('a stroke takes the reservoir pressure along, when there is one', () => {
  const step = at(begun());
  const typed = withEntry({ ...begun(), reservoir: '95' }, step, { typed: '1 7/8' });
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
  expect(composed(withEntry(begun(), step, { typed: '1 7/' }), step)).toMatchObject({
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

test.each([
  [{ kind: 'tread', axle: 1, side: 'left', tyre: 'inner', grooves: [['6/32', '4/32'], ['5/32']] }, '4/32'],
  [{ kind: 'lining', axle: 1, side: 'left', points: ['3/8 in', '5 mm'] }, '5 mm'],
  [{ kind: 'hub-oil', axle: 1, side: 'left', level: 'between', condition: 'clear', leak: 'none' }, 'between marks'],
] as [Reading, string][])('%j in short', (reading, text) => expect(shortReading(reading)).toBe(text));

test('a hub names first what stands out', () => {
  expect(hubWords({ level: 'full', condition: 'milky', leak: 'seep' })).toBe('seep, milky, full');
  expect(hubWords({ leak: 'none' })).toBe('dry');
});

test('a typed pressure', () => {
  expect([reservoirText('95'), reservoirText('6.5 bar'), reservoirText('not noted'), reservoirText('')]).toEqual([
    '95 psi',
    '6.5 bar',
    null,
    null,
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
    { key: 'stroke-applied@1L', value: { kind: 'stroke-applied', axle: 1, side: 'left', value: '3 in' } },
    { key: 'lining@1R', value: { kind: 'lining', axle: 1, side: 'right', points: ['1/8 in'] } },
  ] as { key: string; value: Reading }[];
  const again: Draft = { ...begun(), purpose: 're-measure', steps };
  const found = judgeDraft(again, { standing, defects: [] }).findings.filter(({ measured }) => measured !== null);
  expect(found.map(({ kind, verdict }) => [kind, verdict])).toEqual([['lining', 'violation']]);
});
