import type { PlanRequest, Slot } from '../wire';
import { checkPlan } from './check';
import { madeUpShop } from './made-up';
import { type Planned, plan } from './plan';

const request = madeUpShop({ seed: 12, jobs: 24, hard: true });
const answer = plan(request, { steps: 400, rounds: 20 });
const rulesOf = (changed: Pick<Planned, 'slots' | 'unplaced' | 'objective' | 'bound'>, asked: PlanRequest = request) =>
  new Set(checkPlan(asked, changed).map(({ rule }) => rule));

const later = (instant: string, minutes: number) => new Date(Date.parse(instant) + minutes * 60_000).toISOString();
const moved = (slot: Slot, minutes: number): Slot => ({
  ...slot,
  start: later(slot.start, minutes),
  end: later(slot.end, minutes),
});
const withSlot = (index: number, change: (slot: Slot) => Slot): Planned => ({
  ...answer,
  slots: answer.slots.map((slot, at) => (at === index ? change(slot) : slot)),
});
const jobOf = (slot: Slot) => request.jobs.find(({ id }) => id === slot.job) as PlanRequest['jobs'][number];
const where = (fits: (slot: Slot) => boolean): number => {
  const index = answer.slots.findIndex(fits);
  if (index < 0) throw new Error('the shop has no such slot');
  return index;
};

test('the plan as it was made keeps every rule', () => {
  expect(checkPlan(request, answer)).toEqual([]);
});

describe('a plan broken on purpose is refused by its rule', () => {
  test('a job left out, and one that stands twice', () => {
    expect(rulesOf({ ...answer, slots: answer.slots.slice(1) })).toContain('whole');
    expect(rulesOf({ ...answer, slots: [...answer.slots, answer.slots[0] as Slot] })).toContain('whole');
  });

  test('1: two trailers in one bay, and work while it is closed', () => {
    const first = answer.slots[0] as Slot;
    const other = where((slot) => jobOf(slot).trailer !== jobOf(first).trailer);
    expect(
      rulesOf(withSlot(other, (slot) => ({ ...moved(slot, 0), bay: first.bay, start: first.start, end: first.end }))),
    ).toContain('1');
    const closed = { ...request, bays: request.bays.map((bay) => ({ ...bay, open: [] })) };
    expect(rulesOf(answer, closed)).toContain('1');
  });

  test('2: a trailer at two jobs at once', () => {
    const index = where((slot) =>
      answer.slots.some((other) => other !== slot && jobOf(other).trailer === jobOf(slot).trailer),
    );
    const own = answer.slots[index] as Slot;
    const mate = where((slot) => slot !== own && jobOf(slot).trailer === jobOf(own).trailer);
    expect(rulesOf(withSlot(mate, (slot) => ({ ...slot, start: own.start, end: own.end })))).toContain('2');
  });

  test('3: somebody twice at once, out of shift, too few, or without the skill', () => {
    const nobody = { ...request, technicians: request.technicians.map((each) => ({ ...each, skills: [] })) };
    expect(rulesOf(answer, nobody)).toContain('3');
    const asleep = {
      ...request,
      technicians: request.technicians.map((each) => ({ ...each, shifts: [] as [string, string][] })),
    };
    expect([...rulesOf(answer, asleep)].some((rule) => rule === '3' || rule === '7')).toBe(true);
    expect(rulesOf(withSlot(0, (slot) => ({ ...slot, technicians: [] })))).toContain('3');
    const first = answer.slots[0] as Slot;
    const other = where((slot) => slot.technicians[0] !== first.technicians[0] && slot.bay !== first.bay);
    expect(
      rulesOf(
        withSlot(other, (slot) => ({ ...slot, technicians: first.technicians, start: first.start, end: first.end })),
      ),
    ).toContain('3');
  });

  test('4: a set-up that is not paid, and one that is paid where there is none', () => {
    const paid = where((slot) => slot.setupMinutes > 15);
    expect(rulesOf(withSlot(paid, (slot) => ({ ...slot, setupMinutes: 0 })))).toContain('4');
    const none = where((slot) => slot.setupMinutes === 0);
    expect(rulesOf(withSlot(none, (slot) => ({ ...slot, setupMinutes: 30 })))).toContain('4');
  });

  test('5: before its release, before what it waits for, in no such bay, off its pin', () => {
    const late = { ...request, jobs: request.jobs.map((job) => ({ ...job, release: later(request.now, 9 * 1_440) })) };
    expect(rulesOf(answer, late)).toContain('5');
    const [first, last] = [answer.slots[0] as Slot, answer.slots.at(-1) as Slot];
    const waiting = {
      ...request,
      jobs: request.jobs.map((job) => (job.id === first.job ? { ...job, after: [last.job] } : job)),
    };
    expect(rulesOf(answer, waiting)).toContain('5');
    expect(rulesOf(withSlot(0, (slot) => ({ ...slot, bay: 'elsewhere' })))).toContain('5');
    const pins = {
      ...request,
      jobs: request.jobs.map((job) =>
        job.id === first.job
          ? { ...job, pinned: { bay: first.bay, technicians: first.technicians, start: later(first.start, 60) } }
          : job,
      ),
    };
    expect(rulesOf(answer, pins)).toContain('5');
  });

  test('6: what holds a trailer after other work on it, or in two stays', () => {
    const lastOf = (trailer: string) => answer.slots.filter((slot) => jobOf(slot).trailer === trailer).at(-1);
    const trailer = request.jobs.find((job) => {
      const own = answer.slots.filter((slot) => jobOf(slot).trailer === job.trailer);
      return new Set(own.map(({ bay }) => bay)).size > 1;
    })?.trailer;
    const last = lastOf(trailer ?? '') as Slot;
    const holding = {
      ...request,
      jobs: request.jobs.map((job) => ({
        ...job,
        priority: job.id === last.job ? ('out-of-service' as const) : ('planned' as const),
      })),
    };
    expect(rulesOf(answer, holding)).toContain('6');
  });

  test('7: a slot shorter than its work', () => {
    expect(rulesOf(withSlot(3, (slot) => ({ ...slot, end: later(slot.end, -5) })))).toContain('7');
  });

  test('after the horizon, and sums that do not add up', () => {
    expect(rulesOf(answer, { ...request, horizonDays: 0.01 })).toContain('horizon');
    for (const key of ['heldMinutes', 'weightedLateness', 'setupMinutes', 'makespanMinutes'] as const) {
      expect(rulesOf({ ...answer, objective: { ...answer.objective, [key]: answer.objective[key] + 5 } })).toContain(
        'sum',
      );
      expect(rulesOf({ ...answer, bound: { ...answer.bound, [key]: answer.objective[key] + 5 } })).toContain('bound');
    }
  });
});
