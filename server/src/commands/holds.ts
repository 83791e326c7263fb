import { releaseBarriers } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { KnownProblem } from '../http/problems';
import { defectPlace, defectViews } from '../store/defects';
import { hold, holdReleased, release } from '../store/schema';
import { findUnit, openHolds, standingReadings } from '../store/units';
import { changed, type Doing, found, type Handler } from './doing';

type Holding = Pick<Doing<'hold-trailer'>, 'store' | 'session' | 'at'>;

/** Holds a unit, unless it is held for the same reason already. */
export async function placeHold({ store, session, at }: Holding, unitId: string, reason: string, id = uuidv7()) {
  const open = await openHolds(store, unitId);
  if (open.some((each) => each.reason === reason)) return;
  await store
    .insert(hold)
    .values({ fleetId: session.fleet.id, id, unitId, reason, placedBy: session.person.id, placedAt: at });
}

export const holdTrailer: Handler<'hold-trailer'> = async (doing) => {
  const { store, body } = doing;
  found(await findUnit(store, body.unit));
  await placeHold(doing, body.unit, body.reason, body.hold);
  return { unitId: body.unit, changed: [changed('hold', body.hold)] };
};

/** Releases a unit from every open hold, when nothing stands in the way any more. */
export const releaseTrailer: Handler<'release-trailer'> = async ({ store, session, at, body }) => {
  found(await findUnit(store, body.unit));
  const holds = await openHolds(store, body.unit);
  const barriers = releaseBarriers({
    held: holds.length > 0,
    defects: (await defectViews(store, { unitId: body.unit })).map((each) => ({ ...each, place: defectPlace(each) })),
    readings: (await standingReadings(store, body.unit)).map((each) => ({
      ...each,
      kind: each.key.split('@')[0] ?? each.kind,
      place: defectPlace(each),
    })),
  });
  if (barriers.length) throw new KnownProblem('not-now', { detail: barriers.join(' ') });
  await store.insert(release).values({
    fleetId: session.fleet.id,
    id: body.release,
    unitId: body.unit,
    statement: body.statement,
    signedBy: session.person.id,
    signedAt: at,
  });
  await store
    .insert(holdReleased)
    .values(holds.map(({ id }) => ({ fleetId: session.fleet.id, holdId: id, releaseId: body.release })));
  return { unitId: body.unit, changed: [changed('release', body.release)] };
};
