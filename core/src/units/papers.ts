import { z } from 'zod';
import type { BookId } from '../limits';
import kinds from './papers.json';

const paperKindSchema = z.strictObject({
  name: z.string(),
  says: z.string(),
  /** Kept only where this book is judged by. */
  book: z.string().optional(),
  /** Done again every so many weeks; at most so many once a unit is old. */
  weeks: z.strictObject({ least: z.int(), most: z.int(), mostWhenOld: z.int(), oldFromYears: z.int() }).optional(),
});
export type PaperKind = z.infer<typeof paperKindSchema>;

/** Papers a unit carries beside its inspection sticker, each with its last day. */
export const PAPERS: readonly PaperKind[] = z.array(paperKindSchema).parse(kinds);
export const PAPER_NAMES = PAPERS.map(({ name }) => name);

/** The papers that are kept where a book is judged by. */
export const papersUnder = (book: BookId): PaperKind[] => PAPERS.filter((each) => !each.book || each.book === book);

/** How many weeks may lie between two: null where the paper has a day of its own. `age` in years; null where it is not known. */
export function weeksAllowed({ weeks }: PaperKind, age: number | null): { least: number; most: number } | null {
  if (!weeks) return null;
  const old = age !== null && age >= weeks.oldFromYears;
  return { least: weeks.least, most: old ? weeks.mostWhenOld : weeks.most };
}
