import { jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

/** What a shop's own list brought: undone whole, or not. */
export const moveIn = pgTable(
  'move_in',
  {
    fleetId,
    id,
    name: text('name').notNull(),
    /** Ids of its units. */
    units: jsonb('units').$type<string[]>().notNull(),
    shape: shape(1),
    movedBy: uuid('moved_by').notNull(),
    movedAt: at('moved_at').notNull(),
    undoneBy: uuid('undone_by'),
    undoneAt: at('undone_at'),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
