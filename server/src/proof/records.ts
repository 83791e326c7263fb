import type { RecordCheck, Records } from '@zealous-axle/core';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { fleet, person } from '../access';
import { found, securityEntry } from '../run';
import type { FleetStore } from '../store';
import { unit } from '../units';
import { hooksOf } from './hooks';
import { keepingOf, pastOf } from './keeping';
import { legalHold, recordChain, recordCheck } from './schema';

const SHOWN = 5;

/** The newest entry of the chain; null where nothing was recorded. */
async function headOf(store: FleetStore): Promise<Records['head']> {
  const [row] = await store
    .select({ nr: recordChain.nr, hash: recordChain.hash, at: recordChain.recordedAt })
    .from(recordChain)
    .orderBy(desc(recordChain.nr))
    .limit(1);
  return row ? { nr: row.nr, hash: row.hash.toString('hex'), at: row.at.toISOString() } : null;
}

async function checksOf(store: FleetStore): Promise<RecordCheck[]> {
  const rows = await store
    .select({ check: recordCheck, by: person.name })
    .from(recordCheck)
    .innerJoin(person, and(eq(person.fleetId, recordCheck.fleetId), eq(person.id, recordCheck.askedBy)))
    .orderBy(desc(recordCheck.askedAt))
    .limit(SHOWN);
  return rows.map(({ check: { id, askedAt, endedAt, entries, rows: count, problems }, by }) => ({
    id,
    asked: { by, at: askedAt.toISOString() },
    ended: endedAt?.toISOString() ?? null,
    entries,
    rows: count,
    problems,
  }));
}

/** The last backup that came back when it was tried, and the last that failed since. */
async function backupOf(store: FleetStore, scheduled: boolean): Promise<Records['backup']> {
  const rows = await store
    .selectDistinctOn([securityEntry.kind])
    .from(securityEntry)
    .where(inArray(securityEntry.kind, ['backed-up', 'backup-failed']))
    .orderBy(securityEntry.kind, desc(securityEntry.id));
  const good = rows.find(({ kind }) => kind === 'backed-up');
  const failed = rows.find(({ kind }) => kind === 'backup-failed');
  return {
    scheduled,
    good: good?.at.toISOString() ?? null,
    failed: failed && (!good || failed.id > good.id) ? { at: failed.at.toISOString(), why: failed.what ?? '' } : null,
  };
}

async function legalHoldsOf(store: FleetStore): Promise<Records['legalHolds']> {
  const rows = await store
    .select({ held: legalHold, by: person.name, number: unit.number })
    .from(legalHold)
    .innerJoin(person, and(eq(person.fleetId, legalHold.fleetId), eq(person.id, legalHold.placedBy)))
    .leftJoin(unit, and(eq(unit.fleetId, legalHold.fleetId), eq(unit.id, legalHold.unitId)))
    .where(isNull(legalHold.liftedAt))
    .orderBy(sql`${legalHold.placedAt} desc`);
  return rows.map(({ held, by, number }) => ({
    id: held.id,
    unit: held.unitId ? { id: held.unitId, number: number ?? '' } : null,
    reason: held.reason,
    by,
    at: held.placedAt.toISOString(),
  }));
}

/** What is known of the records themselves. */
export async function recordsOf(store: FleetStore, now: Date, scheduled: boolean): Promise<Records> {
  const [row] = await store.select().from(fleet);
  const ours = found(row);
  return {
    head: await headOf(store),
    checks: await checksOf(store),
    backup: await backupOf(store, scheduled),
    keeping: keepingOf(ours),
    version: ours.version,
    legalHolds: await legalHoldsOf(store),
    past: await pastOf(store, now),
    hooks: await hooksOf(store, now),
  };
}
