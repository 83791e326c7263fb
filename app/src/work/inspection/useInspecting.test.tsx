import { act, renderHook } from '@testing-library/react-native';
import { type Draft, entryOf, type Reading, type Step, stepAt, withText } from '@zealous-axle/core';
import { useState } from 'react';
import { begun } from '../../testing/inspection';
import { useInspecting } from './useInspecting';

const sent: { name: string; body: Record<string, unknown> }[] = [];
jest.mock('../../device/outbox', () => ({
  send: async (name: string, body: Record<string, unknown>) => sent.push({ name, body }),
}));
beforeEach(() => sent.splice(0));

const STEPS: Step[] = [
  { kind: 'lining', axle: 1, side: 'left', tyre: null, section: 'ends' },
  { kind: 'stroke-applied', axle: 1, side: 'left', tyre: null, section: 'ends' },
  { kind: 'check', item: 'jaws', axle: null, side: null, tyre: null, section: 'coupling' },
];
const lining = (more: Partial<Draft> = {}): Draft =>
  begun({ previous: { 'lining@1L': { text: '3/8 in', at: '2026-06-01T08:00:00Z' } }, steps: STEPS, ...more });

/** The hook over a draft of its own, as the screen holds it. */
async function hold(from: Draft) {
  const { result } = await renderHook(() => {
    const [draft, setDraft] = useState(from);
    return { draft, update: setDraft, ...useInspecting(draft, setDraft) };
  });
  return {
    draft: () => result.current.draft,
    doubt: () => result.current.doubt,
    gaugeMessage: () => result.current.gaugeMessage,
    renewable: () => result.current.renewed !== null,
    at: () => stepAt(result.current.draft)?.kind ?? null,
    type: (text: string) =>
      act(async () => {
        const step = stepAt(result.current.draft) as Step;
        result.current.update((now) => withText(now, step, 'value', text));
      }),
    do: (what: (now: typeof result.current) => unknown) => act(async () => void what(result.current)),
  };
}
const values = () => sent.map(({ body }) => body.value as Reading);

test('a reading is taken, and the next open step comes by itself', async () => {
  const pad = await hold(lining());
  await pad.type('11/32');
  await pad.do((now) => now.save());
  expect(values()).toEqual([{ kind: 'lining', axle: 1, side: 'left', points: ['11/32 in'] }]);
  expect(pad.at()).toBe('stroke-applied');
  expect(entryOf(pad.draft(), STEPS[0] as Step).saved?.reading).toBe(sent[0]?.body.reading);
});

test('saved again unchanged it is not sent again; changed it names what it corrects', async () => {
  const pad = await hold(lining());
  await pad.type('11/32');
  await pad.do((now) => now.save());
  const back = () => pad.do((now) => now.update((draft) => ({ ...draft, cursor: 0 })));
  await back();
  await pad.do((now) => now.save());
  expect(sent).toHaveLength(1);
  await back();
  await pad.type('5/16');
  await pad.do((now) => now.save());
  expect(sent[1]?.body).toMatchObject({ supersedes: sent[0]?.body.reading, value: { points: ['5/16 in'] } });
});

test('a lining that grew is asked about once: measured again, both are kept', async () => {
  const pad = await hold(lining());
  await pad.type('3/4');
  await pad.do((now) => now.save());
  expect([pad.doubt()?.doubt.way, sent.length, pad.at()]).toEqual(['grown', 0, 'lining']);
  await pad.do((now) => now.again());
  expect([sent.length, pad.at()]).toEqual([1, 'lining']);
  await pad.type('11/32');
  await pad.do((now) => now.save());
  expect(values().map((value) => value.kind === 'lining' && value.points[0])).toEqual(['3/4 in', '11/32 in']);
  expect(sent[1]?.body.supersedes).toBe(sent[0]?.body.reading);
});

test('a lining that grew because it was relined begins a life, and is not measured against the old one', async () => {
  const pad = await hold(lining());
  await pad.type('3/4');
  await pad.do((now) => now.save());
  await pad.do((now) => now.renewed?.());
  expect(sent).toMatchObject([
    { name: 'note-renewed', body: { part: 'lining', axle: 1, side: 'left', tyre: null } },
    { name: 'take-reading', body: { value: { points: ['3/4 in'] } } },
  ]);
  expect(pad.draft().previous['lining@1L']).toBeUndefined();
  expect(pad.draft().lives).toMatchObject([{ part: 'lining', axle: 1, side: 'left', job: null }]);
});

