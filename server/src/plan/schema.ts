import type { KeptSlot, PlanRequest, PlanRun, PlanRunState, Slot } from '@zealous-axle/core';
import { boolean, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

/** The plan people work by: its version, and who made it the plan. */
export const shopPlan = pgTable(
  'shop_plan',
  {
    fleetId,
    version: integer('version').notNull(),
    publishedBy: uuid('published_by').notNull(),
    publishedAt: at('published_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId] })],
);

export const planSlot = pgTable(
  'plan_slot',
  {
    fleetId,
    jobId: uuid('job_id').notNull(),
    bayId: uuid('bay_id').notNull(),
    technicians: jsonb('technicians').$type<KeptSlot['technicians']>().notNull(),
    startsAt: at('starts_at').notNull(),
    endsAt: at('ends_at').notNull(),
    setupMinutes: integer('setup_minutes').notNull(),
    pinned: boolean('pinned').notNull(),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.jobId] })],
);

/** An address at which a calendar program reads the plan; without a person, all of it. */
export const calendarFeed = pgTable(
  'calendar_feed',
  {
    fleetId,
    id,
    secretHash: text('secret_hash').notNull(),
    personId: uuid('person_id'),
    madeBy: uuid('made_by').notNull(),
    madeAt: at('made_at').notNull(),
    revokedAt: at('revoked_at'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A search for a plan: what it was asked, and what it found. `seed` and the instance stand in `request`. */
export const planRun = pgTable(
  'plan_run',
  {
    fleetId,
    id,
    how: text('how').$type<PlanRun['how']>().notNull(),
    state: text('state').$type<PlanRunState>().notNull(),
    /** Null where something that happened asked. */
    askedBy: uuid('asked_by'),
    because: text('because'),
    askedAt: at('asked_at').notNull(),
    fromVersion: integer('from_version').notNull(),
    seconds: integer('seconds').notNull(),
    /** What asked for it, where nobody did: asked once. */
    signature: text('signature'),
    request: jsonb('request').$type<PlanRequest>().notNull(),
    before: jsonb('before').$type<Slot[]>().notNull(),
    /** How often it was begun: what an earlier beginning finds is not taken any more. */
    attempt: integer('attempt').notNull().default(0),
    progress: jsonb('progress').$type<PlanRun['progress']>(),
    answer: jsonb('answer').$type<PlanRun['answer']>(),
    problem: text('problem'),
    shape: shape(1),
    beganAt: at('began_at'),
    endedAt: at('ended_at'),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
