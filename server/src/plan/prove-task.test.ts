import { type Planned, plan } from '@zealous-axle/core/plan';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { madeUpShop } from '../../../core/src/plan/solver/made-up';
import { inFleet } from '../store';
import { openWorld, type TestFleet, type World } from '../testing/world';
import type { Prover } from './prove';
import { provePlan } from './prove-task';
import { planRun } from './schema';

const request = madeUpShop({ seed: 5, jobs: 8 });
const first = plan(request, { steps: 1, proof: false });
const best: Planned = { ...plan(request, { steps: 20_000, proof: false }), boundSum: 318_105 };

let world: World;
let fleet: TestFleet;
beforeAll(async () => {
  world = await openWorld();
  fleet = await world.makeFleet('proving');
});
afterAll(() => world.close());

/** A run that found the first plan that came to mind. */
async function runThat(state: 'found' | 'taken'): Promise<string> {
  const run = uuidv7();
  const { slots, unplaced, objective, boundSum, elapsedMs, decodes } = first;
  await inFleet(world.db, fleet.id, (store) =>
    store.insert(planRun).values({
      fleetId: fleet.id,
      id: run,
      how: 'anew',
      state,
      askedAt: world.now(),
      fromVersion: 0,
      seconds: 1,
      request,
      before: [],
      answer: { slots, unplaced, objective, boundSum, elapsedMs, decodes },
    }),
  );
  return run;
}
const answerOf = async (run: string) =>
  (await inFleet(world.db, fleet.id, (store) => store.select().from(planRun).where(eq(planRun.id, run))))[0]?.answer;
const prove = (run: string, prover: Prover, closing = new AbortController().signal) =>
  provePlan(
    {
      db: world.db,
      now: world.now,
      planner: { ...world.planner, prove: prover },
      moved: (its, listener) => world.live.subscribe(its, listener),
    },
    { fleet: fleet.id, run },
    closing,
  );

test('what a run found gives way to the plan that is proven the best, where nobody took it yet', async () => {
  const run = await runThat('found');
  const asked: unknown[] = [];
  await prove(run, async (...given) => {
    asked.push(given.slice(0, 2));
    return best;
  });
  expect(asked).toEqual([[request, expect.objectContaining({ slots: first.slots })]]);
  expect(await answerOf(run)).toMatchObject({ slots: best.slots, objective: best.objective, boundSum: 318_105 });
});

test('a plan that was taken is what it was: nothing is tried, and what is taken meanwhile is left alone', async () => {
  const never: Prover = () => Promise.reject(new Error('it was tried'));
  const taken = await runThat('taken');
  await prove(taken, never);
  expect(await answerOf(taken)).toMatchObject({ slots: first.slots, boundSum: first.boundSum });
  const run = await runThat('found');
  await prove(run, async () => {
    await inFleet(world.db, fleet.id, (store) =>
      store.update(planRun).set({ state: 'taken' }).where(eq(planRun.id, run)),
    );
    return best;
  });
  expect(await answerOf(run)).toMatchObject({ slots: first.slots });
});

test('a process that ends gives the proof up, and another takes the task again', async () => {
  const run = await runThat('found');
  const closing = new AbortController();
  const ended = prove(
    run,
    async (_request, found) => {
      closing.abort();
      return found;
    },
    closing.signal,
  );
  await expect(ended).rejects.toThrow();
  expect(await answerOf(run)).toMatchObject({ slots: first.slots });
});
