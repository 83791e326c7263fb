import type { Axle, FactChange, Features, OutsideSource, SeenBy, UnitKind, UnitState } from '@zealous-axle/core';
import { date, index, integer, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape, unitId } from '../store';

export const unit = pgTable(
  'unit',
  {
    fleetId,
    id,
    number: text('number').notNull(),
    body: text('body').notNull(),
    kind: text('kind').$type<UnitKind>().notNull(),
    /** Where it stands. */
    site: text('site').notNull().default(''),
    axles: jsonb('axles').$type<Axle[]>().notNull(),
    notFitted: jsonb('not_fitted').$type<string[]>().notNull().default([]),
    features: jsonb('features').$type<Features>().notNull().default({}),
    state: text('state').$type<UnitState>().notNull().default('in-use'),
    /** Why it is in this state, and since when; null where it always was. */
    stateReason: text('state_reason'),
    stateAt: at('state_at'),
    version: integer('version').notNull().default(1),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('unit_number').on(t.fleetId, t.number)],
);

/** What was changed in what is kept of a unit, by whom and why: only ever added to. */
export const unitChange = pgTable(
  'unit_change',
  {
    fleetId,
    id,
    unitId,
    facts: jsonb('facts').$type<FactChange[]>().notNull(),
    shape: shape(1),
    seen: text('seen').$type<SeenBy>(),
    reason: text('reason').notNull().default(''),
    changedBy: uuid('changed_by').notNull(),
    changedAt: at('changed_at').notNull(),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('unit_change_of_unit').on(t.fleetId, t.unitId, t.recordedAt.desc(), t.id.desc()),
  ],
);

export const paper = pgTable(
  'paper',
  { fleetId, id, unitId, paper: text('paper').notNull(), dueOn: date('due_on', { mode: 'string' }).notNull() },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('paper_kind').on(t.fleetId, t.unitId, t.paper)],
);

/** When a unit leaves next, as it was last told. */
export const departure = pgTable(
  'departure',
  {
    fleetId,
    unitId,
    leavesAt: at('leaves_at').notNull(),
    leavesTo: text('leaves_to').notNull(),
    toldBy: uuid('told_by').notNull(),
    toldAt: at('told_at').notNull(),
    /** Who it came from, where nobody of the fleet told it. */
    source: text('source').$type<OutsideSource>().notNull().default('hand'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.unitId] })],
);

export const hold = pgTable(
  'hold',
  {
    fleetId,
    id,
    unitId,
    reason: text('reason').notNull(),
    placedBy: uuid('placed_by').notNull(),
    placedAt: at('placed_at').notNull(),
    /** The inspection that found why; null where somebody held it or reported it. */
    inspectionId: uuid('inspection_id'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('hold_unit').on(t.fleetId, t.unitId)],
);

export const release = pgTable(
  'release',
  {
    fleetId,
    id,
    unitId,
    statement: text('statement').notNull(),
    signedBy: uuid('signed_by').notNull(),
    signedAt: at('signed_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/**
 * What ended a hold: a release, or the corrected reading that took back why it was placed. A trailer is held while one of
 * its holds has no row here.
 */
export const holdReleased = pgTable(
  'hold_released',
  { fleetId, holdId: uuid('hold_id').notNull(), releaseId: uuid('release_id'), readingId: uuid('reading_id') },
  (t) => [primaryKey({ columns: [t.fleetId, t.holdId] })],
);

/** One unit directly behind another, from when it was hooked until it was dropped. */
export const coupling = pgTable(
  'coupling',
  {
    fleetId,
    id,
    unitId,
    pulledId: uuid('pulled_id').notNull(),
    hookedPlace: text('hooked_place').notNull(),
    hookedBy: uuid('hooked_by').notNull(),
    hookedAt: at('hooked_at').notNull(),
    droppedPlace: text('dropped_place'),
    droppedBy: uuid('dropped_by'),
    droppedAt: at('dropped_at'),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** Odometers and hub meters as they were read. */
export const meter = pgTable(
  'meter',
  {
    fleetId,
    id,
    unitId,
    value: text('value').notNull(),
    readBy: uuid('read_by').notNull(),
    readAt: at('read_at').notNull(),
    source: text('source').$type<OutsideSource>().notNull().default('hand'),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
