import { z } from 'zod';

/** RFC 9457. `current` carries the newer version when somebody else was first. */
export const problemSchema = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
