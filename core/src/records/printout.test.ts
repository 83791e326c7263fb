import fc from 'fast-check';
import type { Sheet } from '../inspection';
import { findingWords, judge, verdictWords } from '../judge';
import { plainBook } from '../limits';
import { INCH_UNITS, METRIC_UNITS } from '../measure';
import { type Reading, readingText } from '../reading';
import { AXLE } from '../testing/axle';
import { type Unit, wheelEnds } from '../trailer';
import { spokenFinding } from '../words';
import { inspectionPrintout } from '.';

const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [{ ...AXLE, lift: true }, AXLE] };
const at = { axle: 1, side: 'left' } as const;
const FLEET = { name: 'Marsh End Growers', zone: 'Europe/London' };

/** A closed inspection with these readings, judged. */
function sheetWith(readings: Reading[], more: Partial<Sheet> = {}): Sheet {
  const answer = judge({ book: 'na', units: [unit], readings: readings.map((each) => ({ ...each, unit: 'T' })) });
  const [own] = answer.units;
  if (!own) throw new Error('no judgment');
  return {
    id: 'i',
    purpose: 'full',
    route: 'Full inspection',
    job: null,
    by: 'Ines Marlow',
    startedAt: '2026-07-01T08:00:00Z',
    closedAt: '2026-07-01T10:00:00Z',
    outcome: 'complete',
    because: null,
    verdict: own.verdict,
    dropped: null,
    unit: { id: 'T', number: 'H-90', body: 'Hopper', kind: 'semitrailer', axles: unit.axles },
    readings: readings.map((value, index) => ({
      id: `r${index}`,
      value,
      by: 'Ines Marlow',
      at: '2026-07-01T09:00:00Z',
      said: null,
      gauge: null,
      supersedes: null,
      supersededBy: null,
    })),
    before: [],
    skips: [],
    steps: null,
    sections: null,
    photos: [],
    unitChanges: [],
    judgement: {
      book: answer.book,
      verdict: own.verdict,
      complete: own.complete,
      brakes: own.brakes,
      findings: answer.findings.map(spokenFinding),
    },
    ...more,
  };
}
const paperOf = (readings: Reading[], more: Partial<Sheet> = {}) =>
  inspectionPrintout({ sheet: sheetWith(readings, more), fleet: FLEET, book: plainBook('na'), units: INCH_UNITS });

test.each<[Reading, string]>([
  [{ kind: 'lining', ...at, points: ['7/16 in', '3/8 in'] }, '3/8 in'],
  [{ kind: 'tread', ...at, tyre: 'outer', grooves: [['9/32', '7/32'], ['8/32']] }, '7/32'],
  [{ kind: 'stroke-applied', ...at, value: '1 7/8 in' }, '1 7/8 in'],
  [{ kind: 'hub-oil', ...at, level: 'between', condition: 'clear', leak: 'none' }, 'between marks'],
  [{ kind: 'hub-oil', ...at, level: 'empty', leak: 'onto-lining', smoking: true }, 'smoking, leaks on lining, empty'],
  [{ kind: 'hub-oil', ...at, leak: 'none' }, 'dry'],
  [{ kind: 'wheel-nuts', ...at, holes: 10 }, '10 tight'],
  [{ kind: 'wheel-nuts', ...at, holes: 10, loose: [1, 2], missing: [2] }, '2 of 10 loose or missing'],
  [{ kind: 'wheel-nuts', ...at, holes: 10, rust: [4] }, 'rust at 1 of 10'],
  [{ kind: 'king-pin', pin: ['1.98 in', '1.95 in'] }, '1.95 in'],
  [{ kind: 'slider-pins', pins: 4, seated: 3 }, '3 of 4 seated'],
  [{ kind: 'dual', ...at, touching: true }, 'touching'],
  [{ kind: 'dual', ...at, touching: false }, 'apart'],
  [{ kind: 'air-test', test: 'governor', cutIn: '100 psi', cutOut: '125 psi' }, 'in 100 psi, out 125 psi'],
  [
    { kind: 'air-test', test: 'leak-released', start: '100 psi', end: '99 psi', seconds: 60 },
    '100 psi to 99 psi, 60 s',
  ],
  [{ kind: 'check', check: 'jaws', found: [], how: 'seen' }, 'good'],
])('in a few characters: %j is “%s”', (reading, words) => expect(readingText(reading)).toBe(words));

test('the plan holds what stands, and not what was superseded', () => {
  const sheet = sheetWith([
    { kind: 'lining', ...at, points: ['1/2 in'] },
    { kind: 'lining', ...at, points: ['3/8 in'] },
    { kind: 'tread', ...at, tyre: 'inner', grooves: [['8/32']] },
    { kind: 'tread', ...at, tyre: 'outer', grooves: [['9/32']] },
  ]);
  const readings = sheet.readings.map((each, index) => (index === 0 ? { ...each, supersededBy: 'r1' } : each));
  const { plan } = inspectionPrintout({
    sheet: { ...sheet, readings },
    fleet: FLEET,
    book: plainBook('na'),
    units: INCH_UNITS,
  });
  expect(plan).toEqual([
    { axle: 'Axle 1, lift', ends: { left: ['Lining 3/8 in', 'Tread 9/32 / 8/32'], right: [] } },
    { axle: 'Axle 2', ends: { left: [], right: [] } },
  ]);
});

