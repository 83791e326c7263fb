import type { Book } from '../limits';
import { must, type Nanometres, parseLength } from '../measure';
import type { StepKind } from '../trailer';

/** A reading that is worth asking about before it is believed. */
export interface Doubt {
  /** It moved the wrong way or too far since last time, or is hardly possible by itself. */
  way: 'grown' | 'shrunk' | 'too-little' | 'too-much';
  /** How much, in nanometres: since last time, or past what is likely. */
  by: Nanometres;
}

/**
 * Whether a reading has moved the wrong way, or by an unlikely amount, since the last one at its place (null when there
 * is none), or is hardly possible; null when it is believed, or when the book has no figure for its kind. Workshop
 * practice: one of the two readings may be wrong, or a key was missed.
 */
export function doubtOf(book: Book, kind: StepKind, before: Nanometres | null, now: Nanometres): Doubt | null {
  const figures = book.doubts.find(({ reading }) => reading === kind);
  if (!figures) return null;
  const nm = (text: string): Nanometres => must(parseLength(text, 'none'));
  if (before !== null && now - before > nm(figures.grownOver)) return { way: 'grown', by: now - before };
  if (before !== null && before - now > nm(figures.shrunkOver)) return { way: 'shrunk', by: before - now };
  if (now > nm(figures.most)) return { way: 'too-much', by: now - nm(figures.most) };
  if (figures.least && now < nm(figures.least)) return { way: 'too-little', by: nm(figures.least) - now };
  return null;
}
