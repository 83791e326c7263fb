import { eq } from 'drizzle-orm';
import { changed, found, type Handler, jpegOf } from '../run';
import type { FleetStore } from '../store';
import { checkPicture } from './schema';

/** Keeps a picture of what good looks like. The event keeps its id, not its picture. */
export const addCheckPicture: Handler<'add-check-picture'> = async ({ store, session, at, body }) => {
  await store.insert(checkPicture).values({
    fleetId: session.fleet.id,
    id: body.picture,
    ...(await jpegOf(body.jpeg)),
    addedBy: session.person.id,
    addedAt: at,
  });
  const { jpeg: _, ...rest } = body;
  return { unitId: null, changed: [changed('fleet', session.fleet.id)], eventBody: rest };
};

export async function checkPictureOf(store: FleetStore, id: string): Promise<Buffer> {
  const [row] = await store.select({ jpeg: checkPicture.jpeg }).from(checkPicture).where(eq(checkPicture.id, id));
  return found(row).jpeg;
}
