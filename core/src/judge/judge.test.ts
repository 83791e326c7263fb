import fc from 'fast-check';
import { type Book, plainBook, VERDICTS } from '../limits';
import { formatLength } from '../measure';
import { expectedReadings } from '../reading';
import { AXLE } from '../testing/axle';
import type { Axle, Unit } from '../trailer';
import { spoken } from '../words';
import { compareVerdicts, judge, judgeRequestSchema, type UnitReading } from '.';

const trailer = (axles = 2, change: Partial<Axle> = {}): Unit => ({
  id: 'T1',
  kind: 'semitrailer',
  axles: Array.from({ length: axles }, () => ({ ...AXLE, ...change })),
});
const at = { unit: 'T1', axle: 1, side: 'left' } as const;
const stroke = (value: string, reservoir: string | undefined = '95 psi', place = {}): UnitReading => ({
  ...at,
  kind: 'stroke-applied',
  value,
  reservoir,
  ...place,
});
const lining = (...points: string[]): UnitReading => ({ ...at, kind: 'lining', points });
const tread = (...grooves: string[][]): UnitReading => ({ ...at, tyre: 'outer', kind: 'tread', grooves });
const ask = (readings: UnitReading[], unit = trailer(), more = {}) =>
  spoken(judge({ book: 'na', units: [unit], readings, ...more }));
const first = (reading: UnitReading, unit = trailer()) => {
  const found = ask([reading], unit).findings.find(({ kind, measured }) => kind === reading.kind && measured !== null);
  if (!found) throw new Error(`no finding for ${reading.kind}`);
  return found;
};

describe('applied stroke', () => {
  test.each([
    ['2 in', 'within', 0, '0 in'],
    ['1 7/8 in', 'within', 0, '1/8 in'],
    ['2 1/64 in', 'violation', 0.5, '-1/64 in'],
    ['2 1/8 in', 'violation', 0.5, '-1/8 in'],
    ['2 15/64 in', 'violation', 0.5, '-15/64 in'],
    ['2 1/4 in', 'violation', 1, '-1/4 in'],
    ['2 1/2 in', 'violation', 1, '-1/2 in'],
    ['50.8 mm', 'within', 0, '0 in'],
    ['50.801 mm', 'violation', 0.5, '-0.00003937 in'],
  ] as const)('%s on a standard 30 is %s', (value, verdict, share, margin) => {
    expect(first(stroke(value))).toMatchObject({ verdict, share, margin, limit: '2 in', rule: '49 CFR 393.47(e)' });
  });

  test.each([
    ['clamp', '6', 'standard', '1 1/4 in'],
    ['clamp', '9', 'standard', '1 3/8 in'],
    ['clamp', '12', 'standard', '1 3/8 in'],
    ['clamp', '12', 'long', '1 3/4 in'],
    ['clamp', '16', 'standard', '1 3/4 in'],
    ['clamp', '16', 'long', '2 in'],
    ['clamp', '20', 'long', '2 in'],
    ['clamp', '20', 'long-3in', '2 1/2 in'],
    ['clamp', '24', 'standard', '1 3/4 in'],
    ['clamp', '24', 'long-3in', '2 1/2 in'],
    ['clamp', '30', 'long', '2 1/2 in'],
    ['clamp', '36', 'standard', '2 1/4 in'],
    ['bolt', 'A', undefined, '1 3/8 in'],
    ['bolt', 'B', undefined, '1 3/4 in'],
    ['bolt', 'D', undefined, '1 1/4 in'],
    ['bolt', 'F', undefined, '2 1/4 in'],
    ['bolt', 'G', undefined, '2 in'],
    ['rotochamber', '9', undefined, '1 1/2 in'],
    ['rotochamber', '36', undefined, '2 3/4 in'],
    ['rotochamber', '50', undefined, '3 in'],
    ['dual-diaphragm', '30', undefined, '2 1/4 in'],
  ] as const)('%s %s %s may move %s', (type, size, stroke_, limit) => {
    const unit = trailer(1, { chamber: { type, size, stroke: stroke_ } });
    expect(first(stroke(limit), unit)).toMatchObject({ verdict: 'within', limit, margin: '0 in' });
    expect(first(stroke('4 in'), unit)).toMatchObject({ verdict: 'violation', share: 1 });
  });

  test.each([
    ['80 psi', '2 in', 'within'],
    ['100 psi', '2 in', 'within'],
    ['80 psi', '2 1/8 in', 'violation'],
    ['100 psi', '2 1/8 in', 'violation'],
    ['79.9 psi', '2 in', 'not-judged'],
    ['79.9 psi', '2 1/8 in', 'violation'],
    ['100.1 psi', '2 in', 'within'],
    ['100.1 psi', '2 1/8 in', 'not-judged'],
    ['6.5 bar', '2 in', 'within'],
    [undefined, '2 in', 'not-judged'],
    [undefined, '2 1/8 in', 'violation'],
  ] as const)('at %s a stroke of %s is %s', (reservoir, value, verdict) => {
    const { reservoir: _, ...bare } = stroke(value) as Extract<UnitReading, { kind: 'stroke-applied' }>;
    expect(first(reservoir ? { ...bare, reservoir } : bare).verdict).toBe(verdict);
  });

  test('a failing stroke without a pressure says that it was not noted', () => {
    expect(first({ ...at, kind: 'stroke-applied', value: '2 1/8 in' }).because).toMatch('pressure was not noted');
  });

  test.each([null, undefined])('an unknown chamber (%s) gives no verdict', (chamber) => {
    expect(first(stroke('1 in'), trailer(1, { chamber }))).toMatchObject({ verdict: 'not-judged', limit: null });
  });

  test('a chamber that the book does not list gives no verdict, and says what to use', () => {
    const unit = trailer(1, { chamber: { type: 'clamp', size: '36', stroke: 'long' } });
    expect(first(stroke('1 in'), unit)).toMatchObject({
      verdict: 'not-judged',
      because: expect.stringMatching('80 %'),
    });
  });

  test('uncertain figures say so', () => {
    const unit = trailer(1, { chamber: { type: 'clamp', size: '20', stroke: 'long-3in' } });
    expect(first(stroke('2 in'), unit).sure).toBe('check');
  });
});

