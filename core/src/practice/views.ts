import { z } from 'zod';
import { exerciseSchema } from './commands';

const id = z.string();
const instant = z.string();
export type Exercise = z.infer<typeof exerciseSchema>;

const taskSchema = z.strictObject({
  id,
  name: z.string(),
  exercise: exerciseSchema,
  due: z.string().nullable(),
  pass: z.int(),
  /** Whom it is for; null: everybody. */
  person: id.nullable(),
  by: z.string(),
});
export type PracticeTask = z.infer<typeof taskSchema>;

const resultSchema = z.strictObject({
  id,
  task: id.nullable(),
  exercise: exerciseSchema,
  marks: z.int(),
  seconds: z.int(),
  at: instant,
  /** Faster than anybody can: it counts for nothing. */
  tooFast: z.boolean(),
});
export type PracticeResult = z.infer<typeof resultSchema>;

/** How a kind of reading spreads against the truth over a person's practice, in its own smallest unit. */
export const spreadSchema = z.strictObject({
  kind: z.string(),
  count: z.int(),
  /** The mean error with its sign: less than none reads short. */
  mean: z.number(),
  /** Standard deviation. */
  deviation: z.number(),
});
export type Spread = z.infer<typeof spreadSchema>;

/** What a person is to practise, and what came of it: their own alone. `total` counts results beyond the page. */
export const practiceSchema = z.strictObject({
  /** How they read, over the results of the page. */
  spread: z.array(spreadSchema),
  tasks: z.array(taskSchema.extend({ best: z.int().nullable() })),
  results: z.array(resultSchema),
  total: z.int(),
});
export type Practice = z.infer<typeof practiceSchema>;

/** A class as its teacher sees it. */
export const practiceClassSchema = z.strictObject({
  tasks: z.array(taskSchema.extend({ passed: z.int() })),
  people: z.array(
    z.strictObject({
      id,
      name: z.string(),
      role: z.string(),
      results: z.int(),
      /** Of these, how many were finished faster than anybody can. */
      tooFast: z.int(),
      /** Marks by day of practice, the oldest first: the mean of each day. */
      marks: z.array(z.strictObject({ on: z.string(), marks: z.number() })),
      /** What is missed most, of what was asked. */
      missed: z.array(z.strictObject({ item: z.string(), missed: z.int(), asked: z.int() })),
      spread: z.array(spreadSchema),
      /** Where they are now, where they practise. */
      now: z.strictObject({ words: z.string(), done: z.int(), of: z.int(), at: instant }).nullable(),
    }),
  ),
});
export type PracticeClass = z.infer<typeof practiceClassSchema>;

/** A walk said to somebody else: its cards, and how each was marked. */
export const examSchema = z.strictObject({
  id,
  code: z.string(),
  form: z.string(),
  learner: z.string(),
  own: z.boolean(),
  cards: z.array(
    z.strictObject({
      id,
      point: z.string(),
      says: z.array(z.string()),
      figure: z.string().nullable(),
      mustNotFail: z.boolean(),
      said: z.boolean().nullable(),
      half: z.boolean(),
    }),
  ),
});
export type PracticeExam = z.infer<typeof examSchema>;
