import {
  type Draft,
  entryOf,
  judgeDraft,
  jumpTo,
  openSteps,
  type Reading,
  type Step,
  sectionSeconds,
  stepAt,
  takenReadings,
  toNextOpen,
  unreadSteps,
  withEntry,
  withText,
  withTime,
} from '@zealous-axle/core';
import { type DraftV1, draftFromV1, draftFromV3 } from '../../device/upgrades';
import { begun, HOPPER } from '../../testing/inspection';
import { composed } from './compose';

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

test('what was skipped is still unread, and the device’s judgment says so', () => {
  let draft: Draft = { ...begun(), reservoir: '95' };
  draft = toNextOpen(withEntry(draft, at(draft), { skipped: 'mud' }));
  draft = save(draft, '2 1/8');
  expect(unreadSteps(draft)).toHaveLength(draft.steps.length - 1);
  expect(takenReadings(draft)).toHaveLength(1);
  expect(judgeDraft(draft).units[0]).toMatchObject({ verdict: 'violation', complete: false });
  expect(entryOf(draft, draft.steps[0] as Step).skipped).toBe('mud');
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
  const judged = (draft: Draft) =>
    judgeDraft(draft, { standing, defects: [] })
      .findings.filter(({ measured }) => measured !== null)
      .map(({ kind, verdict }) => [kind, verdict]);
  // What was not read again yet stands as it was, on the device as on the server.
  expect(judged(again)).toEqual([
    ['stroke-applied', 'violation'],
    ['lining', 'violation'],
  ]);
  expect(judged(save({ ...again, reservoir: '95' }, '1 3/4'))).toEqual([
    ['lining', 'violation'],
    ['stroke-applied', 'within'],
  ]);
});

test('typing over a gauge’s value makes it a person’s', () => {
  const step: Step = { kind: 'lining', axle: 1, side: 'left', tyre: null };
  const filled = withEntry(begun({ steps: [step] }), step, { gauge: { kind: 'lining', serial: 'LG-1', sequence: 1 } });
  expect(entryOf(withText(filled, step, 'value', '1/4'), step).gauge).toBeUndefined();
});

describe('the place in the route', () => {
  test('is kept when something is noted out of order', () => {
    const far = jumpTo({ ...begun(), reservoir: '95', cursor: 2 }, 7);
    expect(far.returnTo).toBe(2);
    expect(jumpTo(far, 5).returnTo).toBe(2);
  });

  test('goes on to the neighbour of what was done out of order, and knows the way back', () => {
    const far = jumpTo({ ...begun(), reservoir: '95', cursor: 2 }, 7);
    expect(toNextOpen(far)).toMatchObject({ cursor: 8, returnTo: 2 });
    // Round at its end to what was left open: that was the way back.
    const last = begun().steps.length - 1;
    const round = toNextOpen({ ...far, cursor: last, returnTo: 0 });
    expect(round).toMatchObject({ cursor: 0, returnTo: null });
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
  const v1: DraftV1 = {
    inspection: 'i',
    unit: HOPPER,
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
  };
  const now = draftFromV3(draftFromV1(v1));
  expect(now).toMatchObject({ cursor: 3, reservoir: '95', rules: { book: 'na' }, route: null });
  expect(now.entries['stroke-applied@1L']?.texts).toEqual({ value: '1 7/8' });
  expect(now.entries['hub-oil@1L']).toMatchObject({ note: { level: 'full' }, asked: true });
  expect(draftFromV3(draftFromV1(now))).toBe(now);
});
