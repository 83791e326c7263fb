import type { PlanRun } from '@zealous-axle/core';
import type { Planned } from '@zealous-axle/core/plan';
import { and, eq } from 'drizzle-orm';
import { tellLive } from '../run';
import { type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { planRun } from './schema';
import type { Searching } from './search-task';
import settings from './settings.json';

const NOTHING = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const plannedOf = (answer: NonNullable<PlanRun['answer']>): Planned => ({ ...answer, bound: NOTHING, steps: 0 });

/** A run whose answer still waits for somebody to take it. */
const waiting = (store: FleetStore, run: string) =>
  store
    .select()
    .from(planRun)
    .where(and(eq(planRun.id, run), eq(planRun.state, 'found')))
    .then(([row]) => row ?? null);

/** Fires when nobody waits for the run's answer any more, or the process ends; call `leave` when that is of no matter. */
function endOf(db: Database, { fleet, run }: Tasks['prove-plan'], moved: Searching['moved'], closing: AbortSignal) {
  const end = new AbortController();
  const stop = () => end.abort();
  closing.addEventListener('abort', stop, { once: true });
  const quit = moved(fleet, () => {
    void inFleet(db, fleet, (store) => waiting(store, run))
      .then((row) => row ?? stop())
      .catch(() => undefined);
  });
  const leave = () => {
    quit();
    closing.removeEventListener('abort', stop);
  };
  return { signal: end.signal, leave };
}

/**
 * Goes on from what a run found until it is proven the best, or a better plan takes its place: behind the back of
 * whoever looks at it, who is told. What was taken or put aside meanwhile stays as it was.
 */
export async function provePlan(
  { db, planner, moved }: Searching,
  asked: Tasks['prove-plan'],
  closing: AbortSignal,
): Promise<void> {
  const { fleet, run } = asked;
  const row = await inFleet(db, fleet, (store) => waiting(store, run));
  if (!row?.answer || !planner.prove) return;
  const { signal, leave } = endOf(db, asked, moved, closing);
  const proven = await planner
    .prove(row.request, plannedOf(row.answer), settings.proof.behindMs, signal)
    .finally(leave);
  closing.throwIfAborted();
  const { slots, unplaced, objective, boundSum, decodes } = proven;
  const answer = { slots, unplaced, objective, boundSum, elapsedMs: proven.elapsedMs, decodes };
  await inFleet(db, fleet, async (store) => {
    const same = and(eq(planRun.id, run), eq(planRun.attempt, row.attempt), eq(planRun.state, 'found'));
    await store.update(planRun).set({ answer }).where(same);
    await tellLive(store, fleet, 'plan');
  });
}
