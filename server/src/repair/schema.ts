import type { JobState } from '@zealous-axle/core';
import { boolean, date, index, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, unitId } from '../store';

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
    /** When the server learnt that it is done, and from whom. */
    doneRecordedAt: at('done_recorded_at'),
    doneBy: uuid('done_by'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
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
