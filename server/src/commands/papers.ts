import { stickerLastDay } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { KnownProblem } from '../http/problems';
import { paper } from '../store/schema';
import { findUnit } from '../store/units';
import { changed, found, type Handler } from './doing';

const STICKER = 'Periodic inspection';

/** Takes the month on a unit's inspection sticker; its last day follows from the fleet's school. */
export const recordSticker: Handler<'record-sticker'> = async ({ store, session, body }) => {
  found(await findUnit(store, body.unit));
  const dueOn = stickerLastDay(session.fleet.schools, body.month);
  if (!dueOn)
    throw new KnownProblem('invalid', { errors: [{ path: 'body.month', message: 'Write a month like 2026-03' }] });
  const mine = and(eq(paper.unitId, body.unit), eq(paper.paper, STICKER));
  const known = await store.select({ id: paper.id }).from(paper).where(mine);
  if (known.length) await store.update(paper).set({ dueOn }).where(mine);
  else
    await store
      .insert(paper)
      .values({ fleetId: session.fleet.id, id: body.paper, unitId: body.unit, paper: STICKER, dueOn });
  return { unitId: body.unit, changed: [changed('paper', known[0]?.id ?? body.paper)] };
};
