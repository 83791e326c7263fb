import { judgeStanding, type SignedSays } from '@zealous-axle/core';
import { cleanReport, openDefects } from '../defects';
import { notNow } from '../problem';
import { unitBook } from '../rules';
import { changed, type Doing, found, type Handler } from '../run';
import { findUnit, openHolds } from '../units';
import { standingReadings } from './queries';

type Signing = Doing<'report-nothing' | 'see-held'>;

async function sign(doing: Signing, says: SignedSays) {
  const { store, session, at, now, body } = doing;
  await store.insert(cleanReport).values({
    fleetId: session.fleet.id,
    id: body.report,
    unitId: body.unit,
    reportedBy: session.person.id,
    reportedAt: at,
    recordedAt: now,
    says,
    known: (await openDefects(store, body.unit)).length,
  });
  return { unitId: body.unit, changed: [changed('report', body.report)] };
}

/** Whether a unit was out of use already when its driver signed: what is surely of before says nothing of what came after. */
async function outOfUse({ store, session, when, at, body }: Signing): Promise<boolean> {
  const unit = found(await findUnit(store, body.unit));
  const before = (instant: string): boolean => !when.sure || instant <= at.toISOString();
  if ((await openHolds(store, unit.id)).some((each) => before(each.at))) return true;
  const standing = (await standingReadings(store, unit.id)).filter((each) => before(each.at));
  const defects = (await openDefects(store, unit.id)).filter(({ reportedAt }) => before(reportedAt.toISOString()));
  const { units } = judgeStanding(await unitBook(store, session, unit), unit, { standing, defects });
  return units[0]?.verdict === 'out-of-service';
}

/** Nothing was found: not to be signed of a unit that is held, or out of service as it stands. */
export const reportNothing: Handler<'report-nothing'> = async (doing) => {
  if (await outOfUse(doing)) throw notNow('held-unit');
  return sign(doing, 'nothing-found');
};

/** Whoever was to drive it saw that it is held. */
export const seeHeld: Handler<'see-held'> = async (doing) => {
  found(await findUnit(doing.store, doing.body.unit));
  return sign(doing, 'held');
};
