import type { CommandBody, Exercise } from '@zealous-axle/core';
import { boolean, date, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

/** Something a teacher set to be practised. */
export const practiceTask = pgTable(
  'practice_task',
  {
    fleetId,
    id,
    name: text('name').notNull(),
    /** Null: for everybody. */
    personId: uuid('person_id'),
    exercise: jsonb('exercise').$type<Exercise>().notNull(),
    dueOn: date('due_on', { mode: 'string' }),
    pass: integer('pass').notNull(),
    setBy: uuid('set_by').notNull(),
    withdrawnAt: at('withdrawn_at'),
    shape: shape(1),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** What came of practising: of no real unit, and in no record but its person's. */
export const practiceResult = pgTable(
  'practice_result',
  {
    fleetId,
    id,
    personId: uuid('person_id').notNull(),
    taskId: uuid('task_id'),
    exercise: jsonb('exercise').$type<Exercise>().notNull(),
    marks: integer('marks').notNull(),
    seconds: integer('seconds').notNull(),
    items: jsonb('items').$type<CommandBody<'finish-practice'>['items']>().notNull(),
    off: jsonb('off').$type<CommandBody<'finish-practice'>['off']>().notNull(),
    finishedAt: at('finished_at').notNull(),
    /** Faster than anybody can; null where that was not asked yet. */
    tooFast: boolean('too_fast'),
    shape: shape(1),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('practice_result_person').on(t.fleetId, t.personId, t.finishedAt),
  ],
);

/** How far somebody has come right now. */
export const practiceNow = pgTable(
  'practice_now',
  {
    fleetId,
    personId: uuid('person_id').notNull(),
    taskId: uuid('task_id'),
    words: text('words').notNull(),
    done: integer('done').notNull(),
    of: integer('of').notNull(),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.personId] })],
);

/** A walk said to somebody else. */
export const practiceExam = pgTable(
  'practice_exam',
  {
    fleetId,
    id,
    code: text('code').notNull(),
    learnerId: uuid('learner_id').notNull(),
    form: text('form').notNull(),
    cards: jsonb('cards').$type<CommandBody<'open-exam'>['cards']>().notNull(),
    openedAt: at('opened_at').notNull(),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), index('practice_exam_code').on(t.fleetId, t.code)],
);

export const examMark = pgTable(
  'exam_mark',
  {
    fleetId,
    examId: uuid('exam_id').notNull(),
    card: text('card').notNull(),
    said: boolean('said').notNull(),
    half: boolean('half').notNull().default(false),
    markedBy: uuid('marked_by').notNull(),
    markedAt: at('marked_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.examId, t.card] })],
);
