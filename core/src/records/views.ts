import { z } from 'zod';

/** One line of a file that was not understood. Lines count from 1, the header's. */
export const badLineSchema = z.strictObject({ line: z.int(), message: z.string() });
export type BadLine = z.infer<typeof badLineSchema>;
export const importPreviewSchema = z.strictObject({
  lines: z.int(),
  good: z.int(),
  units: z.array(z.strictObject({ number: z.string(), readings: z.int() })),
  bad: z.array(badLineSchema),
});
/** What a file of units would bring. */
export const unitsPreviewSchema = z.strictObject({
  lines: z.int(),
  good: z.int(),
  units: z.array(z.strictObject({ number: z.string(), kind: z.string(), axles: z.int() })),
  bad: z.array(badLineSchema),
});
export type UnitsPreview = z.infer<typeof unitsPreviewSchema>;
export type ImportPreview = z.infer<typeof importPreviewSchema>;

/** What a shop's own list brought, and whether it was taken back. */
export const moveInSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  units: z.int(),
  by: z.string(),
  at: z.string(),
  undoneAt: z.string().nullable(),
});
export type MoveIn = z.infer<typeof moveInSchema>;
