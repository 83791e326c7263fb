import { type DefectState, type DefectView, OPEN_DEFECT_STATES, positionCode } from '@zealous-axle/core';
import { and, asc, desc, eq, inArray, type SQL } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { person } from '../access';
import { unit } from '../fleet';
import type { FleetStore } from '../store';
import { certificate, defect } from './schema';

export type DefectRow = typeof defect.$inferSelect;

export interface DefectQuestion {
  unitId?: string;
  jobId?: string;
  id?: string;
  states?: readonly DefectState[];
}

const reporter = alias(person, 'reporter');
const signer = alias(person, 'signer');
const MOST = 200;

/** Defects with their unit, reporter and certificate, newest first. */
export async function defectViews(store: FleetStore, asked: DefectQuestion): Promise<DefectView[]> {
  const where: SQL[] = [];
  if (asked.unitId) where.push(eq(defect.unitId, asked.unitId));
  if (asked.jobId) where.push(eq(defect.jobId, asked.jobId));
  if (asked.id) where.push(eq(defect.id, asked.id));
  if (asked.states) where.push(inArray(defect.state, [...asked.states]));
  const rows = await store
    .select({ defect, unit, by: reporter.name, certificate, signer: signer.name })
    .from(defect)
    .innerJoin(unit, and(eq(unit.fleetId, defect.fleetId), eq(unit.id, defect.unitId)))
    .innerJoin(reporter, and(eq(reporter.fleetId, defect.fleetId), eq(reporter.id, defect.reportedBy)))
    .leftJoin(certificate, and(eq(certificate.fleetId, defect.fleetId), eq(certificate.jobId, defect.jobId)))
    .leftJoin(signer, and(eq(signer.fleetId, defect.fleetId), eq(signer.id, certificate.signedBy)))
    .where(and(...where))
    .orderBy(desc(defect.reportedAt), desc(defect.id))
    .limit(MOST);
  return rows.map((row) => ({
    id: row.defect.id,
    unit: { id: row.unit.id, number: row.unit.number, body: row.unit.body, kind: row.unit.kind },
    code: row.defect.code,
    axle: row.defect.axle,
    side: row.defect.side,
    tyre: row.defect.tyre,
    words: row.defect.words,
    state: row.defect.state,
    holds: row.defect.holds,
    origin: row.defect.origin,
    reportedBy: row.by,
    reportedAt: row.defect.reportedAt.toISOString(),
    job: row.defect.jobId,
    certified:
      row.certificate && row.signer
        ? { by: row.signer, at: row.certificate.signedAt.toISOString(), statement: row.certificate.statement }
        : null,
    version: row.defect.version,
  }));
}

/** Every open defect of a unit, whole: what decides reads these, never a list made for a screen. */
export const openDefects = (store: FleetStore, unitId: string): Promise<DefectRow[]> =>
  store
    .select()
    .from(defect)
    .where(and(eq(defect.unitId, unitId), inArray(defect.state, [...OPEN_DEFECT_STATES])))
    .orderBy(asc(defect.reportedAt), asc(defect.id));

/** The defects a job repairs, whole. */
export const defectsOfJob = (store: FleetStore, jobId: string): Promise<DefectRow[]> =>
  store.select().from(defect).where(eq(defect.jobId, jobId)).orderBy(asc(defect.id));

export async function findDefect(store: FleetStore, id: string): Promise<DefectRow | null> {
  const [found] = await store.select().from(defect).where(eq(defect.id, id));
  return found ?? null;
}

/** The place of a defect in short: `2L-out`, or the whole unit. */
export const defectPlace = ({ axle, side, tyre }: Pick<DefectRow, 'axle' | 'side' | 'tyre'>): string =>
  axle !== null && side !== null ? positionCode({ axle, side, tyre }) : 'Trailer';
