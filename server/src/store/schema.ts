import type {
  Axle,
  BookId,
  BrakeCount,
  CommandAnswer,
  DefectState,
  DisplayUnits,
  Finding,
  GaugeSource,
  JobState,
  Purpose,
  Reading,
  Role,
  Route,
  Side,
  Step,
  Tyre,
  UnitKind,
  Verdict,
} from '@zealous-axle/core';
import {
  bigint,
  boolean,
  customType,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';

/*
 * Every table starts with the fleet, and every key leads with it: row-level security is on for all of them
 * (migration 0001), and the same key spreads them over machines. Facts are only ever inserted: the server's
 * role has no right to change them.
 */

const fleetId = uuid('fleet_id').notNull();
const id = uuid('id').notNull();
const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const recordedAt = at('recorded_at').notNull().defaultNow();
const place = {
  axle: integer('axle'),
  side: text('side').$type<Side>(),
  tyre: text('tyre').$type<Tyre>(),
};

export const fleet = pgTable('fleet', {
  fleetId: uuid('fleet_id').primaryKey(),
  slug: text('slug').notNull().unique(),
  name: text('name').notNull(),
  zone: text('zone').notNull(),
  book: text('book').$type<BookId>().notNull(),
  /** The ways the fleet chose where good shops differ; the default where it names none. */
  schools: jsonb('schools').$type<Record<string, string>>().notNull().default({}),
  units: jsonb('units')
    .$type<DisplayUnits>()
    .notNull()
    .default({ length: 'in', pressure: 'psi', distance: 'mi', temperature: '°F' }),
  version: integer('version').notNull().default(1),
});

export const person = pgTable(
  'person',
  {
    fleetId,
    id,
    signIn: text('sign_in').notNull(),
    name: text('name').notNull(),
    role: text('role').$type<Role>().notNull(),
    passwordHash: text('password_hash').notNull(),
    active: boolean('active').notNull().default(true),
    /** Null reads in the fleet's units. */
    units: jsonb('units').$type<DisplayUnits>(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('person_sign_in').on(t.fleetId, t.signIn)],
);

export const session = pgTable(
  'session',
  {
    fleetId,
    tokenHash: text('token_hash').notNull(),
    personId: uuid('person_id').notNull(),
    createdAt: at('created_at').notNull().defaultNow(),
    expiresAt: at('expires_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.tokenHash] }),
    foreignKey({ columns: [t.fleetId, t.personId], foreignColumns: [person.fleetId, person.id] }),
  ],
);

export const unit = pgTable(
  'unit',
  {
    fleetId,
    id,
    number: text('number').notNull(),
    body: text('body').notNull(),
    kind: text('kind').$type<UnitKind>().notNull(),
    axles: jsonb('axles').$type<Axle[]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('unit_number').on(t.fleetId, t.number)],
);

const ofUnit = (t: { fleetId: typeof unit.fleetId; unitId: typeof unit.id }) =>
  foreignKey({ columns: [t.fleetId, t.unitId], foreignColumns: [unit.fleetId, unit.id] });
const unitId = uuid('unit_id').notNull();

export const paper = pgTable(
  'paper',
  { fleetId, id, unitId, paper: text('paper').notNull(), dueOn: date('due_on', { mode: 'string' }).notNull() },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    ofUnit(t as never),
    index('paper_unit').on(t.fleetId, t.unitId, t.dueOn),
  ],
);

export const bay = pgTable(
  'bay',
  { fleetId, id, name: text('name').notNull(), rank: integer('rank').notNull() },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

export const inspection = pgTable(
  'inspection',
  {
    fleetId,
    id,
    unitId,
    purpose: text('purpose').$type<Purpose>().notNull(),
    jobId: uuid('job_id'),
    /** The route walked, and every step it asked of the unit; null asks for what is expected of it. */
    route: jsonb('route').$type<{ id: string; name: string }>(),
    steps: jsonb('steps').$type<Step[]>(),
    sections: jsonb('sections').$type<{ id: string; seconds: number }[]>(),
    startedBy: uuid('started_by').notNull(),
    startedAt: at('started_at').notNull(),
    closedAt: at('closed_at'),
    outcome: text('outcome').$type<'complete' | 'incomplete'>(),
    because: text('because'),
    verdict: text('verdict').$type<Verdict>(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    ofUnit(t as never),
    index('inspection_unit').on(t.fleetId, t.unitId, t.startedAt.desc().nullsFirst()),
  ],
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
    takenAt: at('taken_at').notNull(),
    recordedAt,
    supersedes: uuid('supersedes'),
    gauge: jsonb('gauge').$type<GaugeSource>(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    foreignKey({ columns: [t.fleetId, t.inspectionId], foreignColumns: [inspection.fleetId, inspection.id] }),
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
    findings: jsonb('findings').$type<Finding[]>().notNull(),
    judgedAt: at('judged_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('judgement_inspection').on(t.fleetId, t.inspectionId, t.seq.desc().nullsFirst()),
  ],
);

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

/** What happened, in the order it was committed. */
export const event = pgTable(
  'event',
  {
    fleetId,
    id: bigint('id', { mode: 'number' }).generatedAlwaysAsIdentity(),
    type: text('type').notNull(),
    unitId: uuid('unit_id'),
    personId: uuid('person_id').notNull(),
    commandId: uuid('command_id').notNull(),
    body: jsonb('body').notNull(),
    at: at('at').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** Every command done, with the hash of its body and its answer: sent again, it answers the same. */
export const command = pgTable(
  'command',
  {
    fleetId,
    id,
    name: text('name').notNull(),
    hash: text('hash').notNull(),
    personId: uuid('person_id').notNull(),
    answer: jsonb('answer').$type<CommandAnswer>().notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A fleet's own stricter limit. Withdrawn, it stays as what was judged by. */
export const fleetLimit = pgTable(
  'fleet_limit',
  {
    fleetId,
    id,
    tightens: text('tightens').notNull(),
    value: text('value').notNull(),
    reason: text('reason').notNull(),
    addedBy: uuid('added_by').notNull(),
    addedAt: at('added_at').notNull(),
    withdrawnBy: uuid('withdrawn_by'),
    withdrawnAt: at('withdrawn_at'),
    withdrawnReason: text('withdrawn_reason'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** A route the fleet made its own. */
export const fleetRoute = pgTable(
  'fleet_route',
  {
    fleetId,
    id,
    definition: jsonb('definition').$type<Route>().notNull(),
    removed: boolean('removed').notNull().default(false),
    savedBy: uuid('saved_by').notNull(),
    savedAt: at('saved_at').notNull(),
    version: integer('version').notNull().default(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

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
    ofUnit(t as never),
    index('photo_unit').on(t.fleetId, t.unitId, t.takenAt.desc().nullsFirst()),
    index('photo_inspection').on(t.fleetId, t.inspectionId),
  ],
);
