import fc from 'fast-check';
import { BOOKS, type BookId, bookFor, type FleetLimit, limitNm, VERDICTS, type Verdict } from '../limits';
import { formatLike } from '../measure';
import { goodReading, type Reading, STEP_KINDS } from '../reading';
import { ask, at, first, type More } from '../testing/judging';
import type { Axle } from '../trailer';
import { type JudgeAnswer, judge } from '.';

const fleet = (tightens: string, value: string): FleetLimit => ({
  id: `own-${tightens}`,
  tightens,
  value,
  reason: 'ours',
  by: 'Wyn',
  at: '2026-01-01',
});
const stroke = (value: string, reservoir?: string) => ({
  kind: 'stroke-applied',
  ...at,
  value,
  ...(reservoir ? { reservoir } : {}),
});
const OWN_STROKE = { limits: [fleet('stroke.clamp.30.standard', '1 3/4 in')] };

describe('what the law leaves open stays open', () => {
  test.each([['60 psi'], [undefined]])('a stroke past the fleet’s limit at %s', (reservoir) => {
    const answer = ask([stroke('1 7/8 in', reservoir)], OWN_STROKE);
    const said = answer.findings.filter(({ kind, side }) => kind === 'stroke-applied' && side === 'left');
    expect(said.map(({ verdict }) => verdict)).toEqual(['shop-limit', 'not-judged']);
    expect(answer.units[0]).toMatchObject({ complete: false, brakes: { measured: 0, defectiveAtMost: 2 } });
  });

  test('at the prescribed pressure the fleet’s breach alone is said, and the brake is measured', () => {
    const answer = ask([stroke('1 7/8 in', '95 psi')], OWN_STROKE);
    expect(answer.units[0]?.brakes.measured).toBe(1);
    expect(first(stroke('1 7/8 in', '95 psi'), OWN_STROKE)).toMatchObject({ verdict: 'shop-limit', limit: '1 3/4 in' });
  });

  test('a stroke that only too much air takes past the fleet’s limit is open', () => {
    const said = ask([stroke('1 7/8 in', '110 psi')], OWN_STROKE).findings.filter((each) => each.measured !== null);
    expect(said.map(({ verdict }) => verdict)).toEqual(['within']);
    expect(ask([stroke('1 7/8 in', '110 psi')], OWN_STROKE).units[0]?.verdict).toBe('not-judged');
  });
});

test('the mark on a drum stays law whatever the fleet adds', () => {
  const drum = { kind: 'drum', ...at, value: '16.65 in', marked: '16.620 in' };
  expect(first(drum, { limits: [fleet('drum.16-5', '16.6 in')] })).toMatchObject({ verdict: 'violation' });
});

test('the maker’s mark on a lining is law in Great Britain', () => {
  const axle = { maker: { lining: { value: '3 mm', source: 'wear mark' } } };
  expect(first({ kind: 'lining', ...at, points: ['2 mm'] }, { book: 'gb', axle })).toMatchObject({
    verdict: 'violation',
  });
});

test('the band forgives by the law’s figure, and the fleet’s comes after it', () => {
  const tread = { kind: 'tread', ...at, tyre: 'outer', grooves: [['0.5 mm', '4 mm', '4 mm', '4 mm']] };
  expect(first(tread, { book: 'gb' })).toMatchObject({ verdict: 'within', measured: '4 mm', margin: '3 mm' });
  expect(first(tread, { book: 'gb', limits: [fleet('tread.all', '3 mm')] })).toMatchObject({ verdict: 'shop-limit' });
});

const AXLES: Partial<Axle>[] = [
  {},
  { brake: 'air-disc' },
  { brake: 'wedge' },
  { brake: 'hydraulic-drum', chamber: null },
  { maker: { lining: { value: '5/16 in', source: 'mark' }, 'stroke-applied': { value: '1 7/8 in', source: 'mark' } } },
  { maker: { drum: { value: '16.7 in', source: 'cast' }, tread: { value: '3/32 in', source: 'manual' } } },
];

