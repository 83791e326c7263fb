import { mayAct } from '../life';
import type { Step } from '../reading';
import type { Unit } from '../trailer';
import { sentences } from '../words';
import { JOB_LIFE, releaseBarriers, stillToRemeasure, toRemeasure, torqueDoubt } from '.';

const unit: Unit = {
  id: 'T1',
  kind: 'semitrailer',
  axles: [
    { brake: 's-cam', chamber: { type: 'clamp', size: '30' }, tyres: 'dual', hub: 'oil' },
    { brake: 'electric', tyres: 'single', hub: 'grease' },
  ],
};
const keys = (steps: Step[]) => steps.map(({ kind, axle, side, tyre }) => `${axle}${side?.[0]} ${tyre ?? ''} ${kind}`);
const defect = (code: string, axle: number | null = 1, tyre: 'inner' | 'outer' | null = null) => ({
  code,
  axle,
  side: axle === null ? null : ('left' as const),
  tyre,
});

describe('a job', () => {
  const done = {
    'what was done': true,
    'every step ticked': true,
    'every part taken': true,
    'the torque and its tool': true,
  };

  test('is certified only when done and measured again', () => {
    const given = { 'a statement': true, 'the readings taken again': true, 'a valid qualification': true };
    expect(mayAct(JOB_LIFE, 'a job', 'started', 'certify', 'technician', given)).toMatchObject({ because: 'state' });
    expect(mayAct(JOB_LIFE, 'a job', 'done', 'certify', 'technician', { 'a statement': true })).toMatchObject({
      missing: ['the readings taken again', 'a valid qualification'],
    });
    expect(mayAct(JOB_LIFE, 'a job', 'done', 'certify', 'technician', given)).toEqual({ ok: true, to: 'certified' });
  });
  test('needs its words and its torque to be finished', () => {
    expect(mayAct(JOB_LIFE, 'a job', 'started', 'finish', 'technician', done)).toEqual({ ok: true, to: 'done' });
    expect(mayAct(JOB_LIFE, 'a job', 'started', 'finish', 'technician')).toMatchObject({
      message:
        'To finish a job, still needed: what was done, every step ticked, every part taken and the torque and its tool.',
    });
  });
  test('is placed by the shop, never by a driver', () => {
    const given = { 'a bay': true, 'a day': true };
    expect(mayAct(JOB_LIFE, 'a job', 'open', 'place', 'foreman', given).ok).toBe(true);
    expect(mayAct(JOB_LIFE, 'a job', 'open', 'place', 'driver', given)).toMatchObject({
      because: 'role',
      message: 'Only a foreman or a manager can place a job.',
    });
  });
});

describe('measuring again', () => {
  test('a reline moves the stroke too, and each place is asked once', () => {
    expect(keys(toRemeasure(unit, [defect('lining'), defect('stroke-applied'), defect('chamber-leak')]))).toEqual([
      '1l  lining',
      '1l  stroke-applied',
    ]);
  });
  test('a tire defect asks for its own tire, or for both when none was named', () => {
    expect(keys(toRemeasure(unit, [defect('tread', 1, 'outer')]))).toEqual(['1l outer pressure', '1l outer tread']);
    expect(keys(toRemeasure(unit, [defect('tyre-cut')]))).toEqual(['1l inner tread', '1l outer tread']);
  });
  test('what has no pushrod is not asked for a stroke; a lamp is not measured', () => {
    expect(keys(toRemeasure(unit, [defect('lining', 2)]))).toEqual(['2l  lining']);
    expect(toRemeasure(unit, [defect('lamp-out', null)])).toEqual([]);
  });
  test('a reading from before the repair, or a failing one, does not close it', () => {
    const [step] = toRemeasure(unit, [defect('stroke-applied')]);
    if (!step) throw new Error('no step');
    const reading = (at: string, verdict: 'within' | 'violation' | 'not-judged') => [
      { key: 'stroke-applied@1L', at, verdict, by: 'other', recordedAt: '2026-03-02T12:00:00.000Z' },
    ];
    const since = { at: '2026-03-02T10:00:00.000Z', by: 'mender' };
    const left = (at: string, verdict: 'within' | 'violation' | 'not-judged') =>
      stillToRemeasure([step], reading(at, verdict), since).map(({ because }) => because);
    expect(left('2026-03-02T09:00:00.000Z', 'within')).toEqual(['1L was not measured again after the repair']);
    expect(left('2026-03-02T11:00:00.000Z', 'violation')).toEqual(['1L measured again: violation']);
    expect(left('2026-03-02T11:00:00.000Z', 'not-judged')).toHaveLength(1);
    expect(left('2026-03-02T11:00:00.000Z', 'within')).toEqual([]);
    expect(stillToRemeasure([step], [], since)).toHaveLength(1);
    expect(stillToRemeasure([step], reading('2026-03-02T11:00:00.000Z', 'within'), null)).toHaveLength(1);
  });
  test('one person’s acts come in their order, whatever the clock said; of another’s only what is surely later counts', () => {
    const [step] = toRemeasure(unit, [defect('stroke-applied')]);
    if (!step) throw new Error('no step');
    const finished = { at: '2026-03-02T10:00:00.000Z', by: 'mender' };
    const left = (by: string, at: string, recordedAt: string) =>
      stillToRemeasure([step], [{ key: 'stroke-applied@1L', verdict: 'within', by, at, recordedAt }], finished).length;
    expect(left('mender', '2006-03-02T09:00:00.000Z', '2026-03-02T10:00:01.000Z')).toBe(0);
    expect(left('mender', '2026-03-02T11:00:00.000Z', '2026-03-02T09:59:00.000Z')).toBe(1);
    expect(left('other', '2026-03-02T09:30:00.000Z', '2026-03-02T11:00:00.000Z')).toBe(1);
    expect(left('other', '2026-03-02T10:30:00.000Z', '2026-03-02T11:00:00.000Z')).toBe(0);
  });
});

