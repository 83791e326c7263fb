import fc from 'fast-check';
import { CATALOGUE, catalogueEntry, severityOf } from '../catalogue';
import { sentences } from '../words';
import { holdsFromReport } from './holding';
import { comeBackCode, proposalFor, type Repaired, type Reported } from './propose';

const report = (change: Partial<Reported> = {}): Reported => ({
  id: '2',
  code: 'chamber-leak',
  axle: 1,
  side: 'left',
  tyre: null,
  words: '',
  holds: false,
  measured: false,
  ...change,
});
const repaired = (change: Partial<Repaired> = {}): Repaired => ({
  id: '0',
  code: 'chamber-leak',
  axle: 1,
  side: 'left',
  tyre: null,
  job: 'J',
  by: 'Tomas Rask',
  on: '2026-03-01',
  ...change,
});
const ask = (one: Reported, more: { open?: Reported[]; repaired?: Repaired[] } = {}) =>
  proposalFor(one, { book: 'na' }, { open: [], repaired: [], today: '2026-03-20', ...more });

test.each([
  ['brake-dragging', '', 'hold', 'repair'],
  ['lamp-out', '', 'before-use', 'repair'],
  ['lining-oil', '', 'hold', 'repair'],
  ['unsure-brake', '', 'measure-first', 'measure'],
  ['other-end', 'it pulls', 'next-visit', 'repair'],
])('%s, “%s”: %s', (code, words, severity, answer) => {
  const own = code === 'lamp-out' ? { axle: null, side: null } : {};
  expect(ask(report({ code, words, ...own }))).toMatchObject({ severity, answer });
});

test.each([
  ['brake-dragging', true],
  ['hub-hot', true],
  ['unsure-brake', true],
  ['unsure-braking', true],
  ['unsure-wheel', true],
  ['unsure-coupling', true],
  ['unsure-tyre', false],
  ['unsure-lamps', false],
  ['rust-trail', true],
  ['drum-blue', false],
  ['chamber-leak', true],
  ['lamp-out', false],
  ['lamp-stop-out', true],
  ['lamp-turn-out', true],
  ['abs-lamp', false],
])('%s holds from the report on: %s', (code, holds) => {
  expect([holdsFromReport(code, { book: 'na' }), ask(report({ code })).holds]).toEqual([holds, holds]);
});

test('what does not hold is not said to, and why', () => {
  const { said, severity } = ask(report({ code: 'lamp-out', axle: null, side: null }));
  expect([severity, sentences(said)]).toEqual(['before-use', expect.stringContaining('does not hold it')]);
  expect(sentences(ask(report({ code: 'unsure-brake' })).said)).toContain('Held until somebody answers');
});

test('what a driver says of a tire is measured first, unless it was measured already', () => {
  expect(ask(report({ code: 'tyre-nail', words: 'feels soft' }))).toMatchObject({ severity: 'measure-first' });
  expect(ask(report({ code: 'tyre-nail', words: 'feels soft', measured: true }))).toMatchObject({
    severity: 'next-visit',
  });
});

test('never looser than the rule, whatever is said or was repaired', () => {
  const words = fc.constantFrom('', 'soft', 'not sure', 'can wait');
  fc.assert(
    fc.property(fc.constantFrom(...CATALOGUE), words, fc.boolean(), fc.boolean(), (entry, said, holds, measured) => {
      const whole = entry.where === 'unit' ? { axle: null, side: null } : {};
      const own = report({ code: entry.code, words: said, holds, measured, ...whole });
      const proposal = ask(own, { open: [own], repaired: [repaired({ code: entry.code, ...whole })] });
      const verdict = severityOf(entry.code, 'na')?.verdict;
      if (verdict === 'out-of-service') expect(proposal.severity).toBe('hold');
      if (verdict === 'violation') expect(['hold', 'before-use']).toContain(proposal.severity);
      if (holds || verdict === 'out-of-service') expect(proposal.holds).toBe(true);
    }),
  );
});

test.each([
  ['the same code at the same place', report({ id: '1' }), '1'],
  ['one that does not say what', report({ id: '1', code: 'unsure-brake' }), '1'],
  ['another end', report({ id: '1', side: 'right' }), null],
  ['another part', report({ id: '1', code: 'tyre-flat' }), null],
  ['a later one', report({ id: '3' }), null],
])('%s is proposed to be joined: %#', (_, other, joins) => {
  const proposal = ask(report(), { open: [other, report()] });
  expect([proposal.joins, proposal.answer]).toEqual([joins, joins ? 'join' : 'repair']);
});

test('what was repaired lately at its place may have come back, and says by whom', () => {
  expect(ask(report(), { repaired: [repaired()] })).toMatchObject({
    comeBackOf: { job: 'J' },
    said: expect.arrayContaining([{ code: 'repaired-before', args: { days: 19, by: 'Tomas Rask' } }]),
  });
  for (const other of [repaired({ on: '2026-01-18' }), repaired({ axle: 2 }), repaired({ code: 'tyre-flat' })])
    expect(ask(report(), { repaired: [other] }).comeBackOf).toBeNull();
});

test('what is seen again after a repair has a code that can be reported', () => {
  expect(comeBackCode({ code: 'chamber-leak', axle: 2 })).toBe('chamber-leak');
  expect(comeBackCode({ code: 'stroke-applied', axle: 1 })).toBe('unsure-brake');
  expect(comeBackCode({ code: 'dual-tread', axle: 1 })).toBe('unsure-tyre');
  expect(comeBackCode({ code: 'air-test:low-air', axle: null })).toBe('unsure-air');
  for (const code of ['stroke-applied', 'tread', 'hub-oil', 'mud-flap', 'wheel-play'])
    for (const axle of [1, null]) {
      const entry = catalogueEntry(comeBackCode({ code, axle }));
      expect(entry && (entry.where === 'unit') === (axle === null)).toBe(true);
    }
});
