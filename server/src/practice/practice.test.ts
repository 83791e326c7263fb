import type { CommandBody, Practice, PracticeClass, PracticeExam } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type World } from '../testing/world';
import { spreadOf } from './queries';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const EXERCISE = { what: 'yard', seed: 7, level: 2, of: 'practice-brakes', vehicle: 'trailer' } as const;
const DAY_MINUTES = 24 * 60;

async function begin() {
  const fleet = await world.makeFleet(`practice${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const people = (await world.get(who('manager'), '/people')).body.people as { id: string; role: string }[];
  const idOf = (role: string) => people.find((each) => each.role === role)?.id ?? '';
  const practice = async (role: string): Promise<Practice> => (await world.get(who(role), '/practice')).body;
  const teacher = async (): Promise<PracticeClass> => (await world.get(who('foreman'), '/practice/class')).body;
  const setTask = async (person: string | null = null, pass = 80) => {
    const task = uuidv7();
    await world.done(who('foreman'), 'set-practice-task', {
      task,
      name: 'Brakes',
      person,
      exercise: EXERCISE,
      due: null,
      pass,
    });
    return task;
  };
  const finish = (role: string, more: Partial<CommandBody<'finish-practice'>> = {}) =>
    world.send(who(role), 'finish-practice', {
      result: uuidv7(),
      task: null,
      exercise: EXERCISE,
      marks: 90,
      seconds: 300,
      items: [],
      off: [],
      ...more,
    });
  return { fleet, who, idOf, practice, teacher, setTask, finish };
}

test('a result counts for a task only where it is of what the task asks for', async () => {
  const { practice, setTask, finish } = await begin();
  const task = await setTask();
  for (const change of [{ seed: EXERCISE.seed + 1 }, { level: 1 }, { what: 'air' as const }, { of: null }]) {
    const other = await finish('driver', { task, exercise: { ...EXERCISE, ...change } });
    expect(other).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching('does not match the assignment') },
    });
  }
  expect((await practice('driver')).tasks).toMatchObject([{ id: task, best: null }]);
  expect((await finish('driver', { task, exercise: EXERCISE })).status).toBe(200);
  expect((await practice('driver')).tasks).toMatchObject([{ id: task, best: 90 }]);
});

test('a task is set, done by whom it is for, and its teacher sees who passed', async () => {
  const { who, idOf, practice, teacher, setTask, finish } = await begin();
  const forAll = await setTask();
  const forOne = await setTask(idOf('technician'));
  expect((await practice('technician')).tasks.map(({ id }) => id).sort()).toEqual([forAll, forOne].sort());
  expect((await practice('driver')).tasks.map(({ id }) => id)).toEqual([forAll]);
  expect((await finish('driver', { task: forOne })).status).toBe(404);
  expect((await finish('technician', { task: forOne, marks: 60 })).status).toBe(200);
  expect((await teacher()).tasks.find(({ id }) => id === forOne)).toMatchObject({ passed: 0 });
  await finish('technician', { task: forOne, marks: 85 });
  expect((await practice('technician')).tasks.find(({ id }) => id === forOne)).toMatchObject({ best: 85 });
  expect((await teacher()).tasks.find(({ id }) => id === forOne)).toMatchObject({ passed: 1 });
  await world.done(who('foreman'), 'withdraw-practice-task', { task: forOne });
  expect((await practice('technician')).tasks.map(({ id }) => id)).toEqual([forAll]);
  expect(
    (
      await world.send(who('technician'), 'set-practice-task', {
        task: uuidv7(),
        name: 'x',
        person: null,
        exercise: EXERCISE,
        due: null,
        pass: 80,
      })
    ).status,
  ).toBe(403);
});

test('what was finished faster than anybody can read it is kept, marked, and counts for nothing', async () => {
  const { practice, teacher, setTask, finish } = await begin();
  const task = await setTask();
  const items = Array.from({ length: 100 }, () => ({ item: 'lining', right: true }));
  await finish('driver', { task, items, seconds: 2, marks: 100 });
  expect(await practice('driver')).toMatchObject({ tasks: [{ best: null }], results: [{ tooFast: true, marks: 100 }] });
  const room = await teacher();
  expect(room.tasks).toMatchObject([{ passed: 0 }]);
  expect(room.people.find(({ role }) => role === 'driver')).toMatchObject({ results: 0, tooFast: 1, marks: [] });
  await finish('driver', { task, items, seconds: 120, marks: 85 });
  expect(await practice('driver')).toMatchObject({ tasks: [{ best: 85 }] });
});

test('results are one’s own; the class is its teacher’s, by person, item and day', async () => {
  const { who, practice, teacher, finish } = await begin();
  const items = [
    { item: 'lining', right: false },
    { item: 'lining', right: false },
    { item: 'stroke-applied', right: true },
  ];
  await finish('driver', { items, marks: 40 });
  world.later(DAY_MINUTES);
  await finish('driver', { items: items.slice(2), marks: 80 });
  expect((await practice('driver')).results.map(({ marks }) => marks)).toEqual([80, 40]);
  expect(await practice('technician')).toMatchObject({ results: [], total: 0 });
  expect((await world.get(who('driver'), '/practice/class')).status).toBe(403);
  const driver = (await teacher()).people.find(({ role }) => role === 'driver');
  expect(driver).toMatchObject({ results: 2, missed: [{ item: 'lining', missed: 2, asked: 2 }] });
  expect(driver?.marks.map(({ marks }) => marks)).toEqual([40, 80]);
});

test('whoever reads a sixteenth short is seen to: the spread of a person’s figures against the truth', async () => {
  const { teacher, finish, practice } = await begin();
  const sixteenth = 25_400_000 / 16;
  const off = [-1, -1, -2, 0].map((each) => ({ kind: 'stroke-applied', off: each * sixteenth }));
  await finish('technician', { off });
  expect((await practice('technician')).spread).toMatchObject([{ kind: 'stroke-applied', mean: -sixteenth }]);
  const [spread] = (await teacher()).people.find(({ role }) => role === 'technician')?.spread ?? [];
  expect(spread).toMatchObject({ kind: 'stroke-applied', count: 4, mean: -sixteenth });
  expect(spread?.deviation).toBeGreaterThan(0);
  expect(spreadOf([])).toEqual([]);
});

test('a teacher watches live how far somebody is; done, it is gone', async () => {
  const { who, teacher, finish } = await begin();
  await world.done(who('driver'), 'tell-practice', { task: null, words: '1L stroke', done: 3, of: 24 });
  await world.done(who('driver'), 'tell-practice', { task: null, words: '1R stroke', done: 4, of: 24 });
  const now = async () => (await teacher()).people.find(({ role }) => role === 'driver')?.now;
  expect(await now()).toMatchObject({ words: '1R stroke', done: 4, of: 24 });
  await finish('driver');
  expect(await now()).toBeNull();
});

test('an exam is marked by whoever has its code, never by oneself, and the code ends', async () => {
  const { who } = await begin();
  const exam = uuidv7();
  const code = 'K7QM2X';
  const cards = ['belts', 'fuses'].map((id) => ({
    id,
    point: id,
    says: ['tight'],
    figure: null,
    mustNotFail: id === 'belts',
  }));
  await world.done(who('driver'), 'open-exam', { exam, code, form: 'Engine side', cards });
  const seen = async (role: string, asked = code): Promise<{ status: number; body: PracticeExam }> =>
    (await world.get(who(role), `/practice/exams/${asked}`)) as never;
  expect((await seen('technician')).body).toMatchObject({ form: 'Engine side', own: false, learner: 'The driver' });
  expect((await seen('technician', 'QQQQQQ')).status).toBe(404);
  const mark = (role: string, card: string, said: boolean) => world.send(who(role), 'mark-exam', { exam, card, said });
  expect((await mark('driver', 'belts', true)).body.detail).toContain('You cannot grade your own exam');
  await mark('technician', 'belts', true);
  await mark('technician', 'fuses', true);
  await mark('technician', 'fuses', false);
  expect((await mark('technician', 'other', true)).status).toBe(404);
  expect((await seen('driver')).body.cards.map(({ said }) => said)).toEqual([true, false]);
  const half = (card: string) => world.send(who('technician'), 'mark-exam', { exam, card, said: true, half: true });
  await half('belts');
  await half('fuses');
  // Half of what must not fail is nothing.
  expect((await seen('driver')).body.cards.map(({ said, half: is }) => [said, is])).toEqual([
    [false, false],
    [true, true],
  ]);
  expect((await seen('driver')).body.own).toBe(true);
  world.later(13 * 60);
  expect((await seen('technician')).status).toBe(404);
});
