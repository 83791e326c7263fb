import { type Day, dayIn, type Practice, type PracticeClass, type PracticeExam, type Spread } from '@zealous-axle/core';
import { and, asc, count, desc, eq, gte, isNull, or, sql } from 'drizzle-orm';
import { person } from '../access';
import type { Actor } from '../run';
import type { FleetStore } from '../store';
import { examMark, practiceExam, practiceNow, practiceResult, practiceTask } from './schema';
import settings from './settings.json';

/** Results of one person that a screen shows; their number is said beside. */
const SHOWN = 60;
/** What is missed most, of each person. */
const MISSED = 12;
const DAY_MS = 86_400_000;
/** After how many days a passed task no longer counts, and for how many hours an exam's code opens it. */
const { countsDays, codeHours } = settings;

const tasks = (store: FleetStore) =>
  store
    .select({ task: practiceTask, by: person.name })
    .from(practiceTask)
    .innerJoin(person, and(eq(person.fleetId, practiceTask.fleetId), eq(person.id, practiceTask.setBy)));
type TaskRow = Awaited<ReturnType<typeof tasks>>[number];

const taskView = ({ task, by }: TaskRow) => ({
  id: task.id,
  name: task.name,
  exercise: task.exercise,
  due: task.dueOn,
  pass: task.pass,
  person: task.personId,
  by,
});

/** What counts: not what was finished faster than anybody can. */
const counts = sql`${practiceResult.tooFast} is not true`;

/** What somebody is to practise, and what came of it. */
export async function practiceOf(store: FleetStore, { person: own }: Actor): Promise<Practice> {
  const [set, results, [counted], best] = await Promise.all([
    tasks(store)
      .where(
        and(isNull(practiceTask.withdrawnAt), or(isNull(practiceTask.personId), eq(practiceTask.personId, own.id))),
      )
      .orderBy(asc(practiceTask.dueOn), asc(practiceTask.id)),
    store
      .select()
      .from(practiceResult)
      .where(eq(practiceResult.personId, own.id))
      .orderBy(desc(practiceResult.finishedAt), desc(practiceResult.id))
      .limit(SHOWN),
    store.select({ all: count() }).from(practiceResult).where(eq(practiceResult.personId, own.id)),
    store
      .select({ task: practiceResult.taskId, marks: sql<number>`max(${practiceResult.marks})`.mapWith(Number) })
      .from(practiceResult)
      .where(and(eq(practiceResult.personId, own.id), counts))
      .groupBy(practiceResult.taskId),
  ]);
  const bestOf = new Map(best.map(({ task, marks }) => [task, marks]));
  return {
    tasks: set.map((row) => ({ ...taskView(row), best: bestOf.get(row.task.id) ?? null })),
    results: results.map(({ id, taskId, exercise, marks, seconds, finishedAt, tooFast }) => ({
      id,
      task: taskId,
      exercise,
      marks,
      seconds,
      at: finishedAt.toISOString(),
      tooFast: tooFast === true,
    })),
    total: counted?.all ?? 0,
    spread: spreadOf(results.filter(isCounted)),
  };
}

type ResultRow = typeof practiceResult.$inferSelect;
const isCounted = ({ tooFast }: ResultRow): boolean => tooFast !== true;

const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / values.length;

/** How a person's figures spread against the truth, by kind of reading. */
export function spreadOf(results: readonly Pick<ResultRow, 'off'>[]): Spread[] {
  const kinds = new Map<string, number[]>();
  for (const { off } of results)
    for (const { kind, off: error } of off) kinds.set(kind, [...(kinds.get(kind) ?? []), error]);
  return [...kinds].map(([kind, errors]) => {
    const middle = mean(errors);
    const deviation = Math.sqrt(mean(errors.map((each) => (each - middle) ** 2)));
    return { kind, count: errors.length, mean: middle, deviation };
  });
}

function missedOf(results: readonly Pick<ResultRow, 'items'>[]) {
  const items = new Map<string, { missed: number; asked: number }>();
  for (const { items: own } of results)
    for (const { item, right } of own) {
      const known = items.get(item) ?? { missed: 0, asked: 0 };
      items.set(item, { missed: known.missed + (right ? 0 : 1), asked: known.asked + 1 });
    }
  return [...items]
    .filter(([, { missed }]) => missed > 0)
    .map(([item, counts]) => ({ item, ...counts }))
    .sort((a, b) => b.missed - a.missed || b.missed / b.asked - a.missed / a.asked)
    .slice(0, MISSED);
}

