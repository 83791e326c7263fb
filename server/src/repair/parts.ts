import { isOpenJob } from '@zealous-axle/core';
import { and, eq, gte, sql } from 'drizzle-orm';
import { notNow } from '../problem';
import { found, type Handler } from '../run';
import { findJob } from './queries';
import { part, partOrder, partUse } from './schema';
import { atWork, workedOn } from './work';

/** Whoever counted before this counted another stock. */
const MOVED = { stockVersion: sql`${part.stockVersion} + 1` };

export const takePart: Handler<'take-part'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = await atWork(doing, body.job);
  if (!body.elsewhere) {
    const [there] = await store.select().from(part).where(eq(part.id, body.part));
    const wanted = found(there);
    const taken = await store
      .update(part)
      .set({ stock: sql`${part.stock} - ${body.count}`, ...MOVED })
      .where(and(eq(part.id, wanted.id), gte(part.stock, body.count)))
      .returning({ id: part.id });
    if (taken.length === 0) throw notNow('no-stock', wanted.name, wanted.stock, wanted.leadDays);
  }
  await store.insert(partUse).values({
    fleetId: session.fleet.id,
    id: body.use,
    jobId: row.id,
    partId: body.part,
    count: body.count,
    elsewhere: body.elsewhere ?? null,
    takenBy: session.person.id,
    takenAt: at,
  });
  return workedOn(row);
};

/** Orders a part that is not there: the job waits for it until it came. */
export const orderPart: Handler<'order-part'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = found(await findJob(store, body.job));
  if (!isOpenJob(row.state)) throw notNow('job-over');
  const [there] = await store.select().from(part).where(eq(part.id, body.part));
  found(there);
  await store.insert(partOrder).values({
    fleetId: session.fleet.id,
    id: body.order,
    jobId: row.id,
    partId: body.part,
    count: body.count,
    dueOn: body.due,
    orderedBy: session.person.id,
    orderedAt: at,
  });
  return workedOn(row);
};

/** What was ordered is here: it stands in the parts room, once. */
export const receivePart: Handler<'receive-part'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = found(await findJob(store, body.job));
  const [order] = await store
    .select()
    .from(partOrder)
    .where(and(eq(partOrder.id, body.order), eq(partOrder.jobId, row.id)));
  if (!order) throw notNow('no-order');
  if (order.receivedAt) throw notNow('received');
  await store
    .update(partOrder)
    .set({ receivedBy: session.person.id, receivedAt: at })
    .where(eq(partOrder.id, order.id));
  await store
    .update(part)
    .set({ stock: sql`${part.stock} + ${order.count}`, ...MOVED })
    .where(eq(part.id, order.partId));
  return workedOn(row);
};
