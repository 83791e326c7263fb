import { type BookId, parseKey, releaseBarriers, sentences, subjectOf } from '@zealous-axle/core';
import { defectPlace, openDefects } from '../defects';
import { standingJudged } from '../inspection';
import { notNow } from '../problem';
import { unitBook } from '../rules';
import { changed, found, type Handler } from '../run';
import { endHold, findUnit, openHolds, placeHold, release } from '../units';

export const holdTrailer: Handler<'hold-trailer'> = async (doing) => {
  const { store, body } = doing;
  found(await findUnit(store, body.unit));
  await placeHold(doing, body.unit, body.reason, { id: body.hold });
  return { unitId: body.unit, changed: [changed('hold', body.hold)] };
};

/** Releases a unit from every open hold, when nothing stands in the way any more. */
export const releaseTrailer: Handler<'release-trailer'> = async ({ store, session, at, body }) => {
  const unit = found(await findUnit(store, body.unit));
  const book = await unitBook(store, session, unit);
  const holds = await openHolds(store, body.unit);
  const barriers = releaseBarriers({
    book: book.id as BookId,
    held: holds.length > 0,
    defects: (await openDefects(store, body.unit)).map((each) => ({ ...each, place: defectPlace(each) })),
    readings: (await standingJudged(store, unit, book)).map((each) => ({
      ...each,
      kind: subjectOf(parseKey(each.key)),
      place: defectPlace(each),
    })),
  });
  if (barriers.length) throw notNow('release-barred', sentences(barriers));
  await store.insert(release).values({
    fleetId: session.fleet.id,
    id: body.release,
    unitId: body.unit,
    statement: body.statement,
    signedBy: session.person.id,
    signedAt: at,
  });
  for (const { id } of holds) await endHold({ store, session }, id, { release: body.release });
  return { unitId: body.unit, changed: [changed('release', body.release)] };
};
