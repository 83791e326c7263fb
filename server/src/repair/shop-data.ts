import { type Parts, TEMPLATES, type Templates } from '@zealous-axle/core';
import { asc } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import { changed, type Handler } from '../run';
import type { FleetStore } from '../store';
import { fleetTemplate, part } from './schema';

/** The fleet's templates: its own in place of those that ship, and beside them. */
export async function templatesOf(store: FleetStore): Promise<Templates['templates']> {
  const own = await store.select().from(fleetTemplate).orderBy(asc(fleetTemplate.id));
  const changedOnes = new Map(own.map(({ id, version, definition }) => [id, { version, definition }]));
  const shipped = TEMPLATES.map((definition) => changedOnes.get(definition.id) ?? { version: 0, definition });
  const added = own.filter(({ id }) => !TEMPLATES.some((each) => each.id === id));
  return [...shipped, ...added.map(({ version, definition }) => ({ version, definition }))];
}

export const saveTemplate: Handler<'save-template'> = async ({ store, session, at, body }) => {
  const { definition } = body;
  const known = (await templatesOf(store)).find((each) => each.definition.id === definition.id);
  if ((known?.version ?? 0) !== body.version) throw new KnownProblem('changed', { current: known });
  const saved = { version: body.version + 1, definition, savedBy: session.person.id, savedAt: at };
  await store
    .insert(fleetTemplate)
    .values({ fleetId: session.fleet.id, id: definition.id, ...saved })
    .onConflictDoUpdate({ target: [fleetTemplate.fleetId, fleetTemplate.id], set: saved });
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

/** The parts room, by name. */
export const partsOf = async (store: FleetStore): Promise<Parts> => ({
  parts: (await store.select().from(part).orderBy(asc(part.name))).map(({ fleetId: _, ...each }) => each),
});

export const savePart: Handler<'save-part'> = async ({ store, session, body }) => {
  await store
    .insert(part)
    .values({ fleetId: session.fleet.id, id: body.part, ...body.form })
    .onConflictDoUpdate({ target: [part.fleetId, part.id], set: body.form });
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};
