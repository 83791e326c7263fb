import type { Book } from '../limits';
import { must, type Nanometres, parseLength } from '../measure';
import { outOfRange, type StepKind } from '../reading';

/** A reading that is worth asking about before it is believed. */
export interface Doubt {
  /** It moved the wrong way or too far since last time, or is hardly possible by itself. */
  way: 'grown' | 'shrunk' | 'too-little' | 'too-much' | 'odd';
  /** How much, in nanometres: since last time, or past what is likely. */
  by: Nanometres;
  /** What is odd about it, in a sentence. */
  because?: string;
}

const length = (text: string): Nanometres => must(parseLength(text, '32nds'));

/**
 * Whether a reading has moved the wrong way, or by an unlikely amount, since the last one at its place (null when there
 * is none), or is outside of its kind's plausible range; null when it is believed. Workshop
 * practice: one of the two readings may be wrong, or a key was missed.
 */
export function doubtOf(book: Book, kind: StepKind, before: Nanometres | null, now: Nanometres): Doubt | null {
  const change = book.doubts.find(({ reading }) => reading === kind);
  if (change && before !== null && now - before > length(change.grownOver)) return { way: 'grown', by: now - before };
  if (change && before !== null && before - now > length(change.shrunkOver)) return { way: 'shrunk', by: before - now };
  const range = outOfRange(kind, now, true);
  if (!range) return null;
  const [least, most] = [range.least && length(range.least), length(range.most)];
  return least && now < least
    ? { way: 'too-little', by: least - now }
    : { way: 'too-much', by: Math.max(0, now - most) };
}
