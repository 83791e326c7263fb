import type { Route } from '@zealous-axle/core';
import { boolean, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, bytes, fleetId, id, shape } from '../store';

/** A fleet's own stricter limit. Withdrawn, it stays as what was judged by. */
export const fleetLimit = pgTable(
  'fleet_limit',
  {
    fleetId,
    id,
    tightens: text('tightens').notNull(),
    value: text('value').notNull(),
    reason: text('reason').notNull(),
    addedBy: uuid('added_by').notNull(),
    addedAt: at('added_at').notNull(),
    withdrawnBy: uuid('withdrawn_by'),
    withdrawnAt: at('withdrawn_at'),
    withdrawnReason: text('withdrawn_reason'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A route the fleet made its own. */
export const fleetRoute = pgTable(
  'fleet_route',
  {
    fleetId,
    id,
    definition: jsonb('definition').$type<Route>().notNull(),
    shape: shape(1),
    removed: boolean('removed').notNull().default(false),
    savedBy: uuid('saved_by').notNull(),
    savedAt: at('saved_at').notNull(),
    version: integer('version').notNull().default(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** What good looks like, as a picture, of a check of the fleet's own. Append-only. */
export const checkPicture = pgTable(
  'check_picture',
  {
    fleetId,
    id,
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    jpeg: bytes('jpeg').notNull(),
    addedBy: uuid('added_by').notNull(),
    addedAt: at('added_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
