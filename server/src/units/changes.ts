import {
  changedFacts,
  changePhotoKey,
  type FactChange,
  isJudgedBy,
  type SeenBy,
  type UnitChange,
  type UnitForm,
} from '@zealous-axle/core';
import { and, eq, gte, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { person } from '../access';
import { invalid } from '../problem';
import type { Doing } from '../run';
import { type Before, type FleetStore, keptBefore, newestKept, prepared } from '../store';
import { unitChange } from './schema';
import type { UnitRow } from './units';

type Noting = Pick<Doing<'set-unit'>, 'store' | 'session' | 'at' | 'now'>;

/** Why something was changed, and what it was seen by. */
export interface Because {
  seen?: SeenBy | undefined;
  reason: string;
}

/** Keeps that facts of a unit were changed. What changed nothing is not kept. */
export async function noteFacts(
  { store, session, at, now }: Noting,
  unitId: string,
  facts: readonly FactChange[],
  { seen, reason }: Because,
  id: string = uuidv7(),
): Promise<void> {
  if (facts.length === 0) return;
  await store.insert(unitChange).values({
    fleetId: session.fleet.id,
    id,
    unitId,
    facts: [...facts],
    seen: seen ?? null,
    reason,
    changedBy: session.person.id,
    changedAt: at,
    recordedAt: now,
  });
}

type Facts = Pick<UnitForm, 'number' | 'body' | 'kind' | 'site' | 'axles' | 'features'>;

/** Keeps what a unit was and is now. What it is judged by is changed with a reason only. Says whether that changed. */
export async function noteChange(
  doing: Noting,
  before: UnitRow,
  after: Facts,
  because: Because | undefined,
  id?: string,
): Promise<boolean> {
  const facts = changedFacts(before, after);
  const judged = isJudgedBy(facts);
  if (judged && !because) throw invalid('body.because', 'reason-needed');
  await noteFacts(doing, before.id, facts, because ?? { reason: '' }, id);
  return judged;
}

type Row = typeof unitChange.$inferSelect;

async function viewsOf(store: FleetStore, rows: readonly { change: Row; by: string }[]): Promise<UnitChange[]> {
  if (rows.length === 0) return [];
  const keys = rows.map(({ change }) => changePhotoKey(change.id));
  const { rows: photos } = await store.execute<{ id: string; key: string }>(
    sql`select id, key from photo where unit_id = ${rows[0]?.change.unitId} and key = any(${sql.param(keys)}::text[])
      order by taken_at, id`,
  );
  return rows.map(({ change, by }) => ({
    id: change.id,
    at: change.changedAt.toISOString(),
    by,
    facts: change.facts,
    seen: change.seen,
    reason: change.reason,
    photos: photos.filter(({ key }) => key === changePhotoKey(change.id)).map(({ id }) => id),
  }));
}

const select = (store: FleetStore) =>
  store
    .select({ change: unitChange, by: person.name })
    .from(unitChange)
    .innerJoin(person, and(eq(person.fleetId, unitChange.fleetId), eq(person.id, unitChange.changedBy)));

const NEWEST_FIRST = newestKept(unitChange.recordedAt, unitChange.id);

/** Every change of a unit that was kept since an instant and until another, the newest first. */
export async function changesSince(
  store: FleetStore,
  unitId: string,
  since: Date,
  until: Date | null = null,
): Promise<UnitChange[]> {
  const rows = await select(store)
    .where(
      and(
        eq(unitChange.unitId, unitId),
        gte(unitChange.recordedAt, since),
        until ? sql`${unitChange.recordedAt} <= ${until}` : undefined,
      ),
    )
    .orderBy(...NEWEST_FIRST);
  return viewsOf(store, rows);
}

/** At most so many changes of a unit, the newest first, older than an instant; each with when it was kept. */
export async function changesBefore(store: FleetStore, unitId: string, before: Before, most: number) {
  const asked = prepared(store, `changes ${before ? 'before' : ''}`, () =>
    select(store)
      .where(
        and(
          eq(unitChange.unitId, sql.placeholder('unit')),
          before ? keptBefore(unitChange.recordedAt, unitChange.id) : undefined,
        ),
      )
      .orderBy(...NEWEST_FIRST)
      .limit(sql.placeholder('most')),
  );
  const rows = await asked.execute({ unit: unitId, ...before, most });
  const views = await viewsOf(store, rows);
  return views.map((view, nth) => ({ view, recordedAt: rows[nth]?.change.recordedAt as Date }));
}
