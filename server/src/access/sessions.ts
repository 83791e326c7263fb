import { createHash, randomBytes } from 'node:crypto';
import type { OwnSessions } from '@zealous-axle/core';
import { and, desc, eq, gt, lt, ne, sql } from 'drizzle-orm';
import type { Actor } from '../run';
import { type Database, type FleetStore, inFleet, prepared, readInFleet } from '../store';
import { hashPassword, passwordFits } from './passwords';
import { fleet, person, session } from './schema';

export const SESSION_DAYS = 30;
const tokenHash = (secret: string): string => createHash('sha256').update(secret).digest('hex');
/** Codes are long and drawn at random: a plain hash gives nothing away. */
const codeHash = tokenHash;
const CODE_DAYS = 7;

/** What is kept of a code that opens the door once, within a week. */
export const inviteBy = (code: string, now: Date) => ({
  inviteHash: codeHash(code),
  inviteUntil: new Date(now.getTime() + CODE_DAYS * 86_400_000),
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

/** Opens a session: its token (`fleet.secret`), and what `work` makes of whoever it belongs to; null when name or password is wrong. */
export async function signIn<T>(
  db: Database,
  { name, password }: { name: string; password: string },
  now: Date,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<{ token: string; answer: T } | null> {
  const asked = splitName(name);
  const ours = asked ? await fleetBySlug(db, asked.slug) : null;
  if (!asked || !ours) {
    await passwordFits(null, password);
    return null;
  }
  return inFleet(db, ours.fleetId, async (store) => {
    const [found] = await store
      .select()
      .from(person)
      .where(and(eq(person.signIn, asked.who), eq(person.active, true)));
    if (!(await passwordFits(found?.passwordHash ?? null, password)) || !found) return null;
    return { token: await openSession(store, found, now), answer: await work(store, actorOf(found, ours)) };
  });
}

/** A new secret each time; the token is `fleet.secret`. */
async function openSession(store: FleetStore, { fleetId, id }: typeof person.$inferSelect, now: Date): Promise<string> {
  const secret = randomBytes(32).toString('base64url');
  await store.delete(session).where(lt(session.expiresAt, now));
  await store.insert(session).values({
    fleetId,
    tokenHash: tokenHash(secret),
    personId: id,
    expiresAt: new Date(now.getTime() + SESSION_DAYS * 86_400_000),
  });
  return `${fleetId}.${secret}`;
}

/** Takes up an invitation: the code opens the door once, and the password is set from then on. Null when it opens nothing. */
export async function claim<T>(
  db: Database,
  { name, code, password }: { name: string; code: string; password: string },
  now: Date,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<{ token: string; answer: T } | null> {
  const asked = splitName(name);
  const ours = asked ? await fleetBySlug(db, asked.slug) : null;
  const passwordHash = await hashPassword(password);
  if (!asked || !ours) return null;
  return inFleet(db, ours.fleetId, async (store) => {
    const [invited] = await store
      .update(person)
      .set({ passwordHash, inviteHash: null, inviteUntil: null })
      .where(
        and(
          eq(person.signIn, asked.who),
          eq(person.active, true),
          eq(person.inviteHash, codeHash(code)),
          gt(person.inviteUntil, now),
        ),
      )
      .returning();
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
  const here = tokenHash(splitToken(token)?.secret ?? '');
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
    .where(and(eq(session.personId, personId), but ? ne(session.tokenHash, tokenHash(but)) : undefined));

function splitToken(token: string): { fleetId: string; secret: string } | null {
  const [fleetId = '', secret = ''] = token.split('.');
  return UUID.test(fleetId) && secret ? { fleetId, secret } : null;
}

const actorOf = (who: typeof person.$inferSelect, ours: typeof fleet.$inferSelect): Actor => ({
  person: { id: who.id, name: who.name, role: who.role, units: who.units },
  fleet: {
    id: ours.fleetId,
    name: ours.name,
    zone: ours.zone,
    book: ours.book,
    policies: ours.policies,
    units: ours.units,
    version: ours.version,
  },
});

/** Who a token belongs to; null when it is unknown, expired or its person no longer active. */
async function sessionIn(store: FleetStore, secret: string, now: Date): Promise<Actor | null> {
  const asked = prepared(store, 'session', () =>
    store
      .select({ person, fleet })
      .from(session)
      .innerJoin(person, and(eq(person.fleetId, session.fleetId), eq(person.id, session.personId)))
      .innerJoin(fleet, eq(fleet.fleetId, session.fleetId))
      .where(
        and(
          eq(session.tokenHash, sql.placeholder('token')),
          gt(session.expiresAt, sql.placeholder('now')),
          eq(person.active, true),
        ),
      ),
  );
  const [row] = await asked.execute({ token: tokenHash(secret), now });
  return row ? actorOf(row.person, row.fleet) : null;
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
  return readInFleet(db, parts.fleetId, async (store) => {
    const found = await sessionIn(store, parts.secret, now);
    return found ? { answer: await work(store, found) } : null;
  });
}

/** Ends a session. Ending one twice does nothing. */
export async function signOut(db: Database, token: string): Promise<void> {
  const parts = splitToken(token);
  if (!parts) return;
  await inFleet(db, parts.fleetId, (store) =>
    store.delete(session).where(eq(session.tokenHash, tokenHash(parts.secret))),
  );
}
