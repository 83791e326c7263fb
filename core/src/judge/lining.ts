import { type Book, keeps, limitFor, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { decide } from './decide';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';

/** Judges a wheel end's lining or pads by the thinnest point read. Source: 49 CFR 393.47(d). */
export function judgeLining(book: Book, end: WheelEnd, reading: ReadingOf<'lining'>): Opinion {
  const { text: measured, nm } = thinnest(reading.points);
  const decision = decide(limitsFor(book, 'lining', end), nm);
  if (!decision) return notJudged('The book has no lining limit for this brake.', { measured });
  const { limit, kept, verdict, why } = decision;
  const count = limitFor(book, 'lining', end, 'share');
  const share = count && !keeps(count, nm) ? (count.share ?? 1) : 0;
  const several = reading.points.length > 1 ? `Thinnest of ${reading.points.length} points: ` : '';
  const counts = share ? '; counts as one defective brake' : '';
  const because = `${several}${comparison(limit, measured, nm, kept)}${counts}.${why}`;
  return opinion({ verdict, share, because }, againstLimit(limit, measured, nm));
}