describe('lining', () => {
  const tractor = (change: Partial<Axle>): Unit => ({ ...trailer(1, { tyres: 'single', ...change }), kind: 'tractor' });

  test.each([
    ['trailer drum', trailer(), '1/4 in', 'within', 0],
    ['trailer drum', trailer(), '0.249999 in', 'violation', 1],
    ['trailer disc', trailer(1, { brake: 'air-disc' }), '1/8 in', 'within', 0],
    ['trailer disc', trailer(1, { brake: 'air-disc' }), '7/64 in', 'violation', 0],
    ['trailer disc', trailer(1, { brake: 'air-disc' }), '1/16 in', 'violation', 0],
    ['trailer disc', trailer(1, { brake: 'air-disc' }), '3/64 in', 'violation', 1],
    ['steer strip', tractor({ steer: true, liningStyle: 'strip' }), '3/16 in', 'within', 0],
    ['steer strip', tractor({ steer: true, liningStyle: 'strip' }), '11/64 in', 'violation', 1],
    ['steer pads', tractor({ steer: true, liningStyle: 'pads' }), '3/16 in', 'violation', 1],
    ['steer, style unknown', tractor({ steer: true }), '3/16 in', 'violation', 1],
    ['tractor drive', tractor({ steer: false }), '3/16 in', 'violation', 1],
    ['hydraulic drum', trailer(1, { brake: 'hydraulic-drum' }), '1/16 in', 'violation', 1],
    ['hydraulic disc', trailer(1, { brake: 'hydraulic-disc' }), '5/64 in', 'within', 0],
    ['electric', trailer(1, { brake: 'electric' }), '1/16 in', 'violation', 1],
  ] as const)('%s: %#', (_, unit, value, verdict, share) => {
    expect(first(lining(value), unit)).toMatchObject({ verdict, share, rule: '49 CFR 393.47(d)' });
  });

  test('the thinnest point decides, in whatever unit it was read', () => {
    expect(first(lining('3/8 in', '6 mm', '7/16 in'))).toMatchObject({ verdict: 'violation', measured: '6 mm' });
  });
});

describe('tread', () => {
  test.each([
    ['2/32', 'within'],
    ['1/32', 'violation'],
    ['1.5 mm', 'violation'],
    ['1.6 mm', 'within'],
  ])('%s on a trailer is %s', (value, verdict) => expect(first(tread([value])).verdict).toBe(verdict));

  test('front wheels of a tractor need 4/32', () => {
    const tractor: Unit = { ...trailer(1, { tyres: 'single', steer: true }), kind: 'tractor' };
    const front = (value: string): UnitReading => ({ ...at, tyre: 'single', kind: 'tread', grooves: [[value]] });
    expect(first(front('4/32'), tractor)).toMatchObject({ verdict: 'within', limit: '4/32 in' });
    expect(first(front('3/32'), tractor).verdict).toBe('violation');
  });

  test('two adjacent grooves under 1/32 at three places are out of service', () => {
    expect(first(tread(['0/32', '0/32', '4/32'], ['3/32', '0/32', '0/32'], ['0/32', '0/32', '5/32']))).toMatchObject({
      verdict: 'out-of-service',
    });
  });
  test('exactly 1/32 is at least 1/32', () => {
    const place = ['1/32', '1/32', '4/32'];
    expect(first(tread(place, place, place)).verdict).toBe('violation');
  });
  test('grooves that are not adjacent do not count', () => {
    const place = ['0/32', '4/32', '0/32'];
    expect(first(tread(place, place, place)).verdict).toBe('violation');
  });
  test('without three places it stays a violation and says what To settle whether it', () => {
    const place = ['0/32', '0/32', '4/32'];
    const found = first(tread(place, place));
    expect(found.verdict).toBe('violation');
    expect(found.because).toMatch('2 adjacent major grooves at 3 places');
    expect(first(tread(['0/32'])).because).toMatch('To settle whether');
  });
});

