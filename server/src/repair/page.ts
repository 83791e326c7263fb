import { dayIn, type JobPage } from '@zealous-axle/core';
import { defectViews } from '../defects';
import { openHolds } from '../fleet';
import { standingReadings } from '../inspection';
import type { FleetStore } from '../store';
import { bayList, jobViews, workOn } from './queries';

/** One job with all that was done on it; null when there is none. */
export async function jobPage(store: FleetStore, id: string, zone: string, now: Date): Promise<JobPage | null> {
  const [job] = await jobViews(store, { id });
  if (!job) return null;
  return {
    job,
    bays: await bayList(store),
    today: dayIn(zone, now),
    held: (await openHolds(store, job.unit.id)).length > 0,
    defects: await defectViews(store, { jobId: job.id }),
    standing: await standingReadings(store, job.unit.id),
    ...(await workOn(store, job.id)),
  };
}
