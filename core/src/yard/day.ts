import { z } from 'zod';

const unit = z.strictObject({ id: z.string(), number: z.string(), body: z.string() });

/** What a shop has before it today: counted over the whole fleet, and the first few of each named. */
export const daySchema = z.strictObject({
  today: z.string(),
  held: z.strictObject({
    count: z.int(),
    /** The longest held first, with the reason of their oldest hold. */
    first: z.array(z.strictObject({ unit, why: z.string(), since: z.string() })),
  }),
  /** What leaves until tomorrow evening and is held, or has open defects. */
  leaving: z.strictObject({
    count: z.int(),
    first: z.array(z.strictObject({ unit, at: z.string(), to: z.string(), held: z.boolean(), openDefects: z.int() })),
  }),
  /** Reports nobody decided on yet: how many, how many for more than a day, and since when the oldest waits. */
  reports: z.strictObject({ waiting: z.int(), overADay: z.int(), oldest: z.string().nullable() }),
  /** Calls for help nobody answered. */
  help: z.int(),
  /** Who is clocked on, and whose job has taken longer than its minutes. */
  working: z.array(
    z.strictObject({
      person: z.string(),
      job: z.strictObject({ id: z.string(), title: z.string() }),
      unit: z.string(),
      since: z.string(),
      minutes: z.int(),
      spent: z.int(),
    }),
  ),
  /** Parts that are ordered and not here, and those whose day has passed. */
  parts: z.strictObject({ awaited: z.int(), late: z.int() }),
  /** Documents whose last day has passed, and those that end within 30 days. */
  papers: z.strictObject({ over: z.int(), soon: z.int() }),
  /** Units with something past a limit by its wear, and with something that reaches one within 30 days. */
  wear: z.strictObject({ past: z.int(), soon: z.int() }),
  /** Repairs of the last 30 days whose defect came back. */
  comeBacks: z.int(),
  /** Wheels whose day to be torqued again has passed. */
  retorques: z.int(),
});
export type Day = z.infer<typeof daySchema>;
