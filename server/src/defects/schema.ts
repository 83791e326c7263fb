import type { DefectState, SignedSays, Verdict } from '@zealous-axle/core';
import { boolean, date, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, place, recordedAt, shape, unitId } from '../store';

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
    /** What it was judged to be when an inspection found it. */
    verdict: text('verdict').$type<Verdict>(),
    jobId: uuid('job_id'),
    /** The report that carries this one. */
    joinedTo: uuid('joined_to'),
    /** The certified defect it is again. */
    comeBackOf: uuid('come_back_of'),
    /** Until when it waits, as the shop's date. */
    until: date('until', { mode: 'string' }),
    /** Or until its unit's meter reads so much, as it was written. */
    untilMeter: text('until_meter'),
    /** Until which dusk it runs by daylight only. */
    dusk: at('dusk'),
    /** Why it was answered as it was. */
    reason: text('reason'),
    answeredAt: at('answered_at'),
    measuredAt: at('measured_at'),
    version: integer('version').notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('defect_unit').on(t.fleetId, t.unitId, t.state),
    index('defect_state').on(t.fleetId, t.state, t.reportedAt.desc().nullsFirst(), t.id.desc().nullsFirst()),
    index('defect_job').on(t.fleetId, t.jobId),
  ],
);

/** What was added to a report after it was signed. */
export const reportNote = pgTable(
  'report_note',
  {
    fleetId,
    id,
    defectId: uuid('defect_id').notNull(),
    words: text('words').notNull(),
    addedBy: uuid('added_by').notNull(),
    addedAt: at('added_at').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('report_note_defect').on(t.fleetId, t.defectId)],
);

/** A signature after a walk round: that nothing was found, or that the unit was seen to be held. */
export const cleanReport = pgTable(
  'clean_report',
  {
    fleetId,
    id,
    unitId,
    reportedBy: uuid('reported_by').notNull(),
    reportedAt: at('reported_at').notNull(),
    says: text('says').$type<SignedSays>().notNull().default('nothing-found'),
    /** How many defects were open when it was signed; null where that was not kept. */
    known: integer('known'),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('clean_report_of_unit').on(t.fleetId, t.unitId, t.reportedAt.desc().nullsFirst()),
  ],
);

export const certificate = pgTable(
  'certificate',
  {
    fleetId,
    jobId: uuid('job_id').notNull(),
    statement: text('statement').notNull(),
    signedBy: uuid('signed_by').notNull(),
    signedAt: at('signed_at').notNull(),
    /** Defects that needed no repair, each with why. */
    unneeded: jsonb('unneeded').$type<{ defect: string; reason: string }[]>().notNull().default([]),
    /** What its signer held a paper for. */
    qualification: text('qualification'),
    shape: shape(1),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.jobId] })],
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
