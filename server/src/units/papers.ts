import { dayAfter, PAPERS, stickerLastDay, weeksAllowed } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { invalid } from '../problem';
import { changed, type Doing, found, type Handler } from '../run';
import { paper } from './schema';
import { findUnit } from './units';

const STICKER = 'Periodic inspection';
const WEEK_DAYS = 7;

type Keeping = Pick<Doing<'record-sticker'>, 'store' | 'session'>;

/** Keeps a paper's last day: one of a kind a unit. */
async function keepPaper({ store, session }: Keeping, unit: string, id: string, name: string, dueOn: string) {
  const mine = and(eq(paper.unitId, unit), eq(paper.paper, name));
  const known = await store.select({ id: paper.id }).from(paper).where(mine);
  if (known.length) await store.update(paper).set({ dueOn }).where(mine);
  else await store.insert(paper).values({ fleetId: session.fleet.id, id, unitId: unit, paper: name, dueOn });
  return { unitId: unit, changed: [changed('paper', known[0]?.id ?? id)] };
}

/** Takes the month on a unit's inspection sticker; its last day follows from what that month means. */
export const recordSticker: Handler<'record-sticker'> = async (doing) => {
  const { store, session, body } = doing;
  found(await findUnit(store, body.unit));
  const dueOn = stickerLastDay(session.fleet.policies, body.month, body.means);
  if (!dueOn) throw invalid('body.month', 'month');
  return keepPaper(doing, body.unit, body.paper, STICKER, dueOn);
};

/** Takes another paper: its last day, or the day it was done and after how many weeks it is done again. */
export const recordPaper: Handler<'record-paper'> = async (doing) => {
  const { store, body, now } = doing;
  const row = found(await findUnit(store, body.unit));
  const { name, good } = body;
  if (!good) {
    await store.delete(paper).where(and(eq(paper.unitId, row.id), eq(paper.paper, name)));
    return { unitId: row.id, changed: [changed('paper', body.paper)] };
  }
  const kind = PAPERS.find((each) => each.name === name);
  const { yearBuilt } = row.features;
  const allowed = kind && weeksAllowed(kind, yearBuilt ? now.getUTCFullYear() - yearBuilt : null);
  if ('until' in good) {
    if (allowed) throw invalid('body.good', 'weeks-needed', allowed.least, allowed.most);
    return keepPaper(doing, row.id, body.paper, name, good.until);
  }
  if (!allowed || good.weeks < allowed.least || good.weeks > allowed.most)
    throw invalid('body.good.weeks', 'weeks-needed', allowed?.least ?? 0, allowed?.most ?? 0);
  return keepPaper(doing, row.id, body.paper, name, dayAfter(good.done, good.weeks * WEEK_DAYS));
};
