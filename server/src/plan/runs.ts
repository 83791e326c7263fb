import type { PlanRun } from '@zealous-axle/core';
import { and, desc, eq, inArray, isNull, lt } from 'drizzle-orm';
import { person } from '../access';
import type { FleetStore } from '../store';
import { planRun, shopPlan } from './schema';

/** Runs that somebody still waits for, or still has to answer. */
const OPEN = ['waiting', 'searching', 'found', 'cancelled', 'failed'] as const;

/** Searches that are under way or wait for an answer, the newest first. */
export async function openRuns(store: FleetStore): Promise<PlanRun[]> {
  const rows = await store
    .select({ run: planRun, by: person.name })
    .from(planRun)
    .leftJoin(person, and(eq(person.fleetId, planRun.fleetId), eq(person.id, planRun.askedBy)))
    .where(inArray(planRun.state, [...OPEN]))
    .orderBy(desc(planRun.askedAt));
  return rows.map(({ run, by }) => ({
    id: run.id,
    how: run.how,
    state: run.state,
    by,
    because: run.because,
    at: run.askedAt.toISOString(),
    from: run.fromVersion,
    seconds: run.seconds,
    progress: run.progress,
    answer: run.answer,
    problem: run.problem,
  }));
}

/** A newer look takes the place of what nobody asked for, found or still searched; what somebody asked for waits for them. */
export const putProposalsAside = (store: FleetStore): Promise<unknown> =>
  store
    .update(planRun)
    .set({ state: 'put aside' })
    .where(and(inArray(planRun.state, [...OPEN]), isNull(planRun.askedBy)))
    .execute();

/** Throws away searches that nobody waits for any more and that are older than `before`. */
export const forgetRuns = (store: FleetStore, before: Date): Promise<unknown> =>
  store
    .delete(planRun)
    .where(and(inArray(planRun.state, ['put aside', 'taken']), lt(planRun.askedAt, before)))
    .execute();

export const planVersion = async (store: FleetStore): Promise<number> =>
  (await store.select({ version: shopPlan.version }).from(shopPlan))[0]?.version ?? 0;
