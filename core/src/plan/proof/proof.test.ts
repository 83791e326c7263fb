import fc from 'fast-check';
import { modelOf, type PlanRequest, PlanUnsound, plan, sumOf } from '../solver';
import { madeUpShop } from '../solver/made-up';
import { type Proof, proofOf, type Solution } from '.';
import { proofDataOf } from './data';

const shop = madeUpShop({ seed: 10, jobs: 8, hard: true });
const asked = (request: PlanRequest): Proof => {
  const proof = proofOf(request, plan(request, { steps: 2_000, proof: false }));
  if (!proof) throw new Error('it cannot be asked');
  return proof;
};

/** What a solver would tell of a plan that is known. */
function solutionOf(request: PlanRequest): { solution: Solution; sum: number } {
  const model = modelOf(request);
  const { slots, objective } = plan(request, { steps: 2_000, proof: false });
  const unit = proofDataOf(model, 1_000_000)?.unit ?? 1;
  const of = (id: string) => slots.find(({ job }) => job === id) ?? slots[0];
  const units = (instant = '') => (Date.parse(instant) - model.zero) / 60_000 / unit;
  return {
    sum: sumOf(objective),
    solution: {
      start: model.jobs.map(({ id }) => units(of(id)?.start)),
      end: model.jobs.map(({ id }) => units(of(id)?.end)),
      length: model.jobs.map(({ id, minutes }) => (minutes + (of(id)?.setupMinutes ?? 0)) / unit),
      bay: model.jobs.map(({ id }) => 1 + model.bays.findIndex((bay) => bay.id === of(id)?.bay)),
      does: model.jobs.map(({ id }) =>
        model.technicians.map((person) => of(id)?.technicians.includes(person.id) ?? false),
      ),
    },
  };
}

test('a shop stands on its coarsest grid, closed hours and absences whole, and asks for less than what is known', () => {
  const data = proofDataOf(modelOf(shop), 1_000);
  const figures = data?.figures ?? {};
  expect(figures).toMatchObject({ n: 8, bayCount: 2, people: 3, horizon: 2_880, shunt: 3, most: 199 });
  expect((figures.minutes as number[])[0]).toBe((shop.jobs[0]?.minutes ?? 0) / 5);
  // The bays open for fifteen of twenty-four hours, on ten days.
  expect(figures).toMatchObject({ closings: 20 });
  expect((figures.closedFrom as number[]).slice(0, 2)).toEqual([180, 468]);
  expect((figures.closedTo as number[]).slice(0, 2)).toEqual([288, 576]);
});

test('bays alike in kinds and hours are told, each with the next one', () => {
  const [bay] = shop.bays as [(typeof shop.bays)[number]];
  const bays = [
    bay,
    { ...bay, id: 'lift', kinds: ['lift'] },
    { ...bay, id: 'same' },
    { ...bay, id: 'short', open: [] },
  ];
  const figures = proofDataOf(modelOf({ ...shop, bays: [...bays, { ...bay, id: 'again' }] }), 1_000)?.figures;
  expect(figures).toMatchObject({ likes: 2, likeOne: [1, 3], likeOther: [3, 5] });
});

test('what the solver finds is read back as a plan that keeps every rule and costs what it says', () => {
  const hard = [1, 2, 3, 4, 5, 6].map((seed) => madeUpShop({ seed, jobs: 10, hard: seed % 2 === 0 }));
  for (const request of hard) {
    const { solution, sum } = solutionOf(request);
    expect(sumOf(asked(request).planOf(solution).objective)).toBe(sum);
  }
});

test('a solution that breaks a rule is refused, wherever it was broken', () => {
  const { solution } = solutionOf(shop);
  const { planOf } = asked(shop);
  const jobs = fc.integer({ min: 0, max: shop.jobs.length - 1 });
  fc.assert(
    fc.property(jobs, fc.constantFrom('bay', 'does', 'length'), (job, what) => {
      const broken: Solution = { ...solution, [what]: [...solution[what]] };
      if (what === 'bay') broken.bay[job] = 9;
      if (what === 'does') broken.does[job] = [];
      if (what === 'length') broken.length[job] = (broken.length[job] ?? 0) + 1;
      expect(() => planOf(broken)).toThrow(PlanUnsound);
    }),
  );
});

const [first, ...others] = shop.jobs;
const changed = (change: object): PlanRequest => ({ ...shop, jobs: [{ ...first, ...change } as never, ...others] });

test('what no proof can be asked for is not asked for', () => {
  const best = 1_000_000;
  const dataOf = (request: PlanRequest, sum = best) => proofDataOf(modelOf(request), sum);
  const pinned = { bay: 'B0', technicians: ['K0'], start: shop.now };
  const free = { skill: 'brakes', technicians: 1, release: null, after: [], minutes: 30, setup: null };
  expect(dataOf(shop)).not.toBeNull();
  expect(dataOf(changed({ ...free, pinned }))).toBeNull();
  expect(dataOf(changed({ minutes: 900 }))).toBeNull();
  expect(dataOf(madeUpShop({ seed: 1, jobs: 61 }))).toBeNull();
  expect(dataOf({ ...shop, jobs: [] })).toBeNull();
  expect(dataOf(shop, 0)).toBeNull();
  expect(dataOf(shop, 2 ** 31)).toBeNull();
});

test('what nobody can ever do is left out of the question, and what found no place in time leaves none', () => {
  const request = changed({ skill: 'gold', after: [] });
  const found = plan(request, { steps: 500, proof: false });
  expect(found.unplaced.map(({ job }) => job)).toContain(first?.id);
  const proof = proofOf(request, found);
  expect(proof?.figures).toMatchObject({ n: shop.jobs.length - found.unplaced.length });
  const late = { slots: found.slots.slice(1), unplaced: [{ job: others[0]?.id ?? '', reason: 'no place' }] };
  expect(proofOf(shop, late)).toBeNull();
});
