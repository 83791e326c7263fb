import fc from 'fast-check';
import type { PlanRequest, Slot } from '../wire';
import { checkPlan } from './check';
import { explain, gains } from './explain';
import { madeUpShop } from './made-up';
import { plan } from './plan';
import { replan } from './replan';

const later = (instant: string, minutes: number) => new Date(Date.parse(instant) + minutes * 60_000).toISOString();
const steps = { steps: 150, proof: false };

/** A shop some hours into its plan: what has begun is pinned where it stands. */
function underWay(seed: number, minutes: number) {
  const request = madeUpShop({ seed, jobs: 24 });
  const { slots } = plan(request, steps);
  const now = later(request.now, minutes);
  const jobs = request.jobs.map((job) => {
    const slot = slots.find((each) => each.job === job.id && each.start < now);
    return slot ? { ...job, pinned: { bay: slot.bay, technicians: slot.technicians, start: slot.start } } : job;
  });
  return { before: slots, request: { ...request, now, jobs } satisfies PlanRequest };
}
const same = (one: Slot | undefined, other: Slot | undefined) =>
  one !== undefined && other !== undefined && one.bay === other.bay && one.start === other.start;

test('nothing changed: nothing moves', () => {
  const { before, request } = underWay(3, 200);
  expect(replan(request, before, steps)).toMatchObject({ moved: [], disturbed: [] });
});

test('what has begun stays, whatever changes, and what could stay is the most of it', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 30, max: 400 }), (seed, minutes) => {
      const { before, request } = underWay(seed, minutes);
      const running = before.filter(({ start, end }) => start < request.now && end > request.now);
      const over = running[0]?.job;
      const jobs = request.jobs.map((job) => (job.id === over ? { ...job, minutes: job.minutes + 90 } : job));
      const changed = { ...request, jobs };
      const answer = replan(changed, before, steps);
      expect(checkPlan(changed, answer)).toEqual([]);
      for (const slot of before.filter(({ start }) => start < request.now))
        expect(
          same(
            slot,
            answer.slots.find(({ job }) => job === slot.job),
          ),
        ).toBe(true);
    }),
    { numRuns: 15 },
  );
});

test('an absence moves what that person was to do, and says so', () => {
  const { before, request } = underWay(8, 30);
  const away = before.find(({ start }) => start >= request.now)?.technicians[0];
  const technicians = request.technicians.map((each) => (each.id === away ? { ...each, shifts: [] } : each));
  const changed = { ...request, technicians };
  const answer = replan(changed, before, steps);
  const theirs = before.filter(({ technicians: team, start }) => start >= request.now && team.includes(away ?? ''));
  expect(answer.disturbed).toEqual(expect.arrayContaining(theirs.map(({ job }) => job)));
  expect(
    answer.slots.filter(({ start, technicians: team }) => start >= request.now && team.includes(away ?? '')),
  ).toEqual([]);
});

test('each job says what binds it, and jobs of one axle that they share its set-up', () => {
  const request = madeUpShop({ seed: 3, jobs: 20 });
  const { slots } = plan(request, steps);
  const said = explain(request, slots);
  expect(said).toHaveLength(slots.length);
  for (const { binding } of said) expect(binding.length).toBeGreaterThan(0);
  const shared = said.filter(({ shares }) => shares.length);
  for (const { job, shares } of shared)
    for (const mate of shares) expect(said.find((each) => each.job === mate)?.shares).toContain(job);
});

test('an hour more is solved again, and never told as a loss', () => {
  const request = madeUpShop({ seed: 9, jobs: 16 });
  const { slots, objective } = plan(request, steps);
  for (const gain of gains(request, slots, objective, { steps: 60 })) expect(gain.sum).toBeGreaterThan(0);
});
