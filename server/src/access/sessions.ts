import { randomBytes } from 'node:crypto';
import type { OwnSessions, SecurityKind } from '@zealous-axle/core';
import { and, asc, desc, eq, gt, lt, ne, sql } from 'drizzle-orm';
import { type Actor, noteSecurity } from '../run';
import { type Database, type FleetStore, inFleet, prepared, readInFleet } from '../store';
import { hashPassword, passwordFits, secretHash } from './passwords';
import { fleet, person, session } from './schema';
import { factorFits } from './second-factor';

/** A session ends after so many days, and sooner where nothing was asked with it for so long. */
export const SESSION_DAYS = 30;
const IDLE_DAYS = 7;
const DAY_MS = 86_400_000;
/** How exactly it is known when a session was last used: a read does not write each time. */
const SEEN_EVERY_MS = 3_600_000;
const CODE_DAYS = 7;

/** What is kept of a code that opens the door once, within a week. */
export const inviteBy = (code: string, now: Date) => ({
  inviteHash: secretHash(code),
  inviteUntil: new Date(now.getTime() + CODE_DAYS * DAY_MS),
});
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** A sign-in name is `person@fleet`. */
function splitName(name: string): { who: string; slug: string } | null {
  const found = /^([^@\s]+)@([^@\s]+)$/.exec(name.trim().toLowerCase());
  return found ? { who: found[1] ?? '', slug: found[2] ?? '' } : null;
}

/** A fleet by the short name its people sign in with. */
export const fleetBySlug = (db: Database, slug: string) =>
  db.transaction(async (store) => {
    await store.execute(sql`select set_config('za.slug', ${slug}, true)`);
    const [found] = await store.select().from(fleet).where(eq(fleet.slug, slug));
    return found ?? null;
  });

/** The short name a fleet's people sign in with. */
export async function slugOf(store: FleetStore, fleetId: string): Promise<string> {
  const [ours] = await store.select({ slug: fleet.slug }).from(fleet).where(eq(fleet.fleetId, fleetId));
  return ours?.slug ?? '';
}

/** A session's token (`fleet.secret`), and what was made of whoever it belongs to. */
export interface Opened<T> {
  token: string;
  answer: T;
}
export type SignedIn<T> =
  | { opened: Opened<T> }
  | { refused: 'wrong-sign-in' | 'second-factor' | 'wrong-second-factor' | 'no-proof' };

/** When and from where somebody comes in, and which fleet nobody comes into. */
export interface Coming {
  now: Date;
  from: string;
  closedFleet?: string | undefined;
  /** Too many guessed from there: only who brings the second factor is looked at, and before their password. */
  proofOnly?: boolean;
}

