import type { RecordProblem } from '@zealous-axle/core';
import { bigint, customType, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

const sum = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** A fleet's chain: one entry for each act that recorded something. The database writes it (migration 0044). */
export const recordChain = pgTable(
  'record_chain',
  {
    fleetId,
    nr: bigint('nr', { mode: 'number' }).notNull(),
    act: uuid('act').notNull(),
    what: text('what').notNull(),
    eventId: bigint('event_id', { mode: 'number' }),
    /** The unit its event is about, and the entry of that unit before it. */
    unitId: uuid('unit_id'),
    unitBefore: bigint('unit_before', { mode: 'number' }),
    content: sum('content').notNull(),
    facts: sum('facts').notNull(),
    hash: sum('hash').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.nr] })],
);

/** The records held against what was written of them. */
export const recordCheck = pgTable(
  'record_check',
  {
    fleetId,
    id,
    askedBy: uuid('asked_by').notNull(),
    askedAt: at('asked_at').notNull(),
    endedAt: at('ended_at'),
    entries: bigint('entries', { mode: 'number' }).notNull().default(0),
    rows: bigint('rows', { mode: 'number' }).notNull().default(0),
    problems: jsonb('problems').$type<RecordProblem[]>().notNull().default([]),
    shape: shape(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('record_check_newest').on(t.fleetId, t.askedAt.desc().nullsFirst()),
  ],
);

/** Systems of the fleet's own that hear of every event. */
export const hook = pgTable(
  'hook',
  {
    fleetId,
    id,
    url: text('url').notNull(),
    secret: text('secret').notNull(),
    /** The secret before this one signs too, until then. */
    secretBefore: text('secret_before'),
    turnsOverAt: at('turns_over_at'),
    /** The number of the newest entry it took. */
    taken: bigint('taken', { mode: 'number' }).notNull(),
    tries: integer('tries').notNull().default(0),
    problem: text('problem'),
    setBy: uuid('set_by').notNull(),
    setAt: at('set_at').notNull(),
    endedAt: at('ended_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** Nothing of a unit, or of any, is deleted while one stands. */
export const legalHold = pgTable(
  'legal_hold',
  {
    fleetId,
    id,
    /** Null: of every unit. */
    unitId: uuid('unit_id'),
    reason: text('reason').notNull(),
    placedBy: uuid('placed_by').notNull(),
    placedAt: at('placed_at').notNull(),
    liftedBy: uuid('lifted_by'),
    liftedAt: at('lifted_at'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
