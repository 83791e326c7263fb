import { eq } from 'drizzle-orm';
import { fleet } from '../access';
import { notNow } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';

/** A fleet has no more sentences of its own than there are things to say. */
const MOST = 400;

/** The fleet's own sentence for what is said on a walk by heart, or as it ships again. */
export const setPhrase: Handler<'set-phrase'> = async ({ store, session, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id)).for('update');
  const now = found(row);
  await sameVersion(now, body.version, async () => ({ version: now.version, phrases: now.phrases }));
  const { [body.subject]: _, ...others } = now.phrases;
  if (Object.keys(others).length >= MOST) throw notNow('too-many-phrases', MOST);
  const phrases = body.say === null ? others : { ...others, [body.subject]: body.say };
  const version = now.version + 1;
  await store.update(fleet).set({ phrases, version }).where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
};
