import fc from 'fast-check';
import { CATALOGUE, CHECKS, isCaseOf } from '../catalogue';
import { holdsFromReport } from '../defects';
import { plainBook } from '../limits';
import { contradiction, type ReadingOf, readingText } from '../reading';
import { judgeReading } from '.';
import { compareVerdicts } from './verdict';

const NA = plainBook('na');
const seen = (check: string, found: string, more: Partial<ReadingOf<'check'>> = {}): ReadingOf<'check'> => ({
  kind: 'check',
  check,
  found: [found],
  ...more,
});
const verdict = (reading: ReadingOf<'check'>) => judgeReading(NA, null, reading).verdict;

test('no stop lamp, or no turn signal on a side, is out of service; one beside another that works is a violation', () => {
  expect(verdict(seen('lamp-brake', 'lamp-stop-none'))).toBe('out-of-service');
  expect(verdict(seen('lamp-turn-left', 'lamp-turn-none'))).toBe('out-of-service');
  expect(verdict(seen('lamp-brake', 'lamp-stop-out', { on: 'left' }))).toBe('violation');
  expect(judgeReading(NA, null, seen('lamp-brake', 'lamp-stop-none')).sure).toBe('check');
});

test('two of two out is none that works, however it was tapped', () => {
  expect(verdict(seen('lamp-brake', 'lamp-stop-out', { lamps: { out: 1, of: 2 } }))).toBe('violation');
  expect(verdict(seen('lamp-brake', 'lamp-stop-out', { lamps: { out: 2, of: 2 } }))).toBe('out-of-service');
  expect(verdict(seen('lamp-tail', 'lamp-tail-out', { lamps: { out: 2, of: 2 } }))).toBe('violation');
  expect(readingText(seen('lamp-marker', 'lamp-marker-out', { on: 'left', lamps: { out: 1, of: 3 } }))).toBe(
    'Side marker or clearance lamp out, on the left, 1 of 3 out',
  );
});

test('how many are out makes nothing better, and no more can be out than there are', () => {
  const lamps = CHECKS.filter(({ part }) => part === 'lamps').flatMap(({ id, signs }) =>
    signs.map(({ code }) => [id, code] as const),
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...lamps),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 1, max: 12 }),
      ([check, code], out, of) => {
        const counted = seen(check, code, { lamps: { out, of } });
        if (out > of) return expect(contradiction(counted)?.path).toBe('lamps.out');
        expect(contradiction(counted)).toBeNull();
        expect(compareVerdicts(verdict(counted), verdict(seen(check, code)))).toBeLessThanOrEqual(0);
      },
    ),
  );
});

test('what was read before lamps had names of their own is still a reading', () => {
  for (const check of ['lamp-tail', 'lamp-brake', 'lamp-turn-left', 'lamp-plate'])
    expect(contradiction(seen(check, 'lamp-out'))).toBeNull();
  expect(contradiction(seen('lamp-tail', 'lamp-plate-out'))?.path).toBe('found.0');
});

test('of lamps those that stop or turn a vehicle hold it, no other', () => {
  const holding = CATALOGUE.filter(({ code }) => isCaseOf(code, 'lamp-out') && holdsFromReport(code, { book: 'na' }));
  expect(holding.map(({ code }) => code)).toEqual([
    'lamp-stop-out',
    'lamp-turn-out',
    'lamp-stop-none',
    'lamp-turn-none',
  ]);
});
