import { desc, type SQL, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';

/** Where a page of what was kept ended: an instant of whole milliseconds, and an id. Null for the first page. */
export type Before = { at: string; id: string } | null;

const toMillis = (recordedAt: PgColumn): SQL => sql`date_trunc('milliseconds', ${recordedAt})`;

/** Rows kept before the place named by the placeholders `at` and `id`. */
export const keptBefore = (recordedAt: PgColumn, id: PgColumn): SQL =>
  sql`${recordedAt} < ${sql.placeholder('at')}::timestamptz + interval '1 millisecond'
    and (${toMillis(recordedAt)}, ${id}) < (${sql.placeholder('at')}::timestamptz, ${sql.placeholder('id')}::uuid)`;

/** What was kept last first; devices and pages know instants by whole milliseconds. */
export const newestKept = (recordedAt: PgColumn, id: PgColumn): SQL[] => [desc(toMillis(recordedAt)), desc(id)];
