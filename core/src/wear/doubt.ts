import type { Book } from '../limits';
import { must, type Nanometres, parseLength } from '../measure';
import type { StepKind } from '../trailer';

/** A change since the last reading that is worth asking about before it is believed. */
export interface Doubt {
  way: 'grown' | 'shrunk';
  /** How much, in nanometres. */
  by: Nanometres;
}

/**
 * Whether a reading has moved the wrong way, or by an unlikely amount, since the last one at its place; null when it
 * has not, or when the book has no figure for its kind. Workshop practice: one of the two readings may be wrong.
 */
export function doubtOf(book: Book, kind: StepKind, before: Nanometres, now: Nanometres): Doubt | null {
  const figures = book.doubts.find(({ reading }) => reading === kind);
  if (!figures) return null;
  const over = (text: string, by: Nanometres) => by > must(parseLength(text, 'none'));
  if (over(figures.grownOver, now - before)) return { way: 'grown', by: now - before };
  return over(figures.shrunkOver, before - now) ? { way: 'shrunk', by: before - now } : null;
}
