import { findDefect } from '../defects';
import { notNow } from '../problem';
import { changed, found, type Handler, jpegOf } from '../run';
import { findUnit } from '../units';
import { findInspection } from './queries';
import { photo } from './schema';

/** Keeps a photo with the inspection or the defect it belongs to. The event keeps its id, not its picture. */
export const attachPhoto: Handler<'attach-photo'> = async ({ store, session, at, body }) => {
  found(await findUnit(store, body.unit));
  const of = body.inspection ? found(await findInspection(store, body.inspection)) : null;
  const shows = body.defect ? found(await findDefect(store, body.defect)) : null;
  if ([of, shows].some((each) => each && each.unitId !== body.unit)) throw notNow('other-unit');
  await store.insert(photo).values({
    fleetId: session.fleet.id,
    id: body.photo,
    unitId: body.unit,
    inspectionId: body.inspection,
    defectId: body.defect,
    key: body.key,
    ...(await jpegOf(body.jpeg)),
    takenBy: session.person.id,
    takenAt: at,
  });
  const { jpeg: _, ...rest } = body;
  return { unitId: body.unit, changed: [changed('photo', body.photo)], eventBody: rest };
};
