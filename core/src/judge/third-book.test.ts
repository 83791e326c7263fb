import { CATALOGUE } from '../catalogue';
import { BOOKS, plainBook } from '../limits';
import { AXLE } from '../testing/axle';
import { METRIC_BOOK } from '../testing/books/metric';
import type { Given } from '../testing/judging';
import { judge, keptJudgeRequestSchema } from '.';

const at = { axle: 1, side: 'left' };

/** What another book than those that ship says of a reading on a one-axle trailer. */
function verdictBy(book: typeof METRIC_BOOK, reading: Given) {
  const request = keptJudgeRequestSchema.parse({
    book: 'na',
    units: [{ id: 'T', kind: 'semitrailer', axles: [AXLE] }],
    readings: [{ unit: 'T', ...reading }],
  });
  const own = judge(request, { book }).findings.filter(
    ({ kind, measured }) => kind === reading.kind && measured !== null,
  );
  return own.map(({ verdict, rule }) => [verdict, rule]);
}

test.each([
  ['lining of 3 mm', { kind: 'lining', ...at, points: ['3 mm'] }, 'violation'],
  ['lining of 4 mm', { kind: 'lining', ...at, points: ['4 mm'] }, 'within'],
  ['a stroke of 51 mm', { kind: 'stroke-applied', ...at, value: '51 mm', reservoir: '6.5 bar' }, 'violation'],
])('a metric book judges %s by its own figure', (_, reading, verdict) => {
  expect(verdictBy(METRIC_BOOK, reading)).toEqual([[verdict, 'Made up']]);
});

test('a sign is as severe as the book says that judges, and no other', () => {
  const sign = { kind: 'defect', code: 'chamber-leak', ...at };
  expect(verdictBy(METRIC_BOOK, sign)).toEqual([['out-of-service', 'Made up']]);
  const { verdict, rule } = BOOKS.na.severities['chamber-leak'] ?? {};
  expect(verdictBy(plainBook('na'), sign)).toEqual([[verdict, rule]]);
  expect(verdict).not.toBe('out-of-service');
});

test('every book says how severe every sign of the catalog is, and knows no other', () => {
  const codes = CATALOGUE.map(({ code }) => code).sort();
  for (const book of [...Object.values(BOOKS), METRIC_BOOK])
    expect([book.id, Object.keys(book.severities).sort()]).toEqual([book.id, codes]);
});
