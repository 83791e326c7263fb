import { type About, type CommandName, commandOf } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import type { FleetStore } from '../store';

/** The units a command decides about, where its body alone does not name them. */
export type UnitsOf = (store: FleetStore, body: unknown) => Promise<readonly string[]>;

const ROW_OF: Partial<Record<About, string>> = { defect: 'defect', job: 'job', inspection: 'inspection' };

async function unitIds(store: FleetStore, about: About, body: unknown, named?: UnitsOf): Promise<readonly string[]> {
  const given = body as Record<string, string>;
  if (about === 'unit') return given.unit ? [given.unit] : [];
  if (named) return named(store, body);
  const table = ROW_OF[about];
  if (!table) return [];
  const { rows } = await store.execute<{ unit_id: string }>(
    sql`select unit_id from ${sql.identifier(table)} where id = ${given[table]}`,
  );
  return rows.map((row) => row.unit_id);
}

/**
 * Takes the rows a command decides about before any handler looks: the fleet's for its rules, else the units', always
 * in the order of their ids. Whoever comes second waits here and then sees what the first one did.
 */
export async function takeRows(store: FleetStore, name: CommandName, body: unknown, named?: UnitsOf): Promise<void> {
  const { about } = commandOf(name);
  if (about === 'fleet') await store.execute(sql`select fleet_id from fleet for update`);
  const ids = [...new Set(await unitIds(store, about, body, named))];
  if (ids.length)
    await store.execute(sql`select id from unit where id = any(${sql.param(ids)}::uuid[]) order by id for update`);
}
