import type { DefectState, JobState } from '@zealous-axle/core';
import { boolean, date, foreignKey, index, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, place, unitId } from './columns';
import { bay, ofUnit } from './units';

export const defect = pgTable(
  'defect',
  {
    fleetId,
    id,
    unitId,
    code: text('code').notNull(),
    ...place,
    words: text('words').notNull(),
    origin: text('origin').$type<'driver' | 'inspection'>().notNull(),
    inspectionId: uuid('inspection_id'),
    reportedBy: uuid('reported_by').notNull(),
    reportedAt: at('reported_at').notNull(),
    state: text('state').$type<DefectState>().notNull(),
    holds: boolean('holds').notNull(),
    jobId: uuid('job_id'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    ofUnit(t as never),
    index('defect_unit').on(t.fleetId, t.unitId, t.state),
    index('defect_state').on(t.fleetId, t.state),
    index('defect_job').on(t.fleetId, t.jobId),
  ],
);

export const job = pgTable(
  'job',
  {
    fleetId,
    id,
    unitId,
    title: text('title').notNull(),
    state: text('state').$type<JobState>().notNull(),
    minutes: integer('minutes').notNull(),
    wheelsOff: boolean('wheels_off').notNull(),
    bayId: uuid('bay_id'),
    day: date('day', { mode: 'string' }),
    done: text('done'),
    doneAt: at('done_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    ofUnit(t as never),
    foreignKey({ columns: [t.fleetId, t.bayId], foreignColumns: [bay.fleetId, bay.id] }),
    index('job_unit').on(t.fleetId, t.unitId),
    index('job_state').on(t.fleetId, t.state),
  ],
);

export const torqueCheck = pgTable(
  'torque_check',
  {
    fleetId,
    id,
    jobId: uuid('job_id').notNull(),
    value: text('value').notNull(),
    tool: text('tool').notNull(),
    checkedBy: uuid('checked_by').notNull(),
    checkedAt: at('checked_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('torque_check_job').on(t.fleetId, t.jobId)],
);

export const certificate = pgTable(
  'certificate',
  {
    fleetId,
    jobId: uuid('job_id').notNull(),
    statement: text('statement').notNull(),
    signedBy: uuid('signed_by').notNull(),
    signedAt: at('signed_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.jobId] })],
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
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), ofUnit(t as never), index('hold_unit').on(t.fleetId, t.unitId)],
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
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), ofUnit(t as never)],
);

/** Which release ended which hold. A trailer is held while one of its holds has no row here. */
export const holdReleased = pgTable(
  'hold_released',
  { fleetId, holdId: uuid('hold_id').notNull(), releaseId: uuid('release_id').notNull() },
  (t) => [primaryKey({ columns: [t.fleetId, t.holdId] })],
);

export const acknowledgement = pgTable(
  'acknowledgement',
  {
    fleetId,
    defectId: uuid('defect_id').notNull(),
    acknowledgedBy: uuid('acknowledged_by').notNull(),
    acknowledgedAt: at('acknowledged_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.defectId] })],
);
