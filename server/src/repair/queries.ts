import type { JobState, JobView } from '@zealous-axle/core';
import { and, asc, desc, eq, inArray, type SQL } from 'drizzle-orm';
import { person } from '../access';
import { certificate } from '../defects';
import { bay, unit } from '../fleet';
import type { FleetStore } from '../store';
import { job, torqueCheck } from './schema';

export type JobRow = typeof job.$inferSelect;

export interface JobQuestion {
  unitId?: string;
  id?: string;
  states?: readonly JobState[];
}

const MOST = 200;

async function torqueOf(store: FleetStore, jobs: readonly string[]) {
  if (jobs.length === 0) return [];
  return store
    .select({ check: torqueCheck, by: person.name })
    .from(torqueCheck)
    .innerJoin(person, and(eq(person.fleetId, torqueCheck.fleetId), eq(person.id, torqueCheck.checkedBy)))
    .where(inArray(torqueCheck.jobId, [...jobs]))
    .orderBy(asc(torqueCheck.checkedAt));
}

/** Jobs with unit, bay, torque checks and certificate, the next day first. */
export async function jobViews(store: FleetStore, asked: JobQuestion): Promise<JobView[]> {
  const where: SQL[] = [];
  if (asked.unitId) where.push(eq(job.unitId, asked.unitId));
  if (asked.id) where.push(eq(job.id, asked.id));
  if (asked.states) where.push(inArray(job.state, [...asked.states]));
  const rows = await store
    .select({ job, unit, bay, certificate, signer: person.name })
    .from(job)
    .innerJoin(unit, and(eq(unit.fleetId, job.fleetId), eq(unit.id, job.unitId)))
    .leftJoin(bay, and(eq(bay.fleetId, job.fleetId), eq(bay.id, job.bayId)))
    .leftJoin(certificate, and(eq(certificate.fleetId, job.fleetId), eq(certificate.jobId, job.id)))
    .leftJoin(person, and(eq(person.fleetId, job.fleetId), eq(person.id, certificate.signedBy)))
    .where(and(...where))
    .orderBy(desc(job.day), asc(job.id))
    .limit(MOST);
  const torque = await torqueOf(
    store,
    rows.map((row) => row.job.id),
  );
  return rows.map((row) => ({
    id: row.job.id,
    unit: {
      id: row.unit.id,
      number: row.unit.number,
      body: row.unit.body,
      kind: row.unit.kind,
      axles: row.unit.axles,
    },
    title: row.job.title,
    state: row.job.state,
    minutes: row.job.minutes,
    wheelsOff: row.job.wheelsOff,
    bay: row.bay ? { id: row.bay.id, name: row.bay.name } : null,
    day: row.job.day,
    done: row.job.done,
    doneAt: row.job.doneAt?.toISOString() ?? null,
    torque: torque
      .filter(({ check }) => check.jobId === row.job.id)
      .map(({ check, by }) => ({ value: check.value, tool: check.tool, by, at: check.checkedAt.toISOString() })),
    certified:
      row.certificate && row.signer
        ? { by: row.signer, at: row.certificate.signedAt.toISOString(), statement: row.certificate.statement }
        : null,
    version: row.job.version,
  }));
}

export async function findJob(store: FleetStore, id: string): Promise<JobRow | null> {
  const [found] = await store.select().from(job).where(eq(job.id, id));
  return found ?? null;
}

export const bayList = (store: FleetStore) =>
  store.select({ id: bay.id, name: bay.name }).from(bay).orderBy(asc(bay.rank));
