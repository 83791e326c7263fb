import { type Changers, dayIn } from '@zealous-axle/core';
import { and, asc, eq, isNotNull, lt, ne, sql } from 'drizzle-orm';
import { type Actor, noteSecurity } from '../run';
import { type Database, type FleetStore, inFleet } from '../store';
import { hashPassword, passwordFits, secretHash } from './passwords';
import { person, session } from './schema';
import { type Opened, openSession, splitToken, theirActor } from './sessions';

/** After so many wrong PINs typed in one session only a full sign-in opens again, there; of one person's anywhere, for that person. */
const MOST_TRIES = 5;
const MOST_OF_ONE = 30;

/** Sets one's own PIN, or takes it away; false when the password is wrong. */
export async function setPin(
  store: FleetStore,
  actor: Actor,
  { current, pin }: { current: string; pin: string | null },
): Promise<boolean> {
  const [own] = await store.select().from(person).where(eq(person.id, actor.person.id));
  if (!(await passwordFits(own?.passwordHash ?? null, current))) return false;
  const pinHash = pin === null ? null : await hashPassword(pin);
  await store.update(person).set({ pinHash, pinTries: 0 }).where(eq(person.id, actor.person.id));
  return true;
}

/** Whoever can be entered by a PIN: not who left, and not who has a second factor. */
const byPin = and(isNotNull(person.pinHash), eq(person.active, true), eq(person.factorOn, false));

async function fullToday(store: FleetStore, actor: Actor, token: string, now: Date): Promise<Date | null> {
  const here = secretHash(splitToken(token)?.secret ?? '');
  const [row] = await store.select().from(session).where(eq(session.tokenHash, here));
  const { zone } = actor.fleet;
  return row && dayIn(zone, row.fullAt) === dayIn(zone, now) ? row.fullAt : null;
}

/** Who may take over this device by a PIN. */
export async function changersOf(store: FleetStore, actor: Actor, token: string, now: Date): Promise<Changers> {
  const own = actor.person.id;
  const [full, people, [pin]] = await Promise.all([
    fullToday(store, actor, token, now),
    store
      .select({ id: person.id, name: person.name })
      .from(person)
      .where(and(byPin, ne(person.id, own)))
      .orderBy(asc(person.name)),
    store
      .select({ set: sql<boolean>`${person.pinHash} is not null` })
      .from(person)
      .where(eq(person.id, own)),
  ]);
  return { fullToday: full !== null, ownPin: pin?.set ?? false, people: full ? people : [] };
}

export type Change<T> = { opened: Opened<T> } | { refused: 'sign-in-first' | 'wrong-pin' };

/** Another person takes over the device: the session of whoever had it ends, and theirs opens. */
export async function changePerson<T>(
  db: Database,
  actor: Actor,
  token: string,
  asked: { person: string; pin: string },
  now: Date,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<Change<T>> {
  return inFleet(db, actor.fleet.id, async (store): Promise<Change<T>> => {
    const full = await fullToday(store, actor, token, now);
    if (!full) return { refused: 'sign-in-first' };
    const here = secretHash(splitToken(token)?.secret ?? '');
    // A try is counted before it is looked at: many at once are many tries.
    const [mine] = await store
      .update(session)
      .set({ pinTries: sql`${session.pinTries} + 1` })
      .where(and(eq(session.tokenHash, here), lt(session.pinTries, MOST_TRIES)))
      .returning({ tries: session.pinTries });
    if (!mine) return { refused: 'wrong-pin' };
    const [tried] = await store
      .update(person)
      .set({ pinTries: sql`${person.pinTries} + 1` })
      .where(and(eq(person.id, asked.person), byPin, lt(person.pinTries, MOST_OF_ONE)))
      .returning();
    const fits = await passwordFits(tried?.pinHash ?? null, asked.pin);
    const kind = fits ? 'person-changed' : 'pin-refused';
    await noteSecurity(store, actor.fleet.id, { kind, person: tried?.id ?? null, from: actor.from, at: now });
    if (!fits || !tried) return { refused: 'wrong-pin' };
    await store.update(person).set({ pinTries: 0 }).where(eq(person.id, tried.id));
    await store.delete(session).where(eq(session.tokenHash, here));
    const opened = await openSession(store, tried, now, full);
    return { opened: { token: opened, answer: await work(store, await theirActor(store, tried)) } };
  });
}
