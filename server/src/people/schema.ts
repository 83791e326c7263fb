import { type BayWork, NO_BAY_WORK } from '@zealous-axle/core';
import { integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { fleetId, id, shape } from '../store';

export const bay = pgTable(
  'bay',
  {
    fleetId,
    id,
    name: text('name').notNull(),
    rank: integer('rank').notNull(),
    work: jsonb('work').$type<BayWork>().notNull().default(NO_BAY_WORK),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