const places = (value: number) => value.toFixed(5);
const lengths = fc.integer({ min: 0, max: 80 }).map((count) => `${count / 32} in`);
const pressures = fc.integer({ min: 0, max: 140 }).map((psi) => `${psi} psi`);
const ITEMS: Record<string, [string, string]> = {
  check: ['chamber', 'spring'],
  'air-test': ['low-air', 'leak-released'],
};
/** A reading of a kind, good but for its figures. */
const readings: fc.Arbitrary<Reading> = fc
  .record({
    kind: fc.constantFrom(...STEP_KINDS),
    a: lengths,
    b: lengths,
    psi: pressures,
    low: pressures,
    odd: fc.boolean(),
  })
  .map(({ kind, a, b, psi, low, odd }) => {
    const good = goodReading(kind, { axle: 1, side: 'left', tyre: 'outer', item: ITEMS[kind]?.[odd ? 1 : 0] });
    const change: Record<string, object> = {
      'stroke-applied': { value: a, reservoir: odd ? psi : undefined },
      'stroke-free': { value: a },
      'scribe-marks': { marks: [a, b] },
      lining: { points: [a, b] },
      drum: { value: `${places(16.4 + Number.parseFloat(a) / 5)} in`, marked: odd ? '16.620 in' : undefined },
      rotor: { value: `${places(35 + Number.parseFloat(a) * 4)} mm` },
      tread: { grooves: [[a, b, a, b]] },
      'end-play': { value: `${places(Number.parseFloat(a) / 300)} in` },
      'king-pin': { pin: [`${places(1.8 + Number.parseFloat(a) / 13)} in`, '1.95 in'], collar: ['2.8 in', '2.7 in'] },
      'wheel-play': { value: `${places(Number.parseFloat(a) * 2)} in`, wheel: '20 in', power: odd },
      'mud-flap': { value: `${places(Number.parseFloat(a) * 5)} in` },
      dual: { diameters: ['40 in', `${places(39 + Number.parseFloat(b))} in`], size: odd ? 'small' : 'large' },
      'air-test': odd ? { start: '110 psi', end: psi } : { value: low, cutOut: psi },
    };
    const all = { ...good, ...change[kind] } as Record<string, unknown>;
    return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as unknown as Reading;
  });

/** How bad a verdict is: what is open is no worse than a fault, and no better than a pass. */
const badness = (verdict: Verdict): number =>
  verdict === 'not-judged' ? 0.5 : VERDICTS.indexOf('within') - VERDICTS.indexOf(verdict);

/** How bad an answer is, part by part: none of it may become less. */
function gravity({ units, findings }: JudgeAnswer): number[] {
  const [unit] = units;
  if (!unit) throw new Error('no unit');
  const { defective, defectiveAtMost, measured } = unit.brakes;
  const worst = Math.max(...findings.map(({ verdict }) => badness(verdict)));
  const shares = findings.reduce((sum, { share }) => sum + share, 0);
  return [worst, badness(unit.verdict), unit.complete ? 0 : 1, shares, defective, defectiveAtMost, -measured];
}

test.each<BookId>(['na', 'gb'])('in book %s a stricter limit never improves anything', (id) => {
  const shipped = BOOKS[id].limits.filter(({ judges }) => judges === 'verdict');
  const down = ({ is }: (typeof shipped)[number]) => is === 'at-most' || is === 'less-than';
  fc.assert(
    fc.property(
      readings,
      fc.constantFrom(...AXLES),
      fc.array(fc.record({ limit: fc.constantFrom(...shipped), by: fc.integer({ min: 1, max: 9 }) }), {
        minLength: 1,
        maxLength: 60,
      }),
      (reading, axle, tightened) => {
        const limits = tightened.map(({ limit, by }) => {
          const amount = Math.round((limitNm(limit) * (down(limit) ? 10 - by : 10 + by)) / 10);
          return fleet(limit.id, formatLike(amount, limit.value));
        });
        const more: More = { book: id, axle };
        const before = gravity(ask([reading as never], more));
        const after = gravity(ask([reading as never], { ...more, limits }));
        for (const [index, was] of before.entries()) expect(after[index]).toBeGreaterThanOrEqual(was);
      },
    ),
    { numRuns: fc.readConfigureGlobal().numRuns ?? 600 },
  );
});

test('a fleet’s book has the shipped limits in it', () => {
  const own = bookFor({ book: 'na', policies: {}, limits: [fleet('tread.other', '4/32 in')] });
  expect(own.limits.some(({ from }) => from === 'fleet')).toBe(true);
  expect(judge({ book: 'na', units: [], readings: [] } as never, { book: own }).findings).toEqual([]);
});
