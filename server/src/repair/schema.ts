import {
  type ClockReason,
  type End,
  type JobState,
  type JobWork,
  NO_WORK_KNOWN,
  type OutsideSource,
  type OutsideWay,
  type RenewedPart,
  type RoadAnswer,
  type RoadReport,
  type Side,
  type Template,
  type TorqueStage,
  type Tyre,
} from '@zealous-axle/core';
import {
  bigint,
  boolean,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape, unitId } from '../store';

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
    /** When work on it began, or began again after it was reopened. */
    startedAt: at('started_at'),
    done: text('done'),
    doneAt: at('done_at'),
    /** When the server learnt that it is done, and from whom. */
    doneRecordedAt: at('done_recorded_at'),
    doneBy: uuid('done_by'),
    work: jsonb('work').$type<JobWork>().notNull().default(NO_WORK_KNOWN),
    /** Parts left out, each with why. */
    without: jsonb('without').$type<{ part: string; reason: string }[]>().notNull().default([]),
    shape: shape(1),
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
    axle: integer('axle'),
    side: text('side').$type<Side>(),
    holes: smallint('holes'),
    stage: text('stage').$type<TorqueStage>(),
    calibrated: date('calibrated', { mode: 'string' }),
    checkedBy: uuid('checked_by').notNull(),
    checkedAt: at('checked_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('torque_check_job').on(t.fleetId, t.jobId)],
);

/** A step of a job as it was last ticked. */
export const jobTick = pgTable(
  'job_tick',
  {
    fleetId,
    jobId: uuid('job_id').notNull(),
    step: text('step').notNull(),
    done: boolean('done').notNull(),
    tickedBy: uuid('ticked_by').notNull(),
    tickedAt: at('ticked_at').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.jobId, t.step] })],
);

/** Somebody's time on a job; without an end while their clock runs. */
export const jobTime = pgTable(
  'job_time',
  {
    fleetId,
    id,
    jobId: uuid('job_id').notNull(),
    personId: uuid('person_id').notNull(),
    startedAt: at('started_at').notNull(),
    endedAt: at('ended_at'),
    because: text('because').$type<ClockReason>(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('job_time_job').on(t.fleetId, t.jobId)],
);

/** The parts room. */
export const part = pgTable(
  'part',
  {
    fleetId,
    id: text('id').notNull(),
    name: text('name').notNull(),
    stock: integer('stock').notNull(),
    price: integer('price').notNull(),
    leadDays: integer('lead_days').notNull(),
    version: integer('version').notNull().default(1),
    /** Goes up with whatever is taken, received or counted. */
    stockVersion: integer('stock_version').notNull().default(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

export const partUse = pgTable(
  'part_use',
  {
    fleetId,
    id,
    jobId: uuid('job_id').notNull(),
    partId: text('part_id').notNull(),
    count: integer('count').notNull(),
    /** Where it came from, where not out of the parts room. */
    elsewhere: text('elsewhere'),
    takenBy: uuid('taken_by').notNull(),
    takenAt: at('taken_at').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('part_use_job').on(t.fleetId, t.jobId)],
);

/** Parts ordered for a job, until they are here. */
export const partOrder = pgTable(
  'part_order',
  {
    fleetId,
    id,
    jobId: uuid('job_id').notNull(),
    partId: text('part_id').notNull(),
    count: integer('count').notNull(),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
    orderedBy: uuid('ordered_by').notNull(),
    orderedAt: at('ordered_at').notNull(),
    recordedAt,
    receivedBy: uuid('received_by'),
    receivedAt: at('received_at'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('part_order_job').on(t.fleetId, t.jobId)],
);

/** What was fitted new at an axle end: a part's life begins. */
export const fittedPart = pgTable(
  'fitted_part',
  {
    fleetId,
    id,
    unitId,
    /** Null: found to have been renewed, by whoever did it. */
    jobId: uuid('job_id'),
    part: text('part').$type<RenewedPart>().notNull(),
    axle: integer('axle').notNull(),
    side: text('side').$type<Side>().notNull(),
    tyre: text('tyre').$type<Tyre>(),
    number: text('number').notNull(),
    makerLimit: text('maker_limit'),
    fittedBy: uuid('fitted_by').notNull(),
    fittedAt: at('fitted_at').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('fitted_part_unit').on(t.fleetId, t.unitId)],
);

/** Wheels that were off, to be torqued again by a day. */
export const retorque = pgTable(
  'retorque',
  {
    fleetId,
    id,
    unitId,
    jobId: uuid('job_id').notNull(),
    wheels: jsonb('wheels').$type<End[]>().notNull(),
    shape: shape(1),
    value: text('value').notNull(),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
    dueMeter: text('due_meter'),
    doneBy: uuid('done_by'),
    doneAt: at('done_at'),
    tool: text('tool'),
    /** Whether a nut moved. */
    moved: boolean('moved'),
    /** It was not done in time, and is a defect. */
    lapsed: boolean('lapsed').notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A template the fleet changed or made. */
export const fleetTemplate = pgTable(
  'fleet_template',
  {
    fleetId,
    id: text('id').notNull(),
    version: integer('version').notNull(),
    definition: jsonb('definition').$type<Template>().notNull(),
    shape: shape(1),
    savedBy: uuid('saved_by').notNull(),
    savedAt: at('saved_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** Road service asked for a defect. */
export const roadCall = pgTable(
  'road_call',
  {
    fleetId,
    id,
    unitId,
    defectId: uuid('defect_id').notNull(),
    place: text('place').notNull(),
    askedBy: uuid('asked_by').notNull(),
    askedAt: at('asked_at').notNull(),
    /** How the fleet was connected when it was asked. */
    way: text('way').$type<OutsideWay>().notNull(),
    /** What told the provider. */
    messageId: uuid('message_id'),
    /** The job its report became. */
    jobId: uuid('job_id'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('road_call_unit').on(t.fleetId, t.unitId)],
);

/** What became of a call, as it was told: append-only, the last stands. */
export const roadAnswer = pgTable(
  'road_answer',
  {
    fleetId,
    id,
    seq: bigint('seq', { mode: 'number' }).generatedAlwaysAsIdentity(),
    callId: uuid('call_id').notNull(),
    state: text('state').$type<RoadAnswer>().notNull(),
    source: text('source').$type<OutsideSource>().notNull(),
    eta: at('eta'),
    words: text('words').notNull().default(''),
    report: jsonb('report').$type<RoadReport>(),
    shape: shape(1),
    toldBy: uuid('told_by'),
    toldAt: at('told_at').notNull(),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('road_answer_of_call').on(t.fleetId, t.callId, t.seq.desc()),
  ],
);

/** What came with a job from outside. */
export const jobDocument = pgTable(
  'job_document',
  {
    fleetId,
    id,
    jobId: uuid('job_id').notNull(),
    title: text('title').notNull(),
    body: text('body').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
