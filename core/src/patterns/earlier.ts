import { z } from 'zod';
import { readingSchema } from '../reading';

export const earlierReadingSchema = z.strictObject({ value: readingSchema, at: z.string(), inspection: z.string() });
/** What a place read in an inspection before. */
export type EarlierReading = z.infer<typeof earlierReadingSchema>;
