import { spoken } from '../words';
import { judge, judgeRequestSchema } from '.';
import { SAMPLE } from './sample';

test('the published sample', () => {
  const answer = spoken(judge(judgeRequestSchema.parse(SAMPLE)));
  expect(answer.units[0]).toEqual({
    id: 'T1',
    verdict: 'out-of-service',
    complete: false,
    brakes: {
      total: 4,
      measured: 1,
      // The leaking chamber of 1R counts in full, the long stroke of 1L by half.
      full: 1,
      half: 1,
      defective: 1,
      defectiveAtMost: 3,
      outOfServiceAt: 1,
      outOfService: true,
    },
  });
  expect(answer.combination).toMatchObject({ brakes: { total: 10, outOfServiceAt: 2, outOfService: false } });
  expect(answer.findings.find(({ kind }) => kind === 'stroke-applied')).toEqual({
    unit: 'T1',
    axle: 1,
    side: 'left',
    tyre: null,
    kind: 'stroke-applied',
    verdict: 'violation',
    measured: '2 1/8 in',
    limit: '2 in',
    margin: '-1/8 in',
    share: 0.5,
    rule: '49 CFR 393.47(e)',
    sure: 'law',
    said: expect.any(Array),
    because: expect.stringContaining('by 1/8 in'),
  });
});

test.each([
  ['an unknown key', { ...SAMPLE, extra: 1 }, []],
  [
    'a unit that is not there',
    { ...SAMPLE, readings: [{ ...SAMPLE.readings[0], unit: 'T9' }] },
    ['readings', 0, 'unit'],
  ],
  ['an axle that is not there', { ...SAMPLE, readings: [{ ...SAMPLE.readings[0], axle: 3 }] }, ['readings', 0, 'axle']],
  [
    'a tire that is not there',
    { ...SAMPLE, readings: [{ ...SAMPLE.readings[3], tyre: 'single' }] },
    ['readings', 0, 'tyre'],
  ],
  [
    'a value without a unit',
    { ...SAMPLE, readings: [{ ...SAMPLE.readings[0], value: '2 1/8' }] },
    ['readings', 0, 'value'],
  ],
  ['an unknown code', { ...SAMPLE, readings: [{ ...SAMPLE.readings[6], code: 'x' }] }, ['readings', 0, 'code']],
  [
    'a lift axle, which is ours alone',
    { ...SAMPLE, units: [{ ...SAMPLE.units[0], axles: [{ lift: true }] }] },
    ['units', 0, 'axles', 0],
  ],
])('%s is refused with its path', (_, request, path) => {
  const parsed = judgeRequestSchema.safeParse(request);
  expect(parsed.success).toBe(false);
  expect(parsed.error?.issues.some((issue) => path.every((part, index) => issue.path[index] === part))).toBe(true);
});
