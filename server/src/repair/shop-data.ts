import { type Parts, TEMPLATES, type Templates } from '@zealous-axle/core';
import { asc, eq, sql } from 'drizzle-orm';
import { invalid, KnownProblem } from '../problem';
import { changed, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { fleetTemplate, job, jobTime, part } from './schema';

/** The fleet's templates: its own before those that ship, and in place of them. */
type Known = Omit<Templates['templates'][number], 'clocked'>;
export async function templatesOf(store: FleetStore): Promise<Known[]> {
  const own = await store.select().from(fleetTemplate).orderBy(asc(fleetTemplate.id));
  const changedOnes = new Map(own.map(({ id, version, definition }) => [id, { version, definition }]));
  const shipped = TEMPLATES.map((definition) => changedOnes.get(definition.id) ?? { version: 0, definition });
  const added = own.filter(({ id }) => !TEMPLATES.some((each) => each.id === id));
  return [...added.map(({ version, definition }) => ({ version, definition })), ...shipped];
}

/** What finished jobs of one kind of work took by the clock, against their standard minutes: the median of each kind. */
async function clockedRatios(store: FleetStore): Promise<Map<string, { ratio: number; jobs: number }>> {
  const { rows } = await store.execute<{ template: string; ratio: number; jobs: number }>(sql`
    select template, percentile_cont(0.5) within group (order by clocked / minutes) as ratio, count(*)::int as jobs
    from (
      select ${job.id}, ${job.work} -> 'templates' -> 0 ->> 'id' as template, ${job.minutes}::float as minutes,
        sum(extract(epoch from ${jobTime.endedAt} - ${jobTime.startedAt}) / 60)::float as clocked
      from ${job} join ${jobTime} on ${jobTime.fleetId} = ${job.fleetId} and ${jobTime.jobId} = ${job.id}
      where ${job.state} in ('done', 'certified') and jsonb_array_length(${job.work} -> 'templates') = 1
      group by ${job.fleetId}, ${job.id}
      having bool_and(${jobTime.endedAt} is not null)
    ) as each
    where clocked > 0 group by template`);
  return new Map(rows.map(({ template, ratio, jobs }) => [template, { ratio, jobs }]));
}

/** The fleet's templates as its people see them: with what the clock says of each. */
export async function templatesShown(store: FleetStore): Promise<Templates> {
  const [templates, clocked] = await Promise.all([templatesOf(store), clockedRatios(store)]);
  return { templates: templates.map((each) => ({ ...each, clocked: clocked.get(each.definition.id) ?? null })) };
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

type Part = Parts['parts'][number];

/** A part, its row taken: nobody takes from it or counts it meanwhile. */
async function takePartRow(store: FleetStore, id: string): Promise<Part> {
  const [row] = await store.select().from(part).where(eq(part.id, id)).for('update');
  const { fleetId: _, ...known } = found(row);
  return known;
}

export const addPart: Handler<'add-part'> = async ({ store, session, body }) => {
  const { part: id, form, stock } = body;
  const own = await store
    .insert(part)
    .values({ fleetId: session.fleet.id, id, ...form, stock })
    .onConflictDoNothing()
    .returning({ id: part.id });
  if (own.length === 0) throw invalid('body.part', 'part-there', id);
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

export const setPart: Handler<'set-part'> = async ({ store, session, body }) => {
  const row = await takePartRow(store, body.part);
  await sameVersion(row, body.version, async () => row);
  await store
    .update(part)
    .set({ ...body.form, version: row.version + 1 })
    .where(eq(part.id, row.id));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};

export const countPart: Handler<'count-part'> = async ({ store, session, body }) => {
  const row = await takePartRow(store, body.part);
  await sameVersion({ version: row.stockVersion }, body.stockVersion, async () => row);
  await store
    .update(part)
    .set({ stock: body.stock, stockVersion: row.stockVersion + 1 })
    .where(eq(part.id, row.id));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};
