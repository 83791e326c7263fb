import { type About, type CommandName, commandOf, type Named } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { beside } from '../beside';
import type { FleetStore } from '../store';

const ROW_OF: Partial<Record<About, string>> = { defect: 'defect', job: 'job', inspection: 'inspection' };

/** The numbers in a file's column `unit`. */
async function numbersIn(csv: string): Promise<string[]> {
  const { rows } = await beside('csv', csv);
  return [...new Set(rows.map((row) => (row.unit ?? '').trim()))];
}

/** The units of rows of a table. */
async function unitsOf(store: FleetStore, table: string, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const { rows } = await store.execute<{ unit_id: string }>(
    sql`select distinct unit_id from ${sql.identifier(table)} where id = any(${sql.param([...ids])}::uuid[])`,
  );
  return rows.map((row) => row.unit_id);
}

async function unitsNumbered(store: FleetStore, numbers: readonly string[]): Promise<string[]> {
  if (numbers.length === 0) return [];
  const { rows } = await store.execute<{ id: string }>(
    sql`select id from unit where number = any(${sql.param([...numbers])}::text[])`,
  );
  return rows.map(({ id }) => id);
}

/** The units a body names otherwise than by its own field. */
async function unitsNamed(
  store: FleetStore,
  { units = [], numbers = [], jobs = [], defects = [], csv }: Named,
): Promise<string[]> {
  return [
    ...units,
    ...(await unitsOf(store, 'job', jobs)),
    ...(await unitsOf(store, 'defect', defects)),
    ...(await unitsNumbered(store, csv ? await numbersIn(csv) : numbers)),
  ];
}

async function unitIds(store: FleetStore, name: CommandName, body: unknown): Promise<readonly string[]> {
  const { about, names } = commandOf(name);
  const given = body as Record<string, string>;
  if (about === 'unit') return given.unit ? [given.unit] : [];
  if (names) return unitsNamed(store, names(body as never));
  const table = ROW_OF[about];
  const id = table && given[table];
  return table && id ? unitsOf(store, table, [id]) : [];
}

/**
 * Takes the rows a command decides about before any handler looks: the fleet's for its rules, else the units', always
 * in the order of their ids. Whoever comes second waits here and then sees what the first one did.
 */
export async function takeRows(store: FleetStore, name: CommandName, body: unknown): Promise<void> {
  if (commandOf(name).about === 'fleet') await store.execute(sql`select fleet_id from fleet for update`);
  const ids = [...new Set(await unitIds(store, name, body))];
  if (ids.length)
    await store.execute(sql`select id from unit where id = any(${sql.param(ids)}::uuid[]) order by id for update`);
}