test('a lining fitted new that reads no thicker than the old one is asked about', async () => {
  const replaced = { 'lining@1L': { text: '5/16 in', at: '2026-05-01T08:00:00Z' } };
  const pad = await hold(lining({ previous: {}, replaced }));
  await pad.type('1/4');
  await pad.do((now) => now.save());
  expect([pad.doubt()?.doubt.way, sent.length, pad.renewable()]).toEqual(['odd', 0, false]);
  expect(pad.doubt()?.doubt.because).toContain('no better than the old one: 5/16 in');
  await pad.do((now) => now.confirm());
  expect(sent).toHaveLength(1);
  const thicker = await hold(lining({ previous: {}, replaced }));
  await thicker.type('3/8');
  await thicker.do((now) => now.save());
  expect(thicker.doubt()).toBeNull();
});

test('a lining that shrank was not relined', async () => {
  const pad = await hold(lining());
  await pad.type('1/16');
  await pad.do((now) => now.save());
  expect([pad.doubt()?.doubt.way, pad.renewable()]).toEqual(['shrunk', false]);
});

test('what is said to be right is taken, and not asked about again', async () => {
  const pad = await hold(lining());
  await pad.type('3/4');
  await pad.do((now) => now.save());
  await pad.do((now) => now.dismiss());
  expect([pad.doubt(), sent.length]).toEqual([null, 0]);
  await pad.do((now) => now.save());
  expect([sent.length, pad.at()]).toEqual([1, 'stroke-applied']);
});

test('a slip of the key is asked about where nothing was read before', async () => {
  const pad = await hold(lining({ previous: {} }));
  await pad.type('7 in');
  await pad.do((now) => now.save());
  expect([pad.doubt()?.doubt.way, sent.length]).toEqual(['too-much', 0]);
});

test('skipped with its reason a step stays without a reading', async () => {
  const pad = await hold(lining());
  await pad.do((now) => now.skip('Covered in mud'));
  expect(sent).toMatchObject([
    { name: 'skip-reading', body: { reason: 'Covered in mud', step: { kind: 'lining', axle: 1, side: 'left' } } },
  ]);
  expect(sent[0]?.body.step).not.toHaveProperty('section');
  expect(entryOf(pad.draft(), STEPS[0] as Step)).toMatchObject({ saved: null, skipped: 'Covered in mud' });
});

test('a check is answered and taken in one', async () => {
  const pad = await hold(lining({ cursor: 2 }));
  await pad.do((now) => now.saveWith({ found: [], how: 'seen' }));
  expect(values()).toEqual([{ kind: 'check', check: 'jaws', found: [], how: 'seen' }]);
});

describe('a gauge', () => {
  const frame = { kind: 'lining', serial: 'LG-7', sequence: 3, value: '8.70 mm' } as const;

  test('fills the figure in hand, says where it came from, and the next step follows', async () => {
    const pad = await hold(lining());
    await pad.do((now) => now.takeGauge(frame));
    expect(sent[0]?.body).toMatchObject({
      value: { points: ['8.70 mm'] },
      gauge: { kind: 'lining', serial: 'LG-7', sequence: 3 },
    });
    expect([pad.at(), pad.gaugeMessage()]).toEqual(['stroke-applied', '1L lining: 8.70 mm from gauge LG-7']);
  });

  test('sends the same frame twice and is heard once; of another kind it fills nothing', async () => {
    const pad = await hold(lining());
    await pad.do((now) => now.takeGauge(frame));
    await pad.do((now) => now.update((draft) => ({ ...draft, cursor: 0 })));
    await pad.do((now) => now.takeGauge(frame));
    await pad.do((now) => now.takeGauge({ ...frame, kind: 'tread', sequence: 4 }));
    expect(sent).toHaveLength(1);
    expect(pad.gaugeMessage()).toMatch('does not measure this');
  });

  test('does not measure a stroke before the chocks are said', async () => {
    const pad = await hold(lining({ cursor: 1 }));
    await pad.do((now) => now.takeGauge({ kind: 'stroke', serial: 'SG-1', sequence: 1, value: '41.2 mm' }));
    expect([sent.length, pad.gaugeMessage()]).toEqual([0, 'First chock the wheels, both ways, and confirm it.']);
  });
});