const barriersOf = (asked: Omit<Parameters<typeof releaseBarriers>[0], 'book'>) =>
  releaseBarriers({ book: 'na', ...asked }).map((each) => sentences([each]));

describe('release', () => {
  const certified = { code: 'chamber-leak', place: '1L', state: 'certified', holds: true } as const;
  test('waits for every holding defect and for no standing reading past a legal limit', () => {
    expect(barriersOf({ held: true, defects: [certified], readings: [] })).toEqual([]);
    expect(barriersOf({ held: true, defects: [{ ...certified, state: 'done' }], readings: [] })).toHaveLength(1);
    expect(
      barriersOf({
        held: true,
        defects: [{ ...certified, code: 'door-seal', state: 'done', holds: false }],
        readings: [],
      }),
    ).toEqual([]);
    expect(
      barriersOf({ held: true, defects: [], readings: [{ place: '1L', kind: 'lining', verdict: 'violation' }] }),
    ).toHaveLength(1);
    expect(
      barriersOf({ held: true, defects: [], readings: [{ place: '1L', kind: 'lining', verdict: 'shop-limit' }] }),
    ).toEqual([]);
  });
  test('what its book holds is not released by an answer: it is repaired, or nothing is found', () => {
    const cracked = { code: 'lining-cracked', place: '2L', holds: false } as const;
    const at = (state: 'triaged' | 'certified' | 'no-fault') =>
      barriersOf({ held: true, defects: [{ ...cracked, state }], readings: [] });
    expect(at('triaged')).toEqual([expect.stringMatching(/^2L: Lining crack.* – triaged, not certified\.$/)]);
    expect(at('certified')).toEqual([]);
    expect(at('no-fault')).toEqual([]);
    // A lamp that stops nothing is a violation that does not hold.
    expect(
      barriersOf({ held: true, defects: [{ ...cracked, code: 'lamp-out', state: 'triaged' }], readings: [] }),
    ).toEqual([]);
  });
  test('only a held trailer is released', () => {
    expect(barriersOf({ held: false, defects: [], readings: [] })).toEqual(['The trailer is not held.']);
  });
});

