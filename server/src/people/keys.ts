import type { PublicKey } from '@zealous-axle/core';
import { and, eq, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { type Actor, noteSecurity, personKey } from '../run';
import type { FleetStore } from '../store';

/** Takes up a key of whoever is signed in, once; null where it was revoked. */
export async function enrolKey(
  store: FleetStore,
  { person, fleet, from }: Actor,
  { x, y }: PublicKey,
  now: Date,
): Promise<string | null> {
  const its = and(eq(personKey.personId, person.id), eq(personKey.x, x), eq(personKey.y, y));
  const [known] = await store.select().from(personKey).where(its);
  if (known) return known.revokedAt ? null : known.id;
  const id = uuidv7();
  await store.insert(personKey).values({ fleetId: fleet.id, id, personId: person.id, x, y, enrolledAt: now });
  await noteSecurity(store, fleet.id, {
    kind: 'key-enrolled',
    person: person.id,
    what: `${x.slice(0, 12)}…`,
    from,
    at: now,
  });
  return id;
}

/** Whoever leaves, or whose sign-in is begun anew, signs with none of their keys any more. */
export const revokeKeys = (store: FleetStore, person: string, now: Date): Promise<unknown> =>
  store
    .update(personKey)
    .set({ revokedAt: now })
    .where(and(eq(personKey.personId, person), isNull(personKey.revokedAt)));
