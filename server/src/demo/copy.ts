import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { getTableColumns, getTableName, type InferInsertModel, type Table } from 'drizzle-orm';
import type { ClientBase } from 'pg';
import { from } from 'pg-copy-streams';

const ESCAPES: Record<string, string> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

/** A value as COPY's text format has it. */
const field = (value: unknown): string =>
  value === null || value === undefined ? '\\N' : String(value).replace(/[\\\t\n\r]/g, (each) => ESCAPES[each] ?? each);

/**
 * Writes rows by COPY: some ten times as fast as inserting them. All rows name the same columns; those they leave out
 * take their defaults. Not for a role that row-level security holds: PostgreSQL refuses COPY to it.
 */
export async function copyRows<T extends Table>(client: ClientBase, table: T, rows: readonly InferInsertModel<T>[]) {
  const [first] = rows;
  if (!first) return;
  const columns = Object.entries(getTableColumns(table)).filter(([key]) => key in (first as object));
  const names = columns.map(([, column]) => `"${column.name}"`).join(', ');
  const line = (row: object) =>
    `${columns
      .map(([key, column]) => {
        const value = (row as Record<string, unknown>)[key];
        return field(value === null || value === undefined ? null : column.mapToDriverValue(value));
      })
      .join('\t')}\n`;
  const into = client.query(from(`copy "${getTableName(table)}" (${names}) from stdin`));
  await pipeline(Readable.from(rows as readonly object[]).map(line), into);
}
