import { z } from 'zod';
import { axleSchema, UNIT_KINDS } from '../trailer';
import { MOVE_LISTS } from './moving';

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
  list: z.enum(MOVE_LISTS),
  name: z.string(),
  rows: z.int(),
  by: z.string(),
  at: z.string(),
  undoneAt: z.string().nullable(),
});
export type MoveIn = z.infer<typeof moveInSchema>;

/** Of what a list names, what the fleet has. */
export const knownAskedSchema = z.strictObject({
  units: z.array(z.string().max(200)).max(5_000),
  parts: z.array(z.string().max(200)).max(5_000),
  signIns: z.array(z.string().max(200)).max(500),
});
export const knownSchema = z.strictObject({
  units: z.array(z.strictObject({ number: z.string(), kind: z.enum(UNIT_KINDS), axles: z.array(axleSchema) })),
  parts: z.array(z.string()),
  signIns: z.array(z.string()),
});
export type KnownThings = z.infer<typeof knownSchema>;

/** A repair of before this program, as a list told it. */
export const pastRepairSchema = z.strictObject({
  id: z.string(),
  day: z.string(),
  work: z.string(),
  by: z.string().nullable(),
  meter: z.string().nullable(),
  cost: z.int().nullable(),
  /** The list it was told by, and who moved it in. */
  list: z.string(),
  movedBy: z.string(),
});
export type PastRepair = z.infer<typeof pastRepairSchema>;
export const pastRepairsSchema = z.strictObject({ repairs: z.array(pastRepairSchema), next: z.string().nullable() });
export type PastRepairs = z.infer<typeof pastRepairsSchema>;