describe('hub', () => {
  const good = { level: 'between', condition: 'clear', leak: 'none' } as const;
  const hub = (noted: object): UnitReading => ({ ...at, kind: 'hub-oil', ...noted }) as UnitReading;

  test.each([
    [good, 'within'],
    [{ ...good, level: 'full' }, 'within'],
    [{ ...good, level: 'at-add' }, 'shop-limit'],
    [{ ...good, level: 'below-add' }, 'shop-limit'],
    [{ ...good, level: 'above-full' }, 'shop-limit'],
    [{ ...good, condition: 'milky' }, 'shop-limit'],
    [{ ...good, condition: 'metal' }, 'shop-limit'],
    [{ ...good, leak: 'seep' }, 'shop-limit'],
    [{ ...good, leak: 'outside' }, 'violation'],
    [{ ...good, leak: 'onto-lining' }, 'out-of-service'],
    [{ ...good, level: 'empty' }, 'out-of-service'],
    [{ ...good, cap: 'missing' }, 'out-of-service'],
    [{ ...good, smoking: true }, 'out-of-service'],
    [{ ...good, level: 'unreadable' }, 'not-judged'],
    [{ level: 'between' }, 'not-judged'],
    [{ level: 'between', condition: 'clear' }, 'not-judged'],
  ])('%j is %s', (noted, verdict) => expect(first(hub(noted)).verdict).toBe(verdict));

  test('a leak onto the lining counts as a defective brake', () => {
    expect(ask([hub({ ...good, leak: 'onto-lining' })]).units[0]?.brakes).toMatchObject({
      full: 1,
      outOfService: true,
    });
  });
  test('an unreadable glass with a leak is judged by the leak and stays open', () => {
    const answer = ask([hub({ ...good, level: 'unreadable', leak: 'outside' })]);
    const here = answer.findings.filter(({ kind, axle, side }) => kind === 'hub-oil' && axle === 1 && side === 'left');
    expect(here.map(({ verdict }) => verdict)).toEqual(['violation', 'not-judged']);
  });
  test('the level means nothing in a grease hub', () => {
    const unit = trailer(1, { hub: 'grease' });
    expect(first(hub({ leak: 'none' }), unit).verdict).toBe('within');
    expect(first(hub({ level: 'empty', leak: 'none' }), unit).verdict).toBe('within');
  });
});

describe('free stroke and inflation', () => {
  test.each([
    ['5/8 in', 'within'],
    ['3/8 in', 'within'],
    ['5/16 in', 'shop-limit'],
    ['1 in', 'shop-limit'],
  ])('a free stroke of %s is %s and never counts', (value, verdict) => {
    expect(first({ ...at, kind: 'stroke-free', value })).toMatchObject({ verdict, share: 0 });
  });
  test.each([
    [{ value: '100 psi', target: '100 psi' }, 'within'],
    [{ value: '98 psi', target: '100 psi', sidewallMax: '120 psi' }, 'violation'],
    [{ value: '115 psi', target: '100 psi', hot: true }, 'within'],
    [{ value: '114 psi', target: '100 psi', hot: true }, 'violation'],
    [{ value: '60 psi', target: '100 psi', sidewallMax: '120 psi' }, 'out-of-service'],
    [{ value: '98 psi' }, 'not-judged'],
  ])('%j is %s', (noted, verdict) => {
    expect(first({ ...at, tyre: 'outer', kind: 'pressure', ...noted }).verdict).toBe(verdict);
  });
});