test('a fault stands with its limit, margin and rule; what is open is named by its places', () => {
  const paper = paperOf([{ kind: 'stroke-applied', ...at, value: '2 1/8 in', reservoir: '95 psi' }]);
  expect(paper.findings).toMatchObject([
    {
      place: '1L',
      what: 'Applied stroke',
      measured: '2 1/8 in',
      limit: '2 in',
      margin: '-1/8 in',
      rule: '49 CFR 393.47(e)',
    },
  ]);
  expect(paper.verdict).toBe('Violation');
  expect(paper.within).toBe(0);
  expect(paper.open).toContain('Applied stroke: 1R, 2L, 2R');
  expect(paper.brakes).toMatch(/^0 × 1 \+ 1 × ½ in pairs = 0 to 4 defective of 4 brakes; out of service at \d/);
});

test('an inspection closed incomplete says why, what was skipped, and how long it took', () => {
  const paper = paperOf([], {
    outcome: 'incomplete',
    because: 'Called away',
    skips: [{ key: 'lining@2R', reason: 'Covered in mud', by: 'Ines Marlow', at: '2026-07-01T09:00:00Z' }],
    sections: [{ id: 'ends', name: 'Ends', seconds: 300 }],
  });
  expect(paper.facts).toContainEqual(['Incomplete, because', 'Called away']);
  expect(paper.facts).toContainEqual(['Closed', '1 Jul 2026, 11:00, incomplete']);
  expect(paper.facts).toContainEqual(['Time taken', '5 min']);
  expect(paper.skips).toEqual(['Lining, 2R: Covered in mud']);
  expect(paper.verdict).toBe('No verdict');
});

test('no paper calls anything safe, and none leaves a fault out', () => {
  const parts = fc.integer({ min: 1, max: 40 }).map((count) => `${count}/32 in`);
  fc.assert(
    fc.property(fc.array(parts, { minLength: 4, maxLength: 4 }), (values) => {
      const readings = wheelEnds(unit).map(
        ({ axle: on, side }, index): Reading => ({
          kind: 'lining',
          axle: on,
          side,
          points: [values[index] ?? '1/2 in'],
        }),
      );
      const sheet = sheetWith(readings);
      const paper = inspectionPrintout({ sheet, fleet: FLEET, book: plainBook('na'), units: INCH_UNITS });
      expect(JSON.stringify(paper)).not.toMatch(/\bsafe\b/i);
      const faults = (sheet.judgement?.findings ?? []).filter(
        ({ verdict }) => verdict !== 'within' && verdict !== 'not-judged',
      );
      expect(paper.findings.map(({ place, because }) => `${place} ${because}`)).toEqual(
        faults.map(({ axle: on, side, because }) => `${on}${side === 'left' ? 'L' : 'R'} ${because}`),
      );
      expect(paper.within + paper.findings.length).toBe(4);
    }),
    { numRuns: 50 },
  );
});

test('a book has its own words for the verdicts, and every kind of finding has a name', () => {
  expect(verdictWords({ words: { ...plainBook('na').words, verdicts: { violation: 'Defect' } } }, 'violation')).toBe(
    'Defect',
  );
  expect(
    ['lining', 'check:jaws', 'air-test:low-air', 'defect', 'chamber-leak'].map((kind) => findingWords({ kind })),
  ).toEqual(['Lining', 'Jaws', expect.stringMatching(/air/i), 'Seen', expect.stringMatching(/chamber/i)]);
});

test('paper is in the units of whoever prints it, with what was written beside a figure that decides', () => {
  const sheet = sheetWith([{ kind: 'lining', ...at, points: ['3/16 in'] }]);
  const paper = inspectionPrintout({ sheet, fleet: FLEET, book: plainBook('na'), units: METRIC_UNITS });
  expect(paper.plan[0]?.ends.left).toEqual(['Lining 4.7625 mm']);
  expect(paper.findings[0]).toMatchObject({
    measured: '4.7625 mm (3/16 in)',
    limit: '6.35 mm (1/4 in)',
    margin: '-1.59 mm',
  });
});

test('what a gauge sent is printed with the gauge, and a stand-in’s is made up in words', () => {
  const value: Reading = { kind: 'stroke-applied', ...at, value: '1 7/8 in' };
  const sent = (serial: string) => {
    const sheet = sheetWith([value]);
    const gauge = { kind: 'stroke' as const, serial, sequence: 1 };
    const readings = sheet.readings.map((each) => ({ ...each, gauge }));
    return paperOf([value], { readings }).gauges;
  };
  expect(sent('SG-104')).toEqual(['Applied stroke, 1L: by gauge SG-104']);
  expect(sent('MADE-UP-1')).toEqual(['Applied stroke, 1L: made up, by the stand-in MADE-UP-1']);
});

test('the paper names who said first that the wheels were chocked, also where that reading was corrected since', () => {
  const stroke: Reading = { kind: 'stroke-applied', ...at, value: '1 7/8 in', chocked: true };
  const [first] = sheetWith([stroke]).readings;
  if (!first) throw new Error('no reading');
  const corrected = { ...first, id: 'r1', by: 'Tomas Rask', at: '2026-07-01T11:00:00Z', supersedes: 'r0' };
  const readings = [{ ...first, supersededBy: 'r1' }, corrected];
  expect(paperOf([stroke], { readings }).cautions[0]).toBe(
    'Wheels chocked, both ways: said before the first brake was let go, by Ines Marlow, 1 Jul 2026, 10:00.',
  );
  expect(paperOf([{ ...stroke, chocked: undefined }]).cautions.join()).not.toContain('chocked');
});
