import type {
  BrakeCount,
  GaugeSource,
  KeptFinding,
  Purpose,
  Reading,
  SectionTime,
  Step,
  Verdict,
} from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { bigint, boolean, index, integer, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { at, bytes, fleetId, id, recordedAt, shape, unitId } from '../store';

export const inspection = pgTable(
  'inspection',
  {
    fleetId,
    id,
    unitId,
    purpose: text('purpose').$type<Purpose>().notNull(),
    jobId: uuid('job_id'),
    /** The route walked, with the version it stood at. */
    route: jsonb('route').$type<{ id: string; name: string; version?: number }>(),
    /** Every step it asked of the unit, as a list that stands once for all that walked it; null asks for what is expected. */
    stepsHash: text('steps_hash'),
    sections: jsonb('sections').$type<SectionTime[]>(),
    shape: shape(1),
    startedBy: uuid('started_by').notNull(),
    startedAt: at('started_at').notNull(),
    closedAt: at('closed_at'),
    outcome: text('outcome').$type<'complete' | 'incomplete'>(),
    because: text('because'),
    verdict: text('verdict').$type<Verdict>(),
    /** Begun by mistake: it reads nothing more. */
    droppedAt: at('dropped_at'),
    droppedBy: uuid('dropped_by'),
    droppedBecause: text('dropped_because'),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('inspection_open').on(t.fleetId, t.unitId).where(sql`${t.closedAt} is null and ${t.droppedAt} is null`),
    index('inspection_unit').on(t.fleetId, t.unitId, t.startedAt.desc().nullsFirst()),
  ],
);

export type InspectionRow = typeof inspection.$inferSelect;

/** The steps of a route on a kind of running gear, named by their contents: units alike share theirs. */
export const stepList = pgTable(
  'step_list',
  { fleetId, hash: text('hash').notNull(), steps: jsonb('steps').$type<Step[]>().notNull(), shape: shape(1) },
  (t) => [primaryKey({ columns: [t.fleetId, t.hash] })],
);

/** Append-only. `value` keeps what was typed, in the wire's shape. */
export const reading = pgTable(
  'reading',
  {
    fleetId,
    id,
    inspectionId: uuid('inspection_id').notNull(),
    unitId,
    key: text('key').notNull(),
    value: jsonb('value').$type<Reading>().notNull(),
    takenBy: uuid('taken_by').notNull(),
    /** When it was taken: the device's clock, put right by what it was off. */
    takenAt: at('taken_at').notNull(),
    /** What the device's clock said, where that differs. */
    saidAt: at('said_at'),
    recordedAt,
    supersedes: uuid('supersedes'),
    gauge: jsonb('gauge').$type<GaugeSource>(),
    shape: shape(1),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('reading_inspection').on(t.fleetId, t.inspectionId),
    index('reading_place').on(t.fleetId, t.unitId, t.key, t.takenAt.desc().nullsFirst()),
    unique('reading_supersedes').on(t.fleetId, t.supersedes),
  ],
);

export const skip = pgTable(
  'skip',
  {
    fleetId,
    id,
    inspectionId: uuid('inspection_id').notNull(),
    key: text('key').notNull(),
    reason: text('reason').notNull(),
    skippedBy: uuid('skipped_by').notNull(),
    skippedAt: at('skipped_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('skip_inspection').on(t.fleetId, t.inspectionId)],
);

/** The reading that stands at each place, kept in step in the transaction that records one, so that a page is one indexed read. */
export const currentReading = pgTable(
  'current_reading',
  {
    fleetId,
    unitId,
    key: text('key').notNull(),
    readingId: uuid('reading_id').notNull(),
    inspectionId: uuid('inspection_id').notNull(),
    value: jsonb('value').$type<Reading>().notNull(),
    verdict: text('verdict').$type<Verdict>().notNull(),
    takenAt: at('taken_at').notNull(),
    takenBy: uuid('taken_by').notNull(),
    /** Between which moments it was taken, where that is not known. */
    takenFrom: at('taken_from'),
    takenUntil: at('taken_until'),
    recordedAt,
    /** It is not known whether another reading of this place is the later: the worse of the two stands. */
    doubtful: boolean('doubtful').notNull().default(false),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.unitId, t.key] })],
);

/** Append-only: a new book or a correction makes a new judgement, the old one stays. */
export const judgement = pgTable(
  'judgement',
  {
    fleetId,
    id,
    seq: bigint('seq', { mode: 'number' }).generatedAlwaysAsIdentity(),
    inspectionId: uuid('inspection_id').notNull(),
    unitId,
    book: text('book').notNull(),
    edition: text('edition').notNull(),
    verdict: text('verdict').$type<Verdict>().notNull(),
    complete: boolean('complete').notNull(),
    brakes: jsonb('brakes').$type<BrakeCount>().notNull(),
    /** What was read and judged. What was not read is worked out from the steps, not stored. */
    findings: jsonb('findings').$type<KeptFinding[]>().notNull(),
    shape: shape(2),
    judgedAt: at('judged_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('judgement_inspection').on(t.fleetId, t.inspectionId, t.seq.desc().nullsFirst()),
  ],
);

/** Append-only, like the readings beside it. */
export const photo = pgTable(
  'photo',
  {
    fleetId,
    id,
    unitId,
    inspectionId: uuid('inspection_id'),
    defectId: uuid('defect_id'),
    key: text('key'),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    jpeg: bytes('jpeg').notNull(),
    takenBy: uuid('taken_by').notNull(),
    takenAt: at('taken_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('photo_unit').on(t.fleetId, t.unitId, t.takenAt.desc().nullsFirst()),
    index('photo_inspection').on(t.fleetId, t.inspectionId),
  ],
);
