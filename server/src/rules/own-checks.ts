import { isDeepStrictEqual } from 'node:util';
import { type KeptCheck, type OwnCheck, ownCheckOf, PARTS } from '@zealous-axle/core';
import { eq, inArray } from 'drizzle-orm';
import { fleet } from '../access';
import { invalid } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import { checkPicture } from './schema';

const asked = ({ version: _, saved: __, ...check }: KeptCheck): OwnCheck => check;

/** The checks of the fleet's own, all of them: a changed one is a version more, what is left out is asked no more. */
export const setOwnChecks: Handler<'set-own-checks'> = async ({ store, session, at, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id)).for('update');
  const now = found(row);
  await sameVersion(now, body.version, async () => ({ version: now.version, checks: now.checks }));
  const strange = body.checks.findIndex(({ part }) => !(PARTS as readonly string[]).includes(part));
  if (strange >= 0) throw invalid(`body.checks.${strange}.part`, 'no-part');
  const pictures = body.checks.flatMap(({ picture }) => (picture ? [picture] : []));
  const kept = pictures.length
    ? await store.select({ id: checkPicture.id }).from(checkPicture).where(inArray(checkPicture.id, pictures))
    : [];
  const unknown = body.checks.findIndex(({ picture }) => picture && !kept.some(({ id }) => id === picture));
  if (unknown >= 0) throw invalid(`body.checks.${unknown}.picture`, 'no-picture');
  const saved = { by: session.person.name, at: at.toISOString() };
  const checks = body.checks.map((check): KeptCheck => {
    const before = ownCheckOf(now.checks, check.name);
    if (before && isDeepStrictEqual(asked(before), check)) return before;
    return { ...check, version: (before?.version ?? 0) + 1, saved };
  });
  const version = now.version + 1;
  await store.update(fleet).set({ checks, version }).where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
};
