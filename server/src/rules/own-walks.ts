import { AIR_TESTS, type Asked, checkEntry, type KeptCheck, ownCheckOf, type Route } from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { invalid } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { fleetRoute } from './schema';

function isKnown(kind: Asked['kind'], item: string, own: readonly KeptCheck[]): boolean {
  if (kind === 'check') return checkEntry(item) !== null;
  if (kind === 'own-check') return ownCheckOf(own, item) !== null;
  return kind !== 'air-test' || (AIR_TESTS as readonly string[]).includes(item);
}

/** Where a route asks for something that does not exist; null when it does not. */
function unknownAsk({ sections }: Route, own: readonly KeptCheck[]): string | null {
  for (const [index, { asks }] of sections.entries())
    for (const [at, { kind, item }] of asks.entries()) {
      if (!isKnown(kind, item ?? '', own)) return `body.definition.sections.${index}.asks.${at}.item`;
    }
  return null;
}

const findRoute = async (store: FleetStore, id: string) => {
  const [row] = await store.select().from(fleetRoute).where(eq(fleetRoute.id, id)).for('update');
  return row ?? null;
};

/** Makes a route the fleet's own, or changes it. A route that ships with the program is copied, never changed. */
export const saveRoute: Handler<'save-route'> = async ({ store, session, at, body }) => {
  const path = unknownAsk(body.definition, session.fleet.checks);
  if (path) throw invalid(path, 'no-check');
  if (body.definition.id !== body.route) throw invalid('body.definition.id', 'route-id');
  const row = await findRoute(store, body.route);
  const now = { definition: body.definition, savedBy: session.person.id, savedAt: at, removed: false };
  if (!row) {
    await store.insert(fleetRoute).values({ fleetId: session.fleet.id, id: body.route, ...now });
    return { unitId: null, changed: [changed('route', body.route, 1)] };
  }
  await sameVersion(row, body.version, async () => ({ version: row.version, definition: row.definition }));
  const version = row.version + 1;
  await store
    .update(fleetRoute)
    .set({ ...now, version })
    .where(eq(fleetRoute.id, row.id));
  return { unitId: null, changed: [changed('route', row.id, version)] };
};

export const removeRoute: Handler<'remove-route'> = async ({ store, session, at, body }) => {
  const row = found(await findRoute(store, body.route));
  await sameVersion(row, body.version, async () => ({ version: row.version, definition: row.definition }));
  const version = row.version + 1;
  await store
    .update(fleetRoute)
    .set({ removed: true, savedBy: session.person.id, savedAt: at, version })
    .where(eq(fleetRoute.id, row.id));
  return { unitId: null, changed: [changed('route', row.id, version)] };
};
