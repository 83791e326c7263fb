import { bookFor, limitFor, meantFor, plainBook } from '../limits';
import { must, parseLength } from '../measure';
import { BENCH_KINDS } from '../reading';
import { at, first, ownLimit } from '../testing/judging';

const governor = (cutIn: string, cutOut: string) => first({ kind: 'air-test', test: 'governor', cutIn, cutOut });

test('both ends of a governor are judged', () => {
  expect(governor('102 psi', '125 psi').verdict).toBe('within');
  expect(governor('102 psi', '126 psi')).toMatchObject({
    verdict: 'shop-limit',
    limit: '125 psi',
    measured: 'in 102 psi, out 126 psi',
  });
  expect(governor('99 psi', '125 psi')).toMatchObject({ verdict: 'shop-limit', limit: '100 psi' });
});

test('a chamber is told by its type, its size and its stroke', () => {
  const limit = (type: 'clamp' | 'rotochamber', size: string, stroke?: 'standard' | 'long') =>
    limitFor(plainBook('na'), 'stroke-applied', {
      brake: 's-cam',
      chamber: { type, size, ...(stroke ? { stroke } : {}) },
    })?.value;
  expect([limit('clamp', '9'), limit('rotochamber', '9')]).toEqual(['1 3/8 in', '1 1/2 in']);
  expect([limit('clamp', '20'), limit('clamp', '20', 'standard'), limit('clamp', '20', 'long')]).toEqual([
    '1 3/4 in',
    '1 3/4 in',
    '2 in',
  ]);
  expect([limit('clamp', '24'), limit('clamp', '30')]).toEqual(['1 3/4 in', '2 in']);
  expect(limit('clamp', '30', 'long')).toBe('2 1/2 in');
});

test('among limits that are kept, or passed alike, the strictest is the one that is said', () => {
  const stroke = (value: string) =>
    first(
      { kind: 'stroke-applied', ...at, value, reservoir: '95 psi' },
      { limits: [ownLimit('stroke.clamp.30.standard', '1 3/4 in')] },
    );
  expect(stroke('1 1/2 in')).toMatchObject({ verdict: 'within', limit: '1 3/4 in', margin: '1/4 in' });
  expect(stroke('1 7/8 in')).toMatchObject({ verdict: 'shop-limit', limit: '1 3/4 in' });
  expect(stroke('2 1/8 in')).toMatchObject({ verdict: 'violation', limit: '2 in', share: 0.5 });
  expect(stroke('1 1/2 in').because).toMatch(
    'Limits that apply: 1 3/4 in (the fleet), 2 in (the book). The first decides.',
  );
});

test('a figure meant for some parts says nothing of others, to the edge', () => {
  const drum = (value: string) => first({ kind: 'drum', ...at, value });
  expect(drum('16.500 in')).toMatchObject({ verdict: 'within', limit: '16.620 in' });
  expect(drum('16.499 in')).toMatchObject({
    verdict: 'not-judged',
    because: expect.stringMatching('marked on this drum'),
  });
  expect(drum('16.620 in').verdict).toBe('within');
  expect(drum('16.621 in').verdict).toBe('violation');
  const rotor = (value: string) => first({ kind: 'rotor', ...at, value }, { axle: { brake: 'air-disc' } });
  expect([
    rotor('45 mm').verdict,
    rotor('45.001 mm').verdict,
    rotor('37 mm').verdict,
    rotor('36.999 mm').verdict,
  ]).toEqual(['within', 'not-judged', 'within', 'violation']);
  const nm = (text: string) => must(parseLength(text, 'none'));
  const meant = { appliesTo: { from: '1 in', to: '2 in' } } as never;
  expect(['0.999 in', '1 in', '2 in', '2.001 in'].map((text) => meantFor(meant, nm(text)))).toEqual([
    false,
    true,
    true,
    false,
  ]);
});

test('what takes the bench is no part of a driver’s walk', () => {
  expect([...BENCH_KINDS].sort()).toEqual([
    'drum',
    'end-play',
    'king-pin',
    'lining',
    'rotor',
    'scribe-marks',
    'stroke-applied',
    'stroke-free',
    'wheel-temperature',
  ]);
});

test('a fleet’s limit stands beside the one it tightens, and is withdrawn by the looser book', () => {
  const book = bookFor({
    book: 'na',
    policies: {},
    limits: [ownLimit('tread.other', '3/32 in'), ownLimit('tread.front', '2/32 in')],
  });
  const fleets = book.limits.filter(({ from }) => from === 'fleet');
  expect(fleets).toMatchObject([{ id: 'fleet.tread.other', value: '3/32 in', fails: 'shop-limit', sure: 'practice' }]);
});
