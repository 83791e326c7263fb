import type { NodePgDatabase } from 'drizzle-orm/node-postgres';

/** A transaction that sees one fleet. What is asked of it at once is sent at once. */
export type FleetStore = Omit<NodePgDatabase, 'transaction'>;
