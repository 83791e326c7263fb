import type { MoveList } from '@zealous-axle/core';
import { date, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape, unitId } from '../../store';

/** What a shop's own list brought: undone whole, or not. */
export const moveIn = pgTable(
  'move_in',
  {
    fleetId,
    id,
    list: text('list').$type<MoveList>().notNull(),
    name: text('name').notNull(),
    /** Ids of what it brought: units, parts, people, repairs, or the inspections that its readings became. */
    brought: jsonb('brought').$type<string[]>().notNull(),
    shape: shape(2),
    movedBy: uuid('moved_by').notNull(),
    movedAt: at('moved_at').notNull(),
    undoneBy: uuid('undone_by'),
    undoneAt: at('undone_at'),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A repair of before, as a list told it. */
export const pastRepair = pgTable(
  'past_repair',
  {
    fleetId,
    id,
    moveId: uuid('move_id').notNull(),
    unitId,
    day: date('day', { mode: 'string' }).notNull(),
    work: text('work').notNull(),
    /** Whom the list names: nobody of the fleet need be called so. */
    who: text('who'),
    meter: text('meter'),
    cost: integer('cost'),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('past_repair_unit').on(t.fleetId, t.unitId, t.day.desc().nullsFirst(), t.id.desc().nullsFirst()),
  ],
);
