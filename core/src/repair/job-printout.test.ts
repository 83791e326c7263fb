import { jobPrintout } from './job-printout';
import type { JobRecord } from './views';

const AT = '2026-03-02T15:05:00Z';
const whole = { axle: null, side: null, tyre: null };
const page = {
  job: {
    unit: { number: 'H-11', body: 'Seed hopper' },
    title: 'Wheel off 1R',
    state: 'certified',
    bay: null,
    done: 'Two studs renewed',
    doneAt: AT,
    torque: [
      {
        wheel: { axle: 1, side: 'right', holes: 10, stage: 'snug' },
        value: '50 lb-ft',
        tool: 'W 4',
        calibrated: null,
        by: 'Ada',
        at: AT,
      },
      {
        wheel: { axle: 1, side: 'right', holes: 10, stage: 'full' },
        value: '475 lb-ft',
        tool: 'W 4',
        calibrated: '2026-09-01',
        by: 'Ada',
        at: AT,
      },
    ],
    certified: {
      by: 'Ada',
      at: AT,
      statement: 'Repaired as described.',
      qualification: null,
      unneeded: [{ defect: 'b', reason: 'only dirt' }],
    },
  },
  defects: [
    { id: 'a', code: 'rust-trail', words: 'runs down', axle: 1, side: 'right', tyre: null },
    { id: 'b', code: 'lamp-out', words: '', ...whole },
  ],
  work: {
    steps: [
      { key: 'one', words: 'Wheel off' },
      { key: 'two', words: 'Clean the face' },
    ],
  },
  ticks: [
    { step: 'one', done: true, by: 'Ada', at: AT },
    { step: 'two', done: false, by: 'Ada', at: AT },
  ],
  times: [
    { person: { name: 'Ada' }, from: AT, to: '2026-03-02T16:35:00Z' },
    { person: { name: 'Ben' }, from: AT, to: null },
  ],
  parts: [{ name: 'Stud', needed: 3, taken: 2, without: 'one is sound' }],
  fitted: [{ axle: 1, side: 'right', tyre: null, part: 'hub seal', number: '', limit: null }],
  documents: [],
  retorque: { on: '2026-03-09', done: null },
} as unknown as JobRecord;

const of = (given: JobRecord, title: string) =>
  jobPrintout(given, { name: 'Low Marsh', zone: 'America/Chicago' }).sections.find((each) => each.title === title)
    ?.lines;

test('a certificate says what became of each defect, and never more than was done', () => {
  expect(of(page, 'Defects')).toEqual([
    expect.stringMatching(/^1R.* \(runs down\) – repaired$/),
    expect.stringMatching(/^Unit: .* – no repair needed: only dirt$/),
  ]);
  expect(of(page, 'Steps')).toEqual(['Wheel off: Ada, 2 Mar 2026, 09:05', 'Clean the face: not ticked']);
  expect(of(page, 'Time')).toEqual(['Ada, from 2 Mar 2026, 09:05: 90 min', 'Ben, from 2 Mar 2026, 09:05: running']);
  expect(of(page, 'Parts')).toEqual(['2 of 3 × Stud – left out: one is sound']);
  expect(of(page, 'Fitted new')).toEqual(['1R hub seal, number not noted, no limit noted']);
  expect(of(page, 'Torque')).toEqual([
    '1R, 10 nuts, snug, W 4. Ada, 2 Mar 2026, 09:05',
    '1R, 10 nuts, 475 lb-ft, W 4, calibrated until 2026-09-01. Ada, 2 Mar 2026, 09:05',
  ]);
  expect(of(page, 'Torqued again')).toEqual(['By 2026-03-09, open']);
  expect(of(page, 'Documents')).toBeUndefined();
  expect(of(page, 'Certificate')).toEqual(['Repaired as described.', 'Ada, 2 Mar 2026, 09:05']);
});

test('what nobody signed is called not certified, and has no signature', () => {
  const open = { ...page, job: { ...page.job, certified: null } } as JobRecord;
  expect(of(open, 'Certificate')).toEqual(['Not certified.']);
  expect(of(open, 'Defects')?.every((line) => line.endsWith('– not certified'))).toBe(true);
  expect(jobPrintout(open, { name: 'Low Marsh', zone: 'America/Chicago' }).signatures).toEqual([]);
});
