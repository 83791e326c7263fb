import { asc, eq, notInArray, sql } from 'drizzle-orm';
import { changed, type Handler, tellLive } from '../run';
import { addTask, type Database, inFleet, type Tasks } from '../store';
import { checkFleet } from './check';
import { recordCheck } from './schema';

/** Checks that are kept. */
const KEPT = 20;

/** Asks for a check; a worker does it. */
export const checkRecords: Handler<'check-records'> = async ({ store, session, now, body }) => {
  const fleet = session.fleet.id;
  const kept = store
    .select({ id: recordCheck.id })
    .from(recordCheck)
    .orderBy(sql`${recordCheck.askedAt} desc`)
    .limit(KEPT - 1);
  await store.delete(recordCheck).where(notInArray(recordCheck.id, kept));
  await store.insert(recordCheck).values({ fleetId: fleet, id: body.check, askedBy: session.person.id, askedAt: now });
  await addTask(store, 'check-records', { fleet, check: body.check }, fleet, { queue: `check ${fleet}` });
  return { unitId: null, changed: [changed('fleet', fleet)] };
};

/** The task: holds the records against what was written of them, and keeps what came of it. */
export async function doCheckRecords(
  { db, now }: { db: Database; now: () => Date },
  { fleet }: Tasks['check-records'],
): Promise<void> {
  const { entries, rows, problems } = await checkFleet(db, fleet);
  await inFleet(db, fleet, async (store) => {
    // Whoever asked meanwhile is answered by the same: it was read after they asked, or they ask again.
    const [first] = await store
      .select({ id: recordCheck.id })
      .from(recordCheck)
      .where(sql`${recordCheck.endedAt} is null`)
      .orderBy(asc(recordCheck.askedAt))
      .limit(1);
    if (first)
      await store
        .update(recordCheck)
        .set({ endedAt: now(), entries, rows, problems })
        .where(eq(recordCheck.id, first.id));
    const [more] = await store
      .select({ id: recordCheck.id })
      .from(recordCheck)
      .where(sql`${recordCheck.endedAt} is null`)
      .limit(1);
    if (more) await addTask(store, 'check-records', { fleet, check: more.id }, fleet, { queue: `check ${fleet}` });
    await tellLive(store, fleet, 'check-records');
  });
}
