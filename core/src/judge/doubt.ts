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

const MONTH_DAYS = 30;

/**
 * The most a reading may have shrunk since the last one: what wears off in so many days, and the spread of two readings of
 * one thing; never more than is likely in any time. Null days is not known when the last one was taken.
 */
function mostWear({ grownOver, shrunkOver, wearsInMonth }: Book['doubts'][number], days: number | null): Nanometres {
  const ever = length(shrunkOver);
  if (!wearsInMonth || days === null) return ever;
  const worn = length(grownOver) + (length(wearsInMonth) * Math.max(0, days)) / MONTH_DAYS;
  return Math.min(ever, worn);
}

/**
 * Whether a reading has moved the wrong way, or by an unlikely amount, since the last one at its place (null when there
 * is none), or is outside of its kind's plausible range; null when it is believed. `days` lie between the two. Workshop
 * practice: one of the two readings may be wrong, or a key was missed.
 */
export function doubtOf(
  book: Book,
  kind: StepKind,
  before: Nanometres | null,
  now: Nanometres,
  days: number | null = null,
): Doubt | null {
  const change = book.doubts.find(({ reading }) => reading === kind);
  if (change && before !== null && now - before > length(change.grownOver)) return { way: 'grown', by: now - before };
  if (change && before !== null && before - now > mostWear(change, days)) return { way: 'shrunk', by: before - now };
  const range = outOfRange(kind, now, true);
  if (!range) return null;
  const [least, most] = [range.least && length(range.least), length(range.most)];
  return least && now < least
    ? { way: 'too-little', by: least - now }
    : { way: 'too-much', by: Math.max(0, now - most) };
}
