import fc from 'fast-check';
import { foundDefects } from '../inspection/found';
import { settle, takenBack } from '../inspection/settle';
import { bookFor, type KeptCheck, ownCheckSchema, ownChecksSchema } from '../limits';
import { defectWords, type Reading, readingKey } from '../reading';
import { judgeReading } from './rules';
import { compareVerdicts } from './verdict';

const WINCH: KeptCheck = {
  name: 'Winch straps',
  part: 'body',
  at: 'side',
  good: 'Whole, dry, rolled up',
  signs: [
    { sign: 'Frayed', presses: 'next-visit' },
    { sign: 'Torn through', presses: 'hold' },
  ],
  version: 1,
  saved: { by: 'Ilse', at: '2026-03-01T08:00:00Z' },
};
const TIES: KeptCheck = {
  ...WINCH,
  name: 'Door ties',
  at: 'unit',
  signs: [],
  figure: { unit: '', least: '4', presses: 'before-use' },
};
const book = bookFor({ book: 'na', policies: {}, limits: [], checks: [WINCH, TIES] });
const look = (found: string[]) =>
  ({ kind: 'own-check', check: 'Winch straps', side: 'left', found }) as const satisfies Reading;
const count = (value?: string): Reading => ({
  kind: 'own-check',
  check: 'Door ties',
  found: [],
  ...(value === undefined ? {} : { value }),
});
const AXLE = { brake: 's-cam', tyres: 'single', hub: 'oil' } as const;
const unit = { id: 'T', kind: 'semitrailer' as const, axles: [AXLE] };
const stands = (value: Reading) => ({
  key: readingKey(value),
  kind: value.kind,
  value,
  at: '2026-03-02T10:00:00.000Z',
  inspection: 'i1',
  open: false,
});
const settled = (value: Reading) => settle(book, unit, { standing: [stands(value)], told: [] });

test.each([
  [look([]), 'within'],
  [look(['Frayed']), 'shop-limit'],
  [look(['Frayed', 'Torn through']), 'shop-limit'],
  [count(), 'not-judged'],
  [count('3'), 'shop-limit'],
  [count('3.99'), 'shop-limit'],
  [count('4'), 'within'],
  [count('4.0'), 'within'],
  [count('10'), 'within'],
])('%j is %s', (reading, verdict) => expect(judgeReading(book, null, reading as Reading).verdict).toBe(verdict));

test('each sign is a report under its own code and words, and what holds does so from then on', () => {
  const { report } = settled(look(['Frayed', 'Torn through']));
  expect(report.map(({ code, holds }) => [defectWords(code), holds])).toEqual([
    ['Winch straps: Frayed', false],
    ['Winch straps: Torn through', true],
  ]);
  expect(settled(look([])).report).toEqual([]);
  expect(settled(count('3')).report).toMatchObject([{ code: 'own-check:Door ties', verdict: 'shop-limit' }]);
  expect(defectWords('own-check:Door ties')).toBe('Door ties past its limit');
  expect(settled(count()).report).toEqual([]);
});

test('it is never green for what it did not look at, and stands in no judgment of the unit: its report does', () => {
  expect(settled(look([])).judged.units[0]).toMatchObject({ complete: false });
  expect(foundDefects(settled(look(['Frayed'])).judged.findings, [], { book: 'na' })).toEqual([]);
});

test('a correction takes back what the sign alone had said', () => {
  const was = look(['Torn through']);
  const [told] = settled(was).report;
  if (!told) throw new Error('nothing was reported');
  const known = { ...told, id: 'd', state: 'reported' as const, endedAt: null };
  const correction = { inspection: 'i1', was };
  expect(takenBack(correction, [known], settled(look(['Frayed'])).faults).withdraw).toHaveLength(1);
  expect(takenBack(correction, [known], settled(was).faults).withdraw).toEqual([]);
});

test('one sign more never judges better', () => {
  const signs = fc.subarray(WINCH.signs.map(({ sign }) => sign));
  fc.assert(
    fc.property(signs, fc.constantFrom('Frayed', 'Torn through'), (found, more) => {
      const verdict = (of: string[]) => judgeReading(book, null, look(of)).verdict;
      expect(compareVerdicts(verdict([...new Set([...found, more])]), verdict(found))).toBeLessThanOrEqual(0);
    }),
  );
});

test('a check that is asked no more has no verdict where nothing was found, and keeps what was', () => {
  const without = bookFor({ book: 'na', policies: {}, limits: [] });
  expect(judgeReading(without, null, look([])).verdict).toBe('not-judged');
  expect(judgeReading(without, null, look(['Torn through']))).toMatchObject({ verdict: 'shop-limit' });
});

const { version: _, saved: __, ...asked } = WINCH;
test.each([
  [{ ...asked, signs: [] }, 'what may be seen instead'],
  [{ ...asked, signs: [...asked.signs, ...asked.signs] }, 'two signs are the same'],
  [{ ...asked, name: 'Winch: straps' }, 'without @ : | ;'],
  [{ ...asked, figure: { unit: 'mm', least: '4', most: '3', presses: 'hold' } }, 'the least is more than the most'],
])('%# is refused with a sentence', (check, said) =>
  expect(JSON.stringify(ownCheckSchema.safeParse(check).error?.issues)).toContain(said),
);
test('two checks of one name are refused', () => expect(ownChecksSchema.safeParse([asked, asked]).success).toBe(false));
