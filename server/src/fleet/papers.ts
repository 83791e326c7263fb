import { stickerLastDay } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { invalid } from '../problem';
import { changed, found, type Handler } from '../run';
import { paper } from './schema';
import { findUnit } from './units';

const STICKER = 'Periodic inspection';

/** Takes the month on a unit's inspection sticker; its last day follows from the fleet's policy. */
export const recordSticker: Handler<'record-sticker'> = async ({ store, session, body }) => {
  found(await findUnit(store, body.unit));
  const dueOn = stickerLastDay(session.fleet.policies, body.month);
  if (!dueOn) throw invalid('body.month', 'month');
  const mine = and(eq(paper.unitId, body.unit), eq(paper.paper, STICKER));
  const known = await store.select({ id: paper.id }).from(paper).where(mine);
  if (known.length) await store.update(paper).set({ dueOn }).where(mine);
  else
    await store
      .insert(paper)
      .values({ fleetId: session.fleet.id, id: body.paper, unitId: body.unit, paper: STICKER, dueOn });
  return { unitId: body.unit, changed: [changed('paper', known[0]?.id ?? body.paper)] };
};
