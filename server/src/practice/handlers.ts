import { isExercise, tooFast } from '@zealous-axle/core';
import { and, eq, isNull } from 'drizzle-orm';
import { person } from '../access';
import { notNow } from '../problem';
import { changed, type Doing, type Done, found, type Handler } from '../run';
import { examMark, practiceExam, practiceNow, practiceResult, practiceTask } from './schema';

const ofFleet = ({ session }: Pick<Doing<'set-practice-task'>, 'session'>): Done => ({
  unitId: null,
  changed: [changed('fleet', session.fleet.id)],
});

export const setPracticeTask: Handler<'set-practice-task'> = async (doing) => {
  const { store, session, body } = doing;
  if (body.person) found((await store.select({ id: person.id }).from(person).where(eq(person.id, body.person)))[0]);
  await store.insert(practiceTask).values({
    fleetId: session.fleet.id,
    id: body.task,
    name: body.name,
    personId: body.person,
    exercise: body.exercise,
    dueOn: body.due,
    pass: body.pass,
    setBy: session.person.id,
  });
  return ofFleet(doing);
};

export const withdrawPracticeTask: Handler<'withdraw-practice-task'> = async (doing) => {
  const { store, now, body } = doing;
  const rows = await store
    .update(practiceTask)
    .set({ withdrawnAt: now })
    .where(and(eq(practiceTask.id, body.task), isNull(practiceTask.withdrawnAt)))
    .returning({ id: practiceTask.id });
  found(rows[0]);
  return ofFleet(doing);
};

/** A task that is the sender's to do; a 404 where it is somebody else's. */
async function ownTask({ store, session }: Pick<Doing<'finish-practice'>, 'store' | 'session'>, task: string) {
  const [row] = await store.select().from(practiceTask).where(eq(practiceTask.id, task));
  const own = found(row);
  return found(own.personId === null || own.personId === session.person.id ? own : undefined);
}

export const tellPractice: Handler<'tell-practice'> = async (doing) => {
  const { store, session, now, body } = doing;
  if (body.task) await ownTask(doing, body.task);
  const told = { taskId: body.task, words: body.words, done: body.done, of: body.of, at: now };
  await store
    .insert(practiceNow)
    .values({ fleetId: session.fleet.id, personId: session.person.id, ...told })
    .onConflictDoUpdate({ target: [practiceNow.fleetId, practiceNow.personId], set: told });
  return ofFleet(doing);
};

export const finishPractice: Handler<'finish-practice'> = async (doing) => {
  const { store, session, at, body } = doing;
  if (body.task && !isExercise((await ownTask(doing, body.task)).exercise, body.exercise))
    throw notNow('other-exercise');
  await store.insert(practiceResult).values({
    fleetId: session.fleet.id,
    id: body.result,
    personId: session.person.id,
    taskId: body.task,
    exercise: body.exercise,
    marks: body.marks,
    seconds: body.seconds,
    items: body.items,
    off: body.off,
    finishedAt: at,
    tooFast: tooFast(body.exercise, body),
  });
  await store.delete(practiceNow).where(eq(practiceNow.personId, session.person.id));
  return ofFleet(doing);
};

export const openExam: Handler<'open-exam'> = async (doing) => {
  const { store, session, now, body } = doing;
  await store.insert(practiceExam).values({
    fleetId: session.fleet.id,
    id: body.exam,
    code: body.code,
    learnerId: session.person.id,
    form: body.form,
    cards: body.cards,
    openedAt: now,
  });
  return ofFleet(doing);
};

/** Marked by whoever holds the code, and by nobody who is examined. */
export const markExam: Handler<'mark-exam'> = async (doing) => {
  const { store, session, now, body } = doing;
  const [row] = await store.select().from(practiceExam).where(eq(practiceExam.id, body.exam));
  const exam = found(row);
  if (exam.learnerId === session.person.id) throw notNow('own-exam');
  const card = found(exam.cards.find(({ id }) => id === body.card));
  // Half of what must not fail is nothing.
  const half = body.half === true && body.said && !card.mustNotFail;
  const mark = { said: body.said && (half || body.half !== true), half, markedBy: session.person.id, markedAt: now };
  await store
    .insert(examMark)
    .values({ fleetId: session.fleet.id, examId: exam.id, card: body.card, ...mark })
    .onConflictDoUpdate({ target: [examMark.fleetId, examMark.examId, examMark.card], set: mark });
  return ofFleet(doing);
};
