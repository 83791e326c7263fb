import { LONGEST_SEARCH, type PlanRun, planDifference } from '@zealous-axle/core';
import { isAskable } from '@zealous-axle/core/plan-proof';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import { tellLive } from '../run';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import type { Planner, Progress } from './planner';
import { isProven } from './prove';
import { planRun } from './schema';

export interface Searching {
  db: Database;
  now: () => Date;
  planner: Planner;
  /** Calls back whenever something of a fleet's plan moved, until the returned function is called. */
  moved: (fleet: string, listener: () => void) => () => void;
}

type Row = typeof planRun.$inferSelect;
/** Proofs take minutes: one after another, so that searches always go on beside them. */
const PROOFS = 'proofs';
/** Searches of one fleet are done one after another, so that fleets take turns: those somebody asked for, and those nobody did. */
export const searchesOf = (fleet: string, asked: boolean): string => `${asked ? 'asked' : 'looks'} ${fleet}`;
const UNDER_WAY = ['waiting', 'searching'] as const;

/** Takes a run up, under a new number of beginning; null where nobody waits for it any more. */
const begin = (store: FleetStore, run: string, now: Date): Promise<Row | null> =>
  store
    .update(planRun)
    .set({ state: 'searching', attempt: sql`${planRun.attempt} + 1`, beganAt: now, progress: null })
    .where(and(eq(planRun.id, run), inArray(planRun.state, [...UNDER_WAY])))
    .returning()
    .then(([row]) => row ?? null);

/** What only the latest beginning of a run may write: another worker's may have taken its place. */
const own = ({ id, attempt }: Row, ...states: PlanRun['state'][]) =>
  and(eq(planRun.id, id), eq(planRun.attempt, attempt), inArray(planRun.state, states));

/** A machine busy with other work may not come to even one plan in the time a search is given: then it has so much more, once. */
const MORE_TIME = 5;
const isTooLate = (error: unknown): boolean => error instanceof KnownProblem && error.code === 'too-slow';

const inTime = async <T>(request: Row['request'], search: (request: Row['request']) => Promise<T>): Promise<T> => {
  try {
    return await search(request);
  } catch (error) {
    if (!isTooLate(error)) throw error;
    return search({ ...request, timeLimitMs: Math.min(LONGEST_SEARCH * 1_000, request.timeLimitMs * MORE_TIME) });
  }
};

/**
 * Searches for the plan of a run, tells how far it is, ends with the best so far when it is cancelled, and writes down
 * what it found: once, however often it was begun.
 */
export async function searchPlan(
  { db, now, planner, moved }: Searching,
  { fleet, run }: Tasks['search-plan'],
  closing: AbortSignal,
): Promise<void> {
  const row = await inFleet(db, fleet, (store) => begin(store, run, now()));
  if (!row) return;
  const end = new AbortController();
  const leave = moved(fleet, () => {
    void inFleet(db, fleet, (store) => store.select({ state: planRun.state }).from(planRun).where(eq(planRun.id, run)))
      .then(([known]) => known?.state === 'searching' || end.abort())
      .catch(() => undefined);
  });
  const close = () => end.abort();
  closing.addEventListener('abort', close, { once: true });
  const tell = (progress: Progress) =>
    void inFleet(db, fleet, async (store) => {
      await store.update(planRun).set({ progress }).where(own(row, 'searching'));
      await tellLive(store, fleet, 'plan');
    }).catch(() => undefined);
  try {
    const found = await inTime(row.request, (request) =>
      planner.plan(request, end.signal, {
        ...(row.how === 'again' ? { again: row.before } : { from: row.before }),
        progress: tell,
      }),
    );
    // The process ends: what it found in half its time is not an answer. Another worker begins anew.
    closing.throwIfAborted();
    const { slots, unplaced, objective, boundSum, elapsedMs, decodes } = found;
    await finish(db, fleet, row, now(), { answer: { slots, unplaced, objective, boundSum, elapsedMs, decodes } });
    // One that changes as little as pays is not to be replaced by the best of all.
    if (planner.prove && isAskable(row.request) && row.how === 'anew' && !isProven(found, row.request))
      await inFleet(db, fleet, (store) =>
        addTask(store, 'prove-plan', { fleet, run }, `prove ${run}`, { queue: PROOFS }),
      );
  } catch (error) {
    closing.throwIfAborted();
    const problem =
      error instanceof KnownProblem
        ? (error.more.errors?.map(({ path, message }) => `${path}: ${message}`).join('; ') ?? error.message)
        : 'The search failed. The error was logged.';
    await finish(db, fleet, row, now(), { problem });
    if (!(error instanceof KnownProblem)) throw error;
  } finally {
    leave();
    closing.removeEventListener('abort', close);
  }
}

/** Whether what nobody asked for would leave everything where it is: then there is nothing to propose. */
const changesNothing = ({ askedBy, before }: Row, answer: PlanRun['answer']): boolean =>
  askedBy === null &&
  answer !== null &&
  planDifference({ slots: before, objective: answer.objective }, answer).moves.length === 0;

/** A plan that was cancelled keeps the best so far, and stays cancelled. */
async function finish(
  db: Database,
  fleet: string,
  row: Row,
  at: Date,
  done: { answer: PlanRun['answer'] } | { problem: string },
): Promise<void> {
  const found = 'answer' in done ? (changesNothing(row, done.answer) ? 'put aside' : 'found') : 'failed';
  const state = sql`case when ${planRun.state} = 'searching' then ${found} else ${planRun.state} end`;
  await inFleet(db, fleet, async (store) => {
    await store
      .update(planRun)
      .set({ ...done, state: state as never, endedAt: at })
      .where(own(row, 'searching', 'cancelled'));
    await tellLive(store, fleet, 'plan');
  });
}
