import type { NodePgQueryResultHKT } from 'drizzle-orm/node-postgres';
import type { PgDatabase } from 'drizzle-orm/pg-core';

/** A transaction that sees one fleet. What is asked of it at once is sent at once. */
export type FleetStore = Omit<PgDatabase<NodePgQueryResultHKT, Record<string, never>>, 'transaction'>;