/** Opens a session. Whether a second factor is asked for is said to who knows the password. */
export async function signIn<T>(
  db: Database,
  { name, password, code }: { name: string; password: string; code?: string | undefined },
  { now, from, closedFleet, proofOnly = false }: Coming,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<SignedIn<T>> {
  const asked = splitName(name);
  const ours = asked ? await fleetBySlug(db, asked.slug) : null;
  if (!asked || !ours || ours.fleetId === closedFleet) {
    if (proofOnly) return { refused: 'no-proof' };
    await passwordFits(null, password);
    return { refused: 'wrong-sign-in' };
  }
  return inFleet(db, ours.fleetId, async (store) => {
    const [found] = await store
      .select()
      .from(person)
      .where(and(eq(person.signIn, asked.who), eq(person.active, true)));
    const note = (kind: SecurityKind) =>
      noteSecurity(store, ours.fleetId, { kind, person: found?.id ?? null, what: name, from, at: now });
    const proved = proofOnly && found?.factorOn ? await factorFits(store, found, code ?? '', now) : false;
    if (proofOnly && !proved) return { refused: 'no-proof' };
    if (!(await passwordFits(found?.passwordHash ?? null, password)) || !found) {
      await note('sign-in-refused');
      return { refused: 'wrong-sign-in' };
    }
    if (found.factorOn && !code) return { refused: 'second-factor' };
    if (found.factorOn && !proved && !(await factorFits(store, found, code ?? '', now))) {
      await note('factor-refused');
      return { refused: 'wrong-second-factor' };
    }
    await note('signed-in');
    if (found.pinTries) await store.update(person).set({ pinTries: 0 }).where(eq(person.id, found.id));
    return {
      opened: { token: await openSession(store, found, now), answer: await work(store, actorOf(found, ours)) },
    };
  });
}

/** A new secret each time; the token is `fleet.secret`. */
export async function openSession(
  store: FleetStore,
  { fleetId, id }: typeof person.$inferSelect,
  now: Date,
  fullAt = now,
): Promise<string> {
  const secret = randomBytes(32).toString('base64url');
  await store.delete(session).where(lt(session.expiresAt, now));
  await store.insert(session).values({
    fleetId,
    tokenHash: secretHash(secret),
    personId: id,
    expiresAt: new Date(now.getTime() + SESSION_DAYS * DAY_MS),
    seenAt: now,
    fullAt,
  });
  return `${fleetId}.${secret}`;
}

/** Takes up an invitation: the code opens the door once, and the password is set from then on. Null when it opens nothing. */
export async function claim<T>(
  db: Database,
  { name, code, password }: { name: string; code: string; password: string },
  { now, from, closedFleet }: Coming,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<Opened<T> | null> {
  const asked = splitName(name);
  const ours = asked ? await fleetBySlug(db, asked.slug) : null;
  if (!asked || !ours || ours.fleetId === closedFleet) return null;
  return inFleet(db, ours.fleetId, async (store) => {
    // The code is used up before the password is hashed: what a wrong one costs is a look.
    const [known] = await store
      .update(person)
      .set({ inviteHash: null, inviteUntil: null })
      .where(
        and(
          eq(person.signIn, asked.who),
          eq(person.active, true),
          eq(person.inviteHash, secretHash(code)),
          gt(person.inviteUntil, now),
        ),
      )
      .returning({ id: person.id });
    const [invited] = known
      ? await store
          .update(person)
          .set({ passwordHash: await hashPassword(password) })
          .where(eq(person.id, known.id))
          .returning()
      : [];
    const kind = invited ? 'code-used' : 'code-refused';
    await noteSecurity(store, ours.fleetId, { kind, person: invited?.id ?? null, what: name, from, at: now });
    if (!invited) return null;
    return { token: await openSession(store, invited, now), answer: await work(store, actorOf(invited, ours)) };
  });
}

/** Sets one's own password, and ends one's other sessions. False when the current one is wrong. */
export async function changePassword(
  store: FleetStore,
  actor: Actor,
  token: string,
  { current, next }: { current: string; next: string },
): Promise<boolean> {
  const [own] = await store.select().from(person).where(eq(person.id, actor.person.id));
  if (!(await passwordFits(own?.passwordHash ?? null, current))) return false;
  await store
    .update(person)
    .set({ passwordHash: await hashPassword(next) })
    .where(eq(person.id, actor.person.id));
  await endSessions(store, actor.person.id, splitToken(token)?.secret);
  return true;
}

/** One's own sessions, the newest first. */
export async function ownSessions(store: FleetStore, actor: Actor, token: string, now: Date): Promise<OwnSessions> {
  const here = secretHash(splitToken(token)?.secret ?? '');
  const rows = await store
    .select()
    .from(session)
    .where(and(eq(session.personId, actor.person.id), gt(session.expiresAt, now)))
    .orderBy(desc(session.createdAt));
  return rows.map((row) => ({
    opened: row.createdAt.toISOString(),
    ends: row.expiresAt.toISOString(),
    here: row.tokenHash === here,
  }));
}

/** Ends one's sessions, all but this one. */
export const endOthers = (store: FleetStore, actor: Actor, token: string) =>
  endSessions(store, actor.person.id, splitToken(token)?.secret);

/** Ends a person's sessions, all but the one of this secret. */
export const endSessions = (store: FleetStore, personId: string, but?: string) =>
  store
    .delete(session)
    .where(and(eq(session.personId, personId), but ? ne(session.tokenHash, secretHash(but)) : undefined));

export function splitToken(token: string): { fleetId: string; secret: string } | null {
  const [fleetId = '', secret = ''] = token.split('.');
  return UUID.test(fleetId) && secret ? { fleetId, secret } : null;
}

const actorOf = (who: typeof person.$inferSelect, ours: typeof fleet.$inferSelect): Actor => ({
  person: { id: who.id, name: who.name, role: who.role, secondFactor: who.factorOn, units: who.units },
  fleet: {
    id: ours.fleetId,
    name: ours.name,
    zone: ours.zone,
    book: ours.book,
    policies: ours.policies,
    signs: ours.signs,
    checks: ours.checks,
    phrases: ours.phrases,
    units: ours.units,
    version: ours.version,
  },
});

/** Somebody of the fleet, as whoever acts. */
export async function theirActor(store: FleetStore, who: typeof person.$inferSelect): Promise<Actor> {
  const [ours] = await store.select().from(fleet).where(eq(fleet.fleetId, who.fleetId));
  if (!ours) throw new Error('a person without a fleet');
  return actorOf(who, ours);
}

/** Somebody of the fleet by their id; where nobody is named, the manager who has been there longest. */
export async function actorFor(store: FleetStore, id: string | null): Promise<Actor> {
  const [who] = await store
    .select()
    .from(person)
    .where(id ? eq(person.id, id) : eq(person.role, 'manager'))
    .orderBy(desc(person.active), asc(person.id))
    .limit(1);
  if (!who) throw new Error('a fleet without a manager');
  return theirActor(store, who);
}

/** Who a token belongs to; null when it is unknown, ended, idle for too long or its person no longer active. */
async function sessionIn(store: FleetStore, secret: string, now: Date): Promise<{ actor: Actor; seenAt: Date } | null> {
  const asked = prepared(store, 'session', () =>
    store
      .select({ person, fleet, seenAt: session.seenAt })
      .from(session)
      .innerJoin(person, and(eq(person.fleetId, session.fleetId), eq(person.id, session.personId)))
      .innerJoin(fleet, eq(fleet.fleetId, session.fleetId))
      .where(
        and(
          eq(session.tokenHash, sql.placeholder('token')),
          gt(session.expiresAt, sql.placeholder('now')),
          gt(session.seenAt, sql.placeholder('idle')),
          eq(person.active, true),
        ),
      ),
  );
  const idle = new Date(now.getTime() - IDLE_DAYS * DAY_MS);
  const [row] = await asked.execute({ token: secretHash(secret), now, idle });
  return row ? { actor: actorOf(row.person, row.fleet), seenAt: row.seenAt } : null;
}

/** Reads as whoever the token belongs to, in the transaction that looked them up; null when it is nobody. */
export async function asSession<T>(
  db: Database,
  token: string,
  now: Date,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<{ answer: T } | null> {
  const parts = splitToken(token);
  if (!parts) return null;
  const read = await readInFleet(db, parts.fleetId, async (store) => {
    const found = await sessionIn(store, parts.secret, now);
    return found ? { answer: await work(store, found.actor), seenAt: found.seenAt } : null;
  });
  if (read && now.getTime() - read.seenAt.getTime() > SEEN_EVERY_MS)
    await inFleet(db, parts.fleetId, (store) =>
      store
        .update(session)
        .set({ seenAt: now })
        .where(eq(session.tokenHash, secretHash(parts.secret))),
    );
  return read;
}

/** Ends a session. Ending one twice does nothing. */
export async function signOut(db: Database, token: string, { now, from }: Coming): Promise<void> {
  const parts = splitToken(token);
  if (!parts) return;
  await inFleet(db, parts.fleetId, async (store) => {
    const [ended] = await store
      .delete(session)
      .where(eq(session.tokenHash, secretHash(parts.secret)))
      .returning();
    if (ended) await noteSecurity(store, parts.fleetId, { kind: 'signed-out', person: ended.personId, from, at: now });
  });
}
