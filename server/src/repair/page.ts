import { codeOf, dayIn, type JobRecord, type JobView } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { defectViews } from '../defects';
import { standingReadings } from '../inspection';
import { sealOf, signatureOf } from '../run';
import type { FleetStore } from '../store';
import { changesSince, openHolds } from '../units';
import { baysFor, jobViews, workOn } from './queries';

/** When the first of a job's defects was reported; of a job without any, when its unit was last inspected before. */
async function firstReported(store: FleetStore, { id, unit }: JobView): Promise<Date> {
  const { rows } = await store.execute<{ at: string }>(
    sql`select coalesce(
      (select min(reported_at) from defect where job_id = ${id}),
      (select max(started_at) from inspection where unit_id = ${unit.id} and job_id is null),
      'epoch') as at`,
  );
  return new Date(rows[0]?.at ?? 0);
}

/** One job with all that was done on it; null when there is none. */
export async function jobPage(store: FleetStore, id: string, zone: string, now: Date): Promise<JobRecord | null> {
  const [job] = await jobViews(store, { id });
  if (!job) return null;
  const done = await workOn(store, job.id);
  const signed = job.certified ? await signatureOf(store, 'certificate', job.id) : null;
  return {
    job,
    bays: await baysFor(store, done.work.bay),
    today: dayIn(zone, now),
    held: (await openHolds(store, job.unit.id)).length > 0,
    defects: await defectViews(store, { jobId: job.id }),
    standing: await standingReadings(store, job.unit.id),
    unitChanges: await changesSince(store, job.unit.id, await firstReported(store, job)),
    code: signed && codeOf(signed),
    sealed: job.certified ? await sealOf(store, 'certificate', job.id) : null,
    ...done,
  };
}
