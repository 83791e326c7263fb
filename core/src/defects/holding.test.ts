import fc from 'fast-check';
import { CATALOGUE } from '../catalogue';
import { byDaylight, cannotWait, holdsFromReport, ownSignRefusal } from './holding';
import { URGENCIES, urgencyOf } from './propose';

const own = (code: string, presses: 'before-use' | 'hold') => ({
  book: 'na' as const,
  signs: [{ code, presses, reason: 'loose stones', by: 'Ilse' }],
});
const BOOK = { book: 'na' as const };
const code = fc.constantFrom(...CATALOGUE.map((each) => each.code));
const presses = fc.constantFrom('before-use' as const, 'hold' as const);
const reported = (of: string) => ({ code: of, words: '', holds: false, measured: true });
const rank = (of: string, rules: Parameters<typeof urgencyOf>[1]) =>
  URGENCIES.indexOf(urgencyOf(reported(of), rules).severity);

test('a shop’s own rule never makes any sign looser, its own or another', () => {
  fc.assert(
    fc.property(code, presses, code, (ruled, how, seen) => {
      const rules = own(ruled, how);
      expect(rank(seen, rules)).toBeLessThanOrEqual(rank(seen, BOOK));
      if (holdsFromReport(seen, BOOK)) expect(holdsFromReport(seen, rules)).toBe(true);
      if (cannotWait(seen, BOOK)) expect(cannotWait(seen, rules)).toBe(true);
    }),
  );
});

test('a rule that is not refused is stricter than its book', () => {
  fc.assert(
    fc.property(code, presses, (each, how) => {
      fc.pre(ownSignRefusal(each, how, 'na') === null);
      const rules = own(each, how);
      expect(cannotWait(each, rules)).toBe(true);
      expect(holdsFromReport(each, rules)).toBe(how === 'hold');
      expect(how === 'hold' || !cannotWait(each, BOOK)).toBe(true);
    }),
  );
});

test.each([
  ['no-such-sign', 'hold', 'no such sign'],
  ['brake-dragging', 'hold', 'already holds the unit from the report on'],
  ['lamp-plate-out', 'before-use', 'before the next use'],
  ['mud-flap-torn', 'before-use', null],
  ['lamp-plate-out', 'hold', null],
] as const)('%s, %s: %s', (each, how, said) => {
  const refusal = ownSignRefusal(each, how, 'na');
  if (said === null) expect(refusal).toBeNull();
  else expect(refusal).toContain(said);
});

test('its reason is said, and by whom', () =>
  expect(urgencyOf(reported('mud-flap-torn'), own('mud-flap-torn', 'hold'))).toEqual({
    severity: 'hold',
    said: [{ code: 'own-rule', args: { reason: 'loose stones', by: 'Ilse' } }],
  }));

test('a lamp that may be run without by daylight is one that holds nothing, and only where the book lets it', () => {
  const may = CATALOGUE.filter((each) => byDaylight(each.code, 'na')).map((each) => each.code);
  expect(may).toEqual(expect.arrayContaining(['lamp-plate-out', 'lamp-tail-out']));
  for (const each of may) expect(holdsFromReport(each, BOOK)).toBe(false);
  expect(may.filter((each) => byDaylight(each, 'gb'))).toEqual([]);
  expect(byDaylight('lamp-stop-out', 'na')).toBe(false);
});