describe('the unit', () => {
  test('two chambers of different size on one axle', () => {
    const unit = trailer(1, { ends: { right: { chamber: { type: 'clamp', size: '24', stroke: 'standard' } } } });
    expect(ask([], unit).findings[0]).toMatchObject({ kind: 'chamber-match', verdict: 'violation', axle: 1 });
  });

  test('everything expected and absent is listed, and nothing passes unmeasured', () => {
    const { findings, units } = ask([]);
    expect(findings).toHaveLength(expectedReadings(trailer()).length);
    expect(findings.every(({ verdict }) => verdict === 'not-judged')).toBe(true);
    expect(units[0]).toMatchObject({ verdict: 'not-judged', complete: false });
    expect(ask([stroke('1 in')]).units[0]?.verdict).toBe('not-judged');
  });

  test('an axle without brakes is asked for tires and hubs only', () => {
    const unit = trailer(1, { brake: 'none', chamber: null });
    expect([...new Set(ask([], unit).findings.map(({ kind }) => kind))].sort()).toEqual(['hub-oil', 'tread']);
    expect(ask([], unit).units[0]?.brakes).toMatchObject({ total: 0, outOfServiceAt: null, outOfService: false });
  });
});

describe('properties', () => {
  const kinds = fc.constantFrom('left', 'right');
  const sixteenths = fc.integer({ min: 1, max: 48 }).map((count) => formatLength(count * 1_587_500, 'fraction'));
  const reading: fc.Arbitrary<UnitReading> = fc.oneof(
    fc.record({
      unit: fc.constant('T1'),
      axle: fc.integer({ min: 1, max: 2 }),
      side: kinds,
      kind: fc.constant('stroke-applied'),
      value: sixteenths,
      reservoir: fc.constantFrom('70 psi', '85 psi', '95 psi', '110 psi'),
    }),
    fc.record({
      unit: fc.constant('T1'),
      axle: fc.integer({ min: 1, max: 2 }),
      side: kinds,
      kind: fc.constant('lining'),
      points: fc.array(sixteenths, { minLength: 1, maxLength: 4 }),
    }),
    fc.record({
      unit: fc.constant('T1'),
      axle: fc.integer({ min: 1, max: 2 }),
      side: kinds,
      tyre: fc.constantFrom('inner', 'outer'),
      kind: fc.constant('tread'),
      grooves: fc.array(fc.array(fc.constantFrom('0/32', '1/32', '2/32', '6/32'), { minLength: 1, maxLength: 4 }), {
        minLength: 1,
        maxLength: 4,
      }),
    }),
  ) as fc.Arbitrary<UnitReading>;
  const readings = fc.array(reading, { maxLength: 20 });

  test('every generated request is one the wire accepts', () => {
    fc.assert(
      fc.property(
        readings,
        (all) => judgeRequestSchema.safeParse({ book: 'na', units: [trailer()], readings: all }).success,
      ),
    );
  });

  test('shuffling readings changes nothing', () => {
    fc.assert(
      fc.property(
        readings.chain((all) => fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }))),
        ([all, shuffled]) => expect(ask(shuffled)).toEqual(ask(all)),
      ),
    );
  });

  test('adding a reading never improves a fault already found, nor lowers the count', () => {
    fc.assert(
      fc.property(readings, reading, (all, one) => {
        const before = ask(all).units[0];
        const after = ask([...all, one]).units[0];
        if (!before || !after) return false;
        const faulty = before.verdict !== 'within' && before.verdict !== 'not-judged';
        return (
          after.brakes.defective >= before.brakes.defective &&
          (!faulty || compareVerdicts(after.verdict, before.verdict) <= 0)
        );
      }),
    );
  });

  test('a stricter book never gives a milder verdict', () => {
    const na: Book = plainBook('na');
    const strict: Book = {
      ...na,
      limits: na.limits.map((limit) =>
        limit.id === 'stroke.clamp.30.standard'
          ? { ...limit, value: '1 3/4 in' }
          : limit.id === 'lining.drum'
            ? { ...limit, value: '5/16 in' }
            : limit,
      ),
    };
    fc.assert(
      fc.property(readings, (all) => {
        const mild = judge({ book: 'na', units: [trailer()], readings: all }).units[0];
        const hard = judge({ book: 'na', units: [trailer()], readings: all }, { book: strict }).units[0];
        if (!mild || !hard || mild.verdict === 'not-judged') return true;
        return compareVerdicts(hard.verdict, mild.verdict) <= 0;
      }),
    );
  });

  test('writing a stroke in millimeters never changes its verdict', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 48 }), (count) => {
        const nm = count * 1_587_500;
        const inches = first(stroke(formatLength(nm, 'fraction')));
        const metric = first(stroke(`${(nm / 1_000_000).toFixed(6)} mm`));
        return inches.verdict === metric.verdict && inches.share === metric.share && inches.margin === metric.margin;
      }),
    );
  });

  test('every verdict is one of the ladder', () => {
    fc.assert(fc.property(readings, (all) => ask(all).findings.every(({ verdict }) => VERDICTS.includes(verdict))));
  });
});
