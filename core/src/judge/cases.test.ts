import { plainBook } from '../limits';
import { said } from '../said';
import { ask, type Given, type More } from '../testing/judging';
import cases from './cases.json';
import { judgeCheck } from './check';
import { judgeDefect } from './defect';
import { judge } from './judge';
import { judgeRequestSchema } from './request';
import { SAMPLE } from './sample';

interface Case extends More {
  says: string;
  readings: Given[];
  findings: Record<string, unknown>[];
  /** What the axle is not known to have. */
  without?: 'chamber';
}

/** The findings a case is about: those of its readings' places, and those that are more than something unread. */
function findingsOf({ readings, says: _says, findings: _findings, without, ...given }: Case) {
  const more = without ? { ...given, axle: { ...given.axle, [without]: undefined } } : given;
  const isOfReading = (each: { kind: string; side: string | null; tyre: string | null }) =>
    readings.some(
      ({ kind, side = null, tyre = each.tyre }) =>
        each.kind.split(':')[0] === kind && side === each.side && tyre === each.tyre,
    );
  return ask(readings, more)
    .findings.filter((each) => each.verdict !== 'not-judged' || each.measured !== null || isOfReading(each))
    .map(({ unit: _unit, said: _said, ...finding }) => finding);
}

test.each(cases as unknown as Case[])('$says', (each) => {
  expect(findingsOf(each)).toEqual(each.findings);
});

const refused = (change: object): string[] => {
  const parsed = judgeRequestSchema.safeParse({ ...SAMPLE, ...change });
  return parsed.success ? [] : parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};
const [unit] = SAMPLE.units;
const chamberLeak = { unit: 'T1', kind: 'defect', code: 'chamber-leak' };

test('a request is refused by the place that cannot be, in a sentence', () => {
  expect(refused({})).toEqual([]);
  expect(refused({ units: [unit, unit] })).toEqual(['units: Two units have the same id']);
  expect(refused({ readings: [{ ...chamberLeak, unit: 'T2', axle: 1, side: 'left' }] })).toEqual([
    'readings.0.unit: No unit “T2” in units',
  ]);
  expect(refused({ readings: [chamberLeak] })).toEqual([
    'readings.0.axle: This is noted at a wheel end: give its axle and side',
  ]);
  expect(refused({ readings: [{ ...chamberLeak, axle: 1 }] })).toEqual([
    'readings.0.axle: This is noted at a wheel end: give its axle and side',
  ]);
  expect(refused({ readings: [{ ...chamberLeak, axle: 3, side: 'left' }] })).toEqual([
    'readings.0.axle: “T1” has 2 axles, not 3',
  ]);
  expect(
    refused({ readings: [{ unit: 'T1', kind: 'tread', axle: 1, side: 'left', tyre: 'single', grooves: [['6/32']] }] }),
  ).toEqual(['readings.0.tyre: The tire here is inner or outer, not single']);
});

test('each unit is judged by its own readings', () => {
  const readings = [{ unit: 'T2', axle: 1, side: 'left', kind: 'stroke-free', value: '5/8 in' }];
  const parsed = judgeRequestSchema.parse({ ...SAMPLE, units: [unit, { ...unit, id: 'T2' }], readings });
  const strokes = judge(parsed).findings.filter(
    ({ kind, axle, side }) => kind === 'stroke-free' && axle === 1 && side === 'left',
  );
  expect(strokes.map(({ unit: id, verdict }) => [id, verdict])).toEqual([['T2', 'within']]);
});

test('a code or a check the catalog no longer has is not judged, and says what to do', () => {
  const book = plainBook('na');
  expect(judgeCheck(book, { kind: 'check', check: 'gone', found: [] })).toMatchObject([
    { verdict: 'not-judged', said: [said('no-check', { check: 'gone' })] },
  ]);
  expect(judgeDefect(book, { code: 'gone' })).toMatchObject({
    verdict: 'not-judged',
    measured: 'gone',
    said: [said('no-code', { code: 'gone' })],
  });
});
