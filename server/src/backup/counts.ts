import pg from 'pg';

/** What a table holds: how many rows, and a sum over what stands in them. */
export interface Held {
  rows: number;
  sum: string;
}
export type Counts = Record<string, Held>;

/** What every table holds. The same rows give the same sums, in whatever order they lie. */
export async function countsIn(client: pg.Client): Promise<Counts> {
  // A row as text must not depend on who reads it where.
  await client.query(
    "set timezone = 'UTC'; set datestyle = 'ISO'; set extra_float_digits = 3; set bytea_output = 'hex'",
  );
  const { rows: tables } = await client.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const counts: Counts = {};
  for (const { name } of tables) {
    const table = pg.escapeIdentifier(name);
    const { rows } = await client.query<{ rows: string; sum: string }>(
      `select count(*) as rows, coalesce(sum(hashtextextended(t::text, 0)::numeric), 0)::text as sum from ${table} t`,
    );
    counts[name] = { rows: Number(rows[0]?.rows), sum: rows[0]?.sum ?? '' };
  }
  return counts;
}

/** The first table in which one holds something else than the other; null where all is the same. */
export function differsIn(one: Counts, other: Counts): string | null {
  for (const name of new Set([...Object.keys(one), ...Object.keys(other)])) {
    const [a, b] = [one[name], other[name]];
    if (a?.rows !== b?.rows) return `${name} has ${b?.rows ?? 'no'} rows, not ${a?.rows ?? 'any'}`;
    if (a?.sum !== b?.sum) return `${name} holds other rows`;
  }
  return null;
}

/**
 * Does something as an owner who sees every fleet: one that is no superuser sees past row-level security only where that
 * is not forced on it, so for as long as this takes it is not. What the server itself sees does not change.
 */
export async function seeingAll<T>(client: pg.Client, work: () => Promise<T>): Promise<T> {
  const { rows } = await client.query<{ all: boolean }>(
    'select rolsuper or rolbypassrls as "all" from pg_roles where rolname = current_user',
  );
  if (rows[0]?.all) return work();
  const { rows: forced } = await client.query<{ name: string }>(
    "select c.relname as name from pg_class c where c.relforcerowsecurity and c.relnamespace = 'public'::regnamespace",
  );
  const force = (how: string) =>
    client.query(
      forced.map(({ name }) => `alter table ${pg.escapeIdentifier(name)} ${how} row level security`).join(';'),
    );
  await force('no force');
  try {
    return await work();
  } finally {
    // What failed in the middle of a transaction keeps none of this back.
    await client.query('rollback');
    await force('force');
  }
}