describe('what is measured again', () => {
  const trailer: Unit = {
    id: 'T2',
    kind: 'semitrailer',
    axles: [
      { brake: 's-cam', tyres: 'dual', hub: 'oil' },
      { brake: 's-cam', tyres: 'dual', hub: 'oil' },
    ],
  };
  const at = (
    code: string,
    axle: number | null,
    side: 'left' | 'right' | null,
    tyre: 'inner' | 'outer' | null = null,
  ) => ({
    code,
    axle,
    side,
    tyre,
  });
  test('comparing the tires of a dual is settled by reading both', () => {
    expect(keys(toRemeasure(trailer, [at('dual-tread', 1, 'left')]))).toEqual(['1l inner tread', '1l outer tread']);
    expect(keys(toRemeasure(trailer, [at('dual-pair', 1, 'left', 'outer')]))).toEqual(['1l outer tread']);
    expect(keys(toRemeasure(trailer, [at('dual-pressure', 1, 'left')]))).toEqual([
      '1l inner pressure',
      '1l outer pressure',
    ]);
  });
  test('heat is not read again on what may not run: what makes it is, at both ends where they were compared', () => {
    expect(keys(toRemeasure(trailer, [at('wheel-temperature', 1, 'left')]))).toEqual([
      '1l  end-play',
      '1l  stroke-free',
    ]);
    expect(keys(toRemeasure(trailer, [at('wheel-temperature-apart', 1, 'left')]))).toEqual([
      '1l  end-play',
      '1l  stroke-free',
      '1r  end-play',
      '1r  stroke-free',
    ]);
  });
  test('a drum moves the stroke', () => {
    expect(keys(toRemeasure(trailer, [at('drum', 2, 'right')]))).toEqual(['2r  drum', '2r  stroke-applied']);
  });
  test('a check or an air test keeps what it is about', () => {
    expect(toRemeasure(trailer, [at('air-test:low-air', null, null)])).toEqual([
      { kind: 'air-test', item: 'low-air', axle: null, side: null, tyre: null },
    ]);
    expect(toRemeasure(trailer, [at('check:spring', 1, 'left')])).toMatchObject([
      { kind: 'check', item: 'spring', axle: 1, side: 'left', tyre: null },
    ]);
  });
  test('a mud flap keeps its side, a kingpin has none', () => {
    expect(toRemeasure(trailer, [at('mud-flap', null, 'right')])).toMatchObject([{ kind: 'mud-flap', side: 'right' }]);
    expect(toRemeasure(trailer, [at('king-pin-worn', null, 'right')])).toMatchObject([
      { kind: 'king-pin', side: null },
    ]);
  });
  test('what nobody knows asks for nothing', () =>
    expect(toRemeasure(trailer, [at('no such code', 1, 'left')])).toEqual([]));
  test('places come front to rear, left before right', () => {
    const steps = toRemeasure(trailer, [at('hub-oil', 2, 'left'), at('hub-oil', 1, 'right'), at('lining', 1, 'left')]);
    expect(keys(steps)).toEqual(['1l  lining', '1l  stroke-applied', '1r  hub-oil', '2l  hub-oil']);
  });
  test('each place says why it is not closed', () => {
    const [step] = toRemeasure(trailer, [at('lining', 1, 'left')]);
    if (!step) throw new Error('no step');
    const finished = { at: '2026-03-02T10:00:00.000Z', by: 'mender' };
    const reading = (verdict: 'out-of-service' | 'shop-limit') => [
      { key: 'lining@1L', verdict, by: 'mender', at: finished.at, recordedAt: finished.at },
    ];
    expect(stillToRemeasure([step], reading('out-of-service'), finished)).toEqual([
      { step, because: '1L measured again: out-of-service' },
    ]);
    expect(stillToRemeasure([step], reading('shop-limit'), finished)).toEqual([]);
    expect(
      stillToRemeasure([step], [{ ...reading('shop-limit')[0], key: 'lining@1R' } as never], finished),
    ).toHaveLength(1);
  });
});

describe('what bars a release', () => {
  const lining = { place: '1L', kind: 'lining', verdict: 'violation' as const };
  const defect = { code: 'lining', place: '1L', state: 'triaged' as const, holds: true };
  test('is said in words, a defect and its reading once', () => {
    expect(barriersOf({ held: true, defects: [defect], readings: [lining] })).toEqual([
      '1L: Lining past its limit – triaged, not certified.',
    ]);
    expect(barriersOf({ held: true, defects: [defect], readings: [{ ...lining, place: '2L' }] })).toEqual([
      '1L: Lining past its limit – triaged, not certified.',
      '2L: Lining past its limit at its last reading.',
    ]);
    expect(barriersOf({ held: true, defects: [], readings: [{ ...lining, verdict: 'out-of-service' }] })).toEqual([
      '1L: Lining past its limit at its last reading.',
    ]);
  });
  test('what a check found holds as its defect alone', () => {
    const check = { place: '1L', kind: 'check:spring', verdict: 'violation' as const };
    expect(barriersOf({ held: true, defects: [], readings: [check] })).toEqual([]);
  });
});

test('a torque far from what such wheels take is asked about, whatever its unit', () => {
  expect(torqueDoubt('475 lb-ft', 'hub-m22')).toBeNull();
  expect(torqueDoubt('644 N·m', 'hub-m22')).toBeNull();
  expect(torqueDoubt('475 N·m', 'hub-m22')).toContain('450 lb-ft to 500 lb-ft');
  expect(torqueDoubt('475 lb-ft', 'hub-m20')).toContain('Does the maker say 475 lb-ft?');
  expect(torqueDoubt('much', 'hub-m20')).toBeNull();
});
