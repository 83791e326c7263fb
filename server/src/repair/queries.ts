import { type Finished, type JobState, type JobView, OPEN_JOB_STATES } from '@zealous-axle/core';
import { and, asc, count, desc, eq, inArray, sql } from 'drizzle-orm';
import { person } from '../access';
import { certificate } from '../defects';
import { bay, unit } from '../fleet';
import { type Key, pageOf } from '../http';
import { type FleetStore, prepared } from '../store';
import { job, torqueCheck } from './schema';

export type JobRow = typeof job.$inferSelect;

/** When the server learnt that a job is done, and from whom; null while it is not. */
export const finishedOf = ({ doneRecordedAt, doneBy }: JobRow): Finished | null =>
  doneRecordedAt && doneBy ? { at: doneRecordedAt.toISOString(), by: doneBy } : null;

export interface JobQuestion {
  unitId?: string;
  id?: string;
  states?: readonly JobState[];
}

async function torqueOf(store: FleetStore, jobs: readonly string[]) {
  if (jobs.length === 0) return [];
  return store
    .select({ check: torqueCheck, by: person.name })
    .from(torqueCheck)
    .innerJoin(person, and(eq(person.fleetId, torqueCheck.fleetId), eq(person.id, torqueCheck.checkedBy)))
    .where(sql`${torqueCheck.jobId} = any(${sql.param([...jobs])}::uuid[])`)
    .orderBy(asc(torqueCheck.checkedAt));
}

function select(store: FleetStore) {
  return store
    .select({ job, unit, bay, certificate, signer: person.name })
    .from(job)
    .innerJoin(unit, and(eq(unit.fleetId, job.fleetId), eq(unit.id, job.unitId)))
    .leftJoin(bay, and(eq(bay.fleetId, job.fleetId), eq(bay.id, job.bayId)))
    .leftJoin(certificate, and(eq(certificate.fleetId, job.fleetId), eq(certificate.jobId, job.id)))
    .leftJoin(person, and(eq(person.fleetId, job.fleetId), eq(person.id, certificate.signedBy)));
}

async function viewsOf(store: FleetStore, rows: Awaited<ReturnType<typeof select>>): Promise<JobView[]> {
  const torque = await torqueOf(
    store,
    rows.map((row) => row.job.id),
  );
  return rows.map(
    (row): JobView => ({
      id: row.job.id,
      unit: {
        id: row.unit.id,
        number: row.unit.number,
        body: row.unit.body,
        kind: row.unit.kind,
        axles: row.unit.axles,
        features: row.unit.features,
      },
      title: row.job.title,
      state: row.job.state,
      minutes: row.job.minutes,
      wheelsOff: row.job.wheelsOff,
      bay: row.bay ? { id: row.bay.id, name: row.bay.name } : null,
      day: row.job.day,
      done: row.job.done,
      doneAt: row.job.doneAt?.toISOString() ?? null,
      finished: finishedOf(row.job),
      torque: torque
        .filter(({ check }) => check.jobId === row.job.id)
        .map(({ check, by }) => ({ value: check.value, tool: check.tool, by, at: check.checkedAt.toISOString() })),
      certified:
        row.certificate && row.signer
          ? { by: row.signer, at: row.certificate.signedAt.toISOString(), statement: row.certificate.statement }
          : null,
      version: row.job.version,
    }),
  );
}

/** Jobs with unit, bay, torque checks and certificate, the next day first: all that were asked for. */
export async function jobViews(store: FleetStore, asked: JobQuestion): Promise<JobView[]> {
  const statement = prepared(store, `jobs by ${Object.keys(asked).sort()}`, () =>
    select(store)
      .where(
        and(
          asked.unitId ? eq(job.unitId, sql.placeholder('unitId')) : undefined,
          asked.id ? eq(job.id, sql.placeholder('id')) : undefined,
          asked.states ? sql`${job.state} = any(${sql.placeholder('states')}::text[])` : undefined,
        ),
      )
      .orderBy(desc(job.day), asc(job.id)),
  );
  return viewsOf(store, await statement.execute({ ...asked }));
}

/** Before every day: a job that is on none. */
const NO_DAY = '0001-01-01';

/** A page of the open jobs: what is on no day yet, then day after day. */
export async function openJobs(store: FleetStore, key: Key | null, size: number) {
  const day = sql<string>`coalesce(${job.day}, ${NO_DAY}::date)`;
  const rows = await select(store)
    .where(
      and(
        inArray(job.state, [...OPEN_JOB_STATES]),
        key ? sql`(${day}, ${job.id}) > (${key[0]}::date, ${key[1]}::uuid)` : undefined,
      ),
    )
    .orderBy(asc(day), asc(job.id))
    .limit(size + 1);
  return pageOf(await viewsOf(store, rows), size, (row) => [row.day ?? NO_DAY, row.id]);
}

export async function countOpenJobs(store: FleetStore): Promise<number> {
  const [row] = await store
    .select({ n: count() })
    .from(job)
    .where(inArray(job.state, [...OPEN_JOB_STATES]));
  return row?.n ?? 0;
}

export async function findJob(store: FleetStore, id: string): Promise<JobRow | null> {
  const [found] = await store.select().from(job).where(eq(job.id, id));
  return found ?? null;
}

export const bayList = (store: FleetStore) =>
  store.select({ id: bay.id, name: bay.name }).from(bay).orderBy(asc(bay.rank));
