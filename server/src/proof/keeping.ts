import {
  AFTER_LEAVING,
  type Deletion,
  KEEP_ALL,
  KEPT,
  type Keeping,
  type Kept,
  NO_WORK,
  tooShort,
} from '@zealous-axle/core';
import { subMonths } from 'date-fns';
import { eq, sql } from 'drizzle-orm';
import { endSessions, fleet, NO_FACTOR, noPassword, person } from '../access';
import { notNow } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { findUnit } from '../units';
import { legalHold } from './schema';

type Fleet = typeof fleet.$inferSelect;
export const keepingOf = ({ keeping }: Fleet): Keeping => ({ ...KEEP_ALL, ...keeping });

async function ours(store: FleetStore): Promise<Fleet> {
  const [row] = await store.select().from(fleet);
  return found(row);
}

/** For how long what is kept: never for less than the fleet's book has it. */
export const setKeeping: Handler<'set-keeping'> = async ({ store, body }) => {
  const row = await ours(store);
  await sameVersion(row, body.version, async () => ({ version: row.version, keeping: keepingOf(row) }));
  const short = tooShort(row.book, body.keeping);
  if (short) throw notNow('kept-too-short', short);
  const version = row.version + 1;
  await store.update(fleet).set({ keeping: body.keeping, version }).where(eq(fleet.fleetId, row.fleetId));
  return { unitId: null, changed: [changed('fleet', row.fleetId, version)] };
};

export const placeLegalHold: Handler<'place-legal-hold'> = async ({ store, session, now, body }) => {
  if (body.unit) found(await findUnit(store, body.unit));
  await store.insert(legalHold).values({
    fleetId: session.fleet.id,
    id: body.hold,
    unitId: body.unit,
    reason: body.reason,
    placedBy: session.person.id,
    placedAt: now,
  });
  return { unitId: body.unit, changed: [changed('hold', body.hold)] };
};

export const liftLegalHold: Handler<'lift-legal-hold'> = async ({ store, session, now, body }) => {
  const [row] = await store.select().from(legalHold).where(eq(legalHold.id, body.hold)).for('update');
  const placed = found(row);
  if (placed.liftedAt) throw notNow('lifted-already');
  await store.update(legalHold).set({ liftedBy: session.person.id, liftedAt: now }).where(eq(legalHold.id, placed.id));
  return { unitId: placed.unitId, changed: [changed('hold', placed.id)] };
};

/** A day's beginning, so many months ago: what was shown this morning is what is deleted this afternoon. */
const monthsAgo = (now: Date, months: number): string =>
  `${subMonths(now, months).toISOString().slice(0, 10)}T00:00:00.000Z`;

async function countPast(store: FleetStore, kept: Kept, before: string, leftBefore: string): Promise<number> {
  const asked =
    kept === 'security'
      ? sql`select count(*)::int as n from security_entry where at < ${before}::timestamptz`
      : sql`select count(*)::int as n from za_past(${kept}, ${before}::timestamptz, ${leftBefore}::timestamptz)`;
  const { rows } = await store.execute<{ n: number }>(asked);
  return rows[0]?.n ?? 0;
}

/** What is past its time by the fleet's own rule and the law's, and nothing rests on. */
export async function pastOf(store: FleetStore, now: Date): Promise<Deletion> {
  const keeping = keepingOf(await ours(store));
  const past: Deletion = [];
  for (const kept of KEPT) {
    const months = keeping[kept];
    if (months === null) continue;
    const before = monthsAgo(now, months);
    const count = await countPast(store, kept, before, monthsAgo(now, AFTER_LEAVING));
    if (count) past.push({ kept, before, count });
  }
  return past;
}

/** What is deleted first: what is made of something before that something. */
const ORDER: readonly Kept[] = ['photos', 'repairs', 'inspections', 'reports', 'security'];

/** Deletes what was shown, where it is still that. Its event says how many of what, and holds nothing of them. */
export const deletePast: Handler<'delete-past'> = async ({ store, session, now, body }) => {
  const past = await pastOf(store, now);
  if (JSON.stringify(past) !== JSON.stringify(body.shown)) throw notNow('other-past');
  const leftBefore = monthsAgo(now, AFTER_LEAVING);
  const asked = ORDER.flatMap((kept) => past.filter((each) => each.kept === kept));
  // What of each was shown is known before any of it goes: what nothing rests on only then was not shown.
  const shown = new Map<Kept, string[]>();
  for (const { kept, before } of asked) {
    const { rows } = await store.execute<{ id: string }>(
      sql`select id from za_past(${kept}, ${before}::timestamptz, ${leftBefore}::timestamptz)`,
    );
    shown.set(
      kept,
      rows.map(({ id }) => id),
    );
  }
  for (const { kept, before } of asked)
    await store.execute(
      sql`select za_delete_past(${kept}, ${before}::timestamptz, ${leftBefore}::timestamptz,
        ${sql.param(shown.get(kept) ?? [])}::uuid[])`,
    );
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** Whoever left loses their name, sign-in and hours; their acts stay, as done by nobody named. */
export const forgetPerson: Handler<'forget-person'> = async ({ store, body }) => {
  const [row] = await store.select().from(person).where(eq(person.id, body.person)).for('update');
  const whom = found(row);
  await sameVersion(whom, body.version, async () => ({ version: whom.version }));
  if (whom.active) throw notNow('not-left');
  await endSessions(store, whom.id);
  const version = whom.version + 1;
  const short = whom.id.slice(-6);
  await store
    .update(person)
    .set({
      name: `Former ${whom.role} ${short}`,
      signIn: `gone-${short}`,
      work: NO_WORK,
      passwordHash: await noPassword(),
      inviteHash: null,
      inviteUntil: null,
      pinHash: null,
      ...NO_FACTOR,
      version,
    })
    .where(eq(person.id, whom.id));
  return { unitId: null, changed: [changed('person', whom.id, version)] };
};
