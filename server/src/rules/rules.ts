import { bookFor, fleetLimitRefusal, type OwnSign, ownSignRefusal } from '@zealous-axle/core';
import { and, eq, isNull } from 'drizzle-orm';
import { fleet } from '../access';
import { invalidWith } from '../problem';
import { changed, type Doing, found, type Handler, sameVersion } from '../run';
import { fleetLimit } from './schema';

/** The book, policies and units a fleet works by. */
export const setFleetRules: Handler<'set-fleet-rules'> = async ({ store, session, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id)).for('update');
  const now = found(row);
  await sameVersion(now, body.version, async () => ({
    version: now.version,
    book: now.book,
    policies: now.policies,
    units: now.units,
  }));
  const version = now.version + 1;
  const { book, policies, units } = body;
  await store.update(fleet).set({ book, policies, units, version }).where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
};

/** Changes the signs the fleet is stricter about, under its lock and version. */
async function changeSigns(
  { store, session, body }: Pick<Doing<'set-own-sign'>, 'store' | 'session'> & { body: { version: number } },
  change: (signs: OwnSign[]) => OwnSign[],
) {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id)).for('update');
  const now = found(row);
  await sameVersion(now, body.version, async () => ({ version: now.version, signs: now.signs }));
  const version = now.version + 1;
  await store
    .update(fleet)
    .set({ signs: change(now.signs), version })
    .where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
}

/** A sign the fleet is stricter about: never looser than its book. */
export const setOwnSign: Handler<'set-own-sign'> = async (doing) => {
  const { session, at, body } = doing;
  const { code, presses, reason } = body;
  const refusal = ownSignRefusal(code, presses, session.fleet.book);
  if (refusal) throw invalidWith('body.presses', refusal);
  const own: OwnSign = { code, presses, reason, by: session.person.name, at: at.toISOString() };
  return changeSigns(doing, (signs) => [...signs.filter((each) => each.code !== code), own]);
};

/** By the book again; why is kept in the fleet's events. */
export const withdrawOwnSign: Handler<'withdraw-own-sign'> = (doing) =>
  changeSigns(doing, (signs) => {
    found(signs.find(({ code }) => code === doing.body.code));
    return signs.filter(({ code }) => code !== doing.body.code);
  });

/** A fleet's own limit: stricter than the book's, or refused with the reason. */
export const addFleetLimit: Handler<'add-fleet-limit'> = async ({ store, session, at, body }) => {
  const book = bookFor({ book: session.fleet.book, policies: session.fleet.policies, limits: [] });
  const refusal = fleetLimitRefusal(book, body.tightens, body.value);
  if (refusal) throw invalidWith('body.value', refusal);
  await store.insert(fleetLimit).values({
    fleetId: session.fleet.id,
    id: body.limit,
    tightens: body.tightens,
    value: body.value,
    reason: body.reason,
    addedBy: session.person.id,
    addedAt: at,
  });
  return { unitId: null, changed: [changed('fleet-limit', body.limit)] };
};

export const withdrawFleetLimit: Handler<'withdraw-fleet-limit'> = async ({ store, session, at, body }) => {
  const gone = await store
    .update(fleetLimit)
    .set({ withdrawnBy: session.person.id, withdrawnAt: at, withdrawnReason: body.reason })
    .where(and(eq(fleetLimit.id, body.limit), isNull(fleetLimit.withdrawnAt)))
    .returning({ id: fleetLimit.id });
  found(gone[0]);
  return { unitId: null, changed: [changed('fleet-limit', body.limit)] };
};
