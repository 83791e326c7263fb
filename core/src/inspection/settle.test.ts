import { plainBook } from '../limits';
import type { Reading } from '../reading';
import { readingKey } from '../reading';
import type { Unit } from '../trailer';
import { type SettledReading, settle, type ToldDefect, takenBack } from './settle';

const AXLE = { brake: 's-cam', chamber: { type: 'clamp', size: '30' }, tyres: 'single', hub: 'oil' } as const;
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [AXLE, AXLE] };
const NA = plainBook('na');
const at = { axle: 1, side: 'left' } as const;
const THIN = { kind: 'lining', ...at, points: ['1/8 in'] } as const satisfies Reading;
const LOW_OIL = {
  kind: 'hub-oil',
  ...at,
  level: 'at-add',
  condition: 'clear',
  leak: 'none',
} as const satisfies Reading;
const LEAK = {
  kind: 'check',
  check: 'chamber',
  ...at,
  found: ['chamber-leak'],
  how: 'seen',
} as const satisfies Reading;

const stands = (value: Reading, change: Partial<SettledReading> = {}): SettledReading => ({
  key: readingKey(value),
  kind: value.kind,
  value,
  at: '2026-03-02T10:00:00.000Z',
  inspection: 'i1',
  open: false,
  ...change,
});
const told = (code: string, change: Partial<ToldDefect> = {}): ToldDefect => ({
  id: code,
  code,
  ...at,
  tyre: null,
  state: 'reported',
  holds: true,
  verdict: 'violation',
  inspection: 'i1',
  endedAt: null,
  ...change,
});
const codes = (value: Reading, known: ToldDefect[] = [], change: Partial<SettledReading> = {}) =>
  settle(NA, unit, { standing: [stands(value, change)], told: known }).report.map(({ code }) => code);

test('what breaks the law is reported as it is saved, a limit of the shop once its inspection is closed', () => {
  expect(codes(THIN, [], { open: true })).toEqual(['lining']);
  expect(codes(LOW_OIL, [], { open: true })).toEqual([]);
  expect(codes(LOW_OIL)).toEqual(['hub-oil']);
});

test('a report names the inspection whose reading it rests on, and what it was judged to be', () => {
  expect(settle(NA, unit, { standing: [stands(THIN)], told: [] }).report).toMatchObject([
    { code: 'lining', inspection: 'i1', verdict: 'violation', holds: true },
  ]);
});

const CERTIFIED = { state: 'certified', inspection: 'i0' } as const;
test.each([
  ['open already', [told('lining', { inspection: null })], []],
  ['told of this very reading, and dismissed', [told('lining', { state: 'dismissed' })], []],
  ['ended after it was read', [told('lining', { ...CERTIFIED, endedAt: '2026-03-03T10:00:00.000Z' })], []],
  ['ended before it was read', [told('lining', { ...CERTIFIED, endedAt: '2026-03-01T10:00:00.000Z' })], ['lining']],
  ['taken back', [told('lining', { state: 'withdrawn', endedAt: '2026-03-03T10:00:00.000Z' })], ['lining']],
  ['dismissed when it was less grave', [told('lining', { state: 'dismissed', verdict: 'shop-limit' })], ['lining']],
  ['at another place', [told('lining', { side: 'right' })], ['lining']],
])('%s', (_, known, expected) => expect(codes(THIN, known)).toEqual(expected));

test('a sign seen by eye is reported once: its old look is no new fault after the repair', () => {
  expect(codes(LEAK)).toEqual(['chamber-leak']);
  const repaired = told('chamber-leak', { ...CERTIFIED, endedAt: '2026-03-05T10:00:00.000Z' });
  expect(codes(LEAK, [repaired])).toEqual([]);
});

test('an open report that says less than is known now holds from then on, unless just that was answered', () => {
  const graver = (change: Partial<ToldDefect>) =>
    settle(NA, unit, { standing: [stands(THIN)], told: [told('lining', change)] }).worsened.map(({ id }) => id);
  expect(graver({ holds: false, verdict: 'shop-limit' })).toEqual(['lining']);
  expect(graver({ holds: false, verdict: 'shop-limit', state: 'triaged' })).toEqual(['lining']);
  expect(graver({ holds: false, verdict: 'violation', state: 'triaged' })).toEqual([]);
  expect(graver({ holds: true })).toEqual([]);
});

test('a correction takes back what rested on it alone, and tells who has answered', () => {
  const was = { inspection: 'i1', was: THIN };
  const known = [
    told('lining'),
    told('lining', { id: 'answered', state: 'planned' }),
    told('lining', { id: 'theirs', inspection: 'i0' }),
    told('hub-oil'),
  ];
  const back = takenBack(was, known, []);
  expect([back.withdraw.map(({ id }) => id), back.tell.map(({ id }) => id)]).toEqual([['lining'], ['answered']]);
  const { faults } = settle(NA, unit, { standing: [stands(THIN)], told: [] });
  expect(takenBack(was, known, faults).withdraw).toEqual([]);
  expect(takenBack({ inspection: 'i1', was: LEAK }, [told('chamber-leak')], []).withdraw).toHaveLength(1);
  expect(takenBack({ inspection: 'i1', was: LEAK }, [told('chamber-rusted')], []).withdraw).toEqual([]);
});

test('a hub glass that cannot be read is a report for the shop, taken back when the level was read after all', () => {
  const BLIND = { kind: 'hub-oil', ...at, level: 'unreadable', leak: 'none' } as const satisfies Reading;
  expect(codes(BLIND, [], { open: true })).toEqual([]);
  expect(codes(BLIND)).toEqual(['hub-glass']);
  const { judged, report } = settle(NA, unit, { standing: [stands(BLIND)], told: [] });
  expect(report).toMatchObject([{ holds: false, verdict: 'shop-limit', inspection: 'i1' }]);
  // The glass is seen to; the level is still not known.
  expect(
    judged.findings.find(({ kind, side, axle }) => kind === 'hub-oil' && axle === 1 && side === 'left'),
  ).toMatchObject({ verdict: 'not-judged' });
  expect(codes(BLIND, [told('hub-glass')])).toEqual([]);
  const back = { inspection: 'i1', was: BLIND };
  expect(takenBack(back, [told('hub-glass')], []).withdraw).toHaveLength(1);
  expect(takenBack({ ...back, was: LOW_OIL }, [told('hub-glass')], []).withdraw).toEqual([]);
  expect(codes(LOW_OIL)).toEqual(['hub-oil']);
});

test('all lamps of a name counted out are reported as none that works, and that is taken back with the count', () => {
  const all = { kind: 'check', check: 'lamp-brake', found: ['lamp-stop-out'], lamps: { out: 2, of: 2 } } as const;
  const was: Reading = { ...all, found: [...all.found] };
  const { report } = settle(NA, unit, { standing: [stands(was)], told: [] });
  expect(report).toMatchObject([{ code: 'lamp-stop-none', holds: true, verdict: 'out-of-service' }]);
  const known = told('lamp-stop-none', { axle: null, side: null });
  expect(takenBack({ inspection: 'i1', was }, [known], []).withdraw).toEqual([known]);
  const one = told('lamp-stop-out', { axle: null, side: null });
  expect(takenBack({ inspection: 'i1', was }, [one], []).withdraw).toEqual([]);
});
