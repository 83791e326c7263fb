import type { Side, Tyre } from '@zealous-axle/core';
import { customType, integer, smallint, text, timestamp, uuid } from 'drizzle-orm/pg-core';

/*
 * Every table starts with the fleet, and every key leads with it: row-level security is on for all of them
 * (migration 0001), and the same key spreads them over machines. Facts are only ever inserted: the server's
 * role has no right to change them.
 */

export const fleetId = uuid('fleet_id').notNull();
export const id = uuid('id').notNull();
export const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
export const recordedAt = at('recorded_at').notNull().defaultNow();
export const place = {
  axle: integer('axle'),
  side: text('side').$type<Side>(),
  tyre: text('tyre').$type<Tyre>(),
};
export const unitId = uuid('unit_id').notNull();
/** The shape of a row's JSON, counted up when it changes: rows of an older shape are brought up by `shapes.ts` when read. */
export const shape = (now: number) => smallint('shape').notNull().default(now);
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
