import { desc } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { tellLive } from '../run';
import { addTask, inFleet, type Tasks } from '../store';
import { shopFacts } from './facts';
import { forgetRuns, planVersion, putProposalsAside } from './runs';
import { planRun, planSlot } from './schema';
import { type Searching, searchesOf } from './search-task';
import settings from './settings.json';
import { signatureOf, standingOf } from './standing';

const DAY_MS = 86_400_000;

/** Seconds until somebody's work should have ended, if that is before the next look: then the plan is looked at just after it. */
function untilNextEnd(slots: readonly { end: string }[], now: Date): number {
  const ends = slots.map(({ end }) => Math.ceil((Date.parse(end) - now.getTime()) / 1_000) + 1);
  return Math.min(settings.lookAgainSeconds, ...ends.filter((seconds) => seconds > 0));
}

/**
 * Looks whether the plan still stands, asks for a proposal where it does not – or where a job has no place in it –, and
 * looks again after a while for as long as there is a plan: an overrun is seen by the clock, without anybody saying so.
 */
export async function watchPlan(
  { db, now }: Pick<Searching, 'db' | 'now'>,
  { fleet, because }: Tasks['watch-plan'],
): Promise<void> {
  await inFleet(db, fleet, async (store) => {
    const version = await planVersion(store);
    if (version === 0) return;
    const standing = standingOf(await shopFacts(store, now(), settings.againSeconds));
    const unplaced = standing.request.jobs.filter(({ id }) => !standing.before.some(({ job }) => job === id));
    const [last] = await store.select().from(planRun).orderBy(desc(planRun.askedAt)).limit(1);
    const signature = signatureOf(standing);
    const asked = last?.fromVersion === version && last.signature === signature;
    const underWay = last?.state === 'waiting' || last?.state === 'searching';
    if ((standing.notes.length > 0 || unplaced.length > 0) && !asked && !underWay) {
      const run = uuidv7();
      await putProposalsAside(store);
      await forgetRuns(store, new Date(now().getTime() - settings.keepRunsDays * DAY_MS));
      await store.insert(planRun).values({
        fleetId: fleet,
        id: run,
        how: 'again',
        state: 'waiting',
        because,
        askedAt: now(),
        fromVersion: version,
        seconds: settings.againSeconds,
        signature,
        request: standing.request,
        before: standing.before,
      });
      await addTask(store, 'search-plan', { fleet, run }, run, { queue: searchesOf(fleet, false) });
      await tellLive(store, fleet, 'plan');
    }
    const [any] = await store.select({ job: planSlot.jobId }).from(planSlot).limit(1);
    const seconds = untilNextEnd(standing.before, now());
    if (any) await addTask(store, 'watch-plan', { fleet, because: null }, fleet, { seconds });
  });
}
