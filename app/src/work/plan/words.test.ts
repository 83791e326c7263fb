import { type Board, type BoardJob, PLAN_WEIGHTS } from '@zealous-axle/core';
import { loadOf } from './load';
import { differenceWords, named, namesOf, provenWords, slotWords, waitsWords } from './words';

const JOB: BoardJob = {
  id: 'job-1',
  unit: 'unit-1',
  number: 'H-15',
  size: null,
  title: 'Locked brake',
  state: 'placed',
  begun: false,
  held: true,
  leaves: null,
  waits: null,
  putOn: null,
  working: [],
};
const SLOT = {
  job: 'job-1',
  bay: 'bay-1',
  technicians: ['person-1'],
  start: '2026-03-02T14:00:00.000Z',
  end: '2026-03-02T15:30:00.000Z',
  setupMinutes: 15,
  pinned: true,
};
const BOARD = {
  now: '2026-03-02T13:00:00.000Z',
  zone: 'America/Chicago',
  version: 1,
  published: null,
  bays: [{ id: 'bay-1', name: 'Bay 1', rank: 0, kinds: [], hours: [], closed: [] }],
  people: [{ id: 'person-1', name: 'Tomas' }],
  jobs: [JOB],
  slots: [SLOT],
  request: {
    now: '2026-03-02T13:00:00.000Z',
    horizonDays: 14,
    timeLimitMs: 1_000,
    seed: 1,
    bays: [{ id: 'bay-1', kinds: ['lift'], open: [['2026-03-02T13:00:00.000Z', '2026-03-02T23:00:00.000Z']] }],
    technicians: [
      { id: 'person-1', skills: ['brakes'], shifts: [['2026-03-02T13:00:00.000Z', '2026-03-02T20:00:00.000Z']] },
    ],
    jobs: [],
    setups: {},
  },
  settings: 1,
  notes: [],
  runs: [],
} as Board;
const NONE = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const plain = (text: string) => text.replaceAll('\u00a0', ' ');

test('what a plan changes is said in its terms and in jobs', () => {
  const terms = { ...NONE, heldMinutes: -120, setupMinutes: 15 };
  const move = { job: 'a', how: 'later' as const, from: null, to: null, by: 60 };
  const moves = [move, { ...move, job: 'b', how: 'new' as const }];
  expect(differenceWords({ moves, terms })).toBe('−2 h held, +15 min setup, 1 job is scheduled, 1 job moves');
  expect(differenceWords({ moves: [], terms: NONE })).toBe('Nothing changes');
});

test('a plan is called proven only where a bound was proven', () => {
  const answer = { slots: [], unplaced: [], objective: { ...NONE, heldMinutes: 10 }, elapsedMs: 1, decodes: 1 };
  expect(provenWords({ answer: { ...answer, boundSum: 0 } }, PLAN_WEIGHTS)).toBeNull();
  expect(provenWords({ answer: { ...answer, boundSum: 10_000 } }, PLAN_WEIGHTS)).toBe('Proven: no plan is better.');
  expect(provenWords({ answer: { ...answer, boundSum: 9_000 } }, PLAN_WEIGHTS)).toBe('Proven within 10 % of the best.');
});

test('sentences of the planner speak of units, bays and people by their names', () => {
  expect(named('bay-1 is taken by unit-1 then; person-1 is at job-1', BOARD)).toBe(
    'Bay 1 is taken by H-15 then; Tomas is at H-15',
  );
});

test('a bar is told in words to who cannot see it', () => {
  expect(plain(slotWords(JOB, SLOT, namesOf(BOARD), BOARD.zone))).toBe(
    'H-15, Locked brake, 2 Mar, 08:00 to 2 Mar, 09:30, Bay 1, Tomas, includes 15 min setup, held, pinned',
  );
});

test('what is missing is said with its day, or that nobody knows it', () => {
  expect(waitsWords(JOB)).toBeNull();
  const words = (waits: BoardJob['waits']) => plain(waitsWords({ waits }) ?? '');
  expect(words({ on: '2026-03-05', how: 'expected', unknown: null })).toBe('Parts expected Thu 5 Mar');
  expect(words({ on: '2026-03-05', how: 'to order', unknown: 'moon gear' })).toBe(
    'Parts not ordered yet: Thu 5 Mar at the earliest. moon gear is not in the parts list: planned as if in stock',
  );
  expect(words({ on: '2026-03-05', how: 'overdue', unknown: null })).toBe('Parts overdue');
});

test('the load of a day is what is booked of what is there; begun work counts on both sides', () => {
  const [bay, person] = loadOf(BOARD, [SLOT]);
  expect(bay?.days[0]).toEqual({ day: '2026-03-02', booked: 90, open: 600 + 90 });
  expect(person?.days[0]).toEqual({ day: '2026-03-02', booked: 90, open: 420 + 90 });
  expect(person?.days[1]).toEqual({ day: '2026-03-03', booked: 0, open: 0 });
});
