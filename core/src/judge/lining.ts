import { type Book, keeps, limitFor, limitsFor } from '../limits';
import type { WheelEnd } from '../trailer';
import type { ReadingOf } from '../wire';
import { decide } from './decide';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

/** The smallest of several written lengths: `[as typed, nanometres]`. */
export function smallest(texts: readonly string[]): { text: string; nm: number } {
  const all = texts.map((text) => ({ text, nm: nmOf(text) }));
  return all.reduce((least, next) => (next.nm < least.nm ? next : least));
}

/** Judges a wheel end's lining or pads by the thinnest point read. Source: 49 CFR 393.47(d). */
export function judgeLining(book: Book, end: WheelEnd, reading: ReadingOf<'lining'>): Opinion {
  const { text: measured, nm } = smallest(reading.points);
  const decision = decide(limitsFor(book, 'lining', end), nm);
  if (!decision) return notJudged('The book has no lining limit for this brake.', { measured });
  const { limit, kept, verdict, why } = decision;
  const count = limitFor(book, 'lining', end, 'share');
  const share = count && !keeps(count, nm) ? (count.share ?? 1) : 0;
  const thinnest = reading.points.length > 1 ? `Thinnest of ${reading.points.length} points: ` : '';
  const counts = share ? '; counts as one defective brake' : '';
  return opinion({
    measured,
    ...againstLimit(limit, nm),
    verdict,
    share,
    because: `${thinnest}${comparison(limit, measured, nm, kept)}${counts}.${why}`,
  });
}