function marksByDay(results: readonly ResultRow[], zone: string) {
  const days = new Map<Day, number[]>();
  for (const { finishedAt, marks } of results) {
    const on = dayIn(zone, finishedAt);
    days.set(on, [...(days.get(on) ?? []), marks]);
  }
  return [...days].map(([on, marks]) => ({ on, marks: mean(marks) })).sort((a, b) => (a.on < b.on ? -1 : 1));
}

/** A class as its teacher sees it: over the last year, by person and by item. */
export async function practiceClass(store: FleetStore, { fleet }: Actor, now: Date): Promise<PracticeClass> {
  const since = new Date(now.getTime() - countsDays * DAY_MS);
  const [set, told, people, under] = await Promise.all([
    tasks(store).where(isNull(practiceTask.withdrawnAt)).orderBy(asc(practiceTask.dueOn), asc(practiceTask.id)),
    store
      .select()
      .from(practiceResult)
      .where(gte(practiceResult.finishedAt, since))
      .orderBy(asc(practiceResult.finishedAt)),
    store
      .select({ id: person.id, name: person.name, role: person.role })
      .from(person)
      .where(eq(person.active, true))
      .orderBy(asc(person.name)),
    store.select().from(practiceNow),
  ]);
  const results = told.filter(isCounted);
  const passed = (task: TaskRow['task']) =>
    new Set(
      results.filter(({ taskId, marks }) => taskId === task.id && marks >= task.pass).map((each) => each.personId),
    ).size;
  return {
    tasks: set.map((row) => ({ ...taskView(row), passed: passed(row.task) })),
    people: people.map(({ id, name, role }) => {
      const own = results.filter(({ personId }) => personId === id);
      const at = under.find(({ personId }) => personId === id);
      return {
        id,
        name,
        role,
        results: own.length,
        tooFast: told.filter((each) => each.personId === id && !isCounted(each)).length,
        marks: marksByDay(own, fleet.zone),
        missed: missedOf(own),
        spread: spreadOf(own),
        now: at ? { words: at.words, done: at.done, of: at.of, at: at.at.toISOString() } : null,
      };
    }),
  };
}

/** An exam by its code, while the code opens it; null where there is none. */
export async function examByCode(
  store: FleetStore,
  { person: own }: Actor,
  code: string,
  now: Date,
): Promise<PracticeExam | null> {
  const [row] = await store
    .select({ exam: practiceExam, learner: person.name })
    .from(practiceExam)
    .innerJoin(person, and(eq(person.fleetId, practiceExam.fleetId), eq(person.id, practiceExam.learnerId)))
    .where(
      and(eq(practiceExam.code, code), gte(practiceExam.openedAt, new Date(now.getTime() - codeHours * 3_600_000))),
    )
    .orderBy(desc(practiceExam.openedAt))
    .limit(1);
  if (!row) return null;
  const marks = await store.select().from(examMark).where(eq(examMark.examId, row.exam.id));
  const markOf = new Map(marks.map((each) => [each.card, each]));
  return {
    id: row.exam.id,
    code,
    form: row.exam.form,
    learner: row.learner,
    own: row.exam.learnerId === own.id,
    cards: row.exam.cards.map((card) => {
      const mark = markOf.get(card.id);
      return { ...card, said: mark?.said ?? null, half: mark?.half ?? false };
    }),
  };
}

/** Whether a person passed a set task within the last year. */
export async function hasPractised(store: FleetStore, personId: string, now: Date): Promise<boolean> {
  const [row] = await store
    .select({ id: practiceResult.id })
    .from(practiceResult)
    .innerJoin(
      practiceTask,
      and(eq(practiceTask.fleetId, practiceResult.fleetId), eq(practiceTask.id, practiceResult.taskId)),
    )
    .where(
      and(
        eq(practiceResult.personId, personId),
        counts,
        gte(practiceResult.recordedAt, new Date(now.getTime() - countsDays * DAY_MS)),
        sql`${practiceResult.marks} >= ${practiceTask.pass}`,
      ),
    )
    .limit(1);
  return row !== undefined;
}
