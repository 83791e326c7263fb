import { z } from 'zod';

const unit = z.strictObject({ id: z.string(), number: z.string(), body: z.string() });

/** What a shop has before it today: counted over the whole fleet, and the first few of each named. */
export const daySchema = z.strictObject({
  today: z.string(),
  /** For how many days documents and wear are looked ahead, and comebacks back. */
  days: z.int(),
  held: z.strictObject({
    count: z.int(),
    /** The longest held first, with the reason of their oldest hold. */
    first: z.array(z.strictObject({ unit, why: z.string(), since: z.string() })),
  }),
  /** What leaves today or tomorrow, by the fleet's days, and is held or has open defects. */
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
  /** Units with a document whose last day has passed; and those whose next one ends within so many days. */
  papers: z.strictObject({ over: z.int(), soon: z.int() }),
  /** Units with something past a limit by its wear, and with something that reaches one within so many days. */
  wear: z.strictObject({ past: z.int(), soon: z.int() }),
  /** Defects of the last so many days that came back after a repair. */
  comeBacks: z.int(),
  /** Wheels whose day to be torqued again has passed. */
  retorques: z.int(),
});
export type Day = z.infer<typeof daySchema>;
