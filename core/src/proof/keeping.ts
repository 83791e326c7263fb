import { z } from 'zod';
import type { BookId } from '../limits';
import LEAST from './keeping.json';

/** What of the records is kept for a time, and then may be deleted. */
export const KEPT = ['inspections', 'repairs', 'reports', 'photos', 'security'] as const;
export type Kept = (typeof KEPT)[number];

const MOST_MONTHS = 240;
const months = z.int().min(1).max(MOST_MONTHS).nullable();
/** For how many months each is kept; null for ever, which is how every fleet begins. */
export const keepingSchema = z.strictObject({
  inspections: months,
  /** Certified repairs with their defects; counted from the end of the work, and see {@link AFTER_LEAVING}. */
  repairs: months,
  reports: months,
  photos: months,
  security: months,
});
export type Keeping = z.infer<typeof keepingSchema>;
export const KEEP_ALL: Keeping = { inspections: null, repairs: null, reports: null, photos: null, security: null };

/** For how many months the law of a book has each kept at the least, and where that stands. */
export function leastKept(book: BookId, kept: Kept): { months: number; source: string } {
  const { [kept]: least } = LEAST.books[book as keyof typeof LEAST.books] ?? LEAST.books.na;
  return least;
}

/** For how many months a unit's repairs are kept after it left, however old they are. */
export const AFTER_LEAVING: number = LEAST.afterLeaving.months;

/** The first that a fleet would keep for less than its law has it kept; null where none is. */
export const tooShort = (book: BookId, keeping: Keeping): Kept | null =>
  KEPT.find((each) => keeping[each] !== null && keeping[each] < leastKept(book, each).months) ?? null;
