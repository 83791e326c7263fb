import { type Book, keeps, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { judgeEach } from './decide';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';

/** Judges a wheel end's lining or pads by the thinnest point read. Source: 49 CFR 393.47(d). */
export function judgeLining(book: Book, end: WheelEnd, reading: ReadingOf<'lining'>): Opinion {
  const { text: measured, nm } = thinnest(reading.points);
  const several = reading.points.length > 1 ? `Thinnest of ${reading.points.length} points: ` : '';
  const counted = limitsFor(book, 'lining', end, 'share').find((limit) => !keeps(limit, nm));
  const judged = judgeEach(limitsFor(book, 'lining', end), nm, ({ limit, kept, verdict, why }) => {
    const share = counted && verdict === 'violation' ? (counted.share ?? 1) : 0;
    const counts = share ? '; counts as one defective brake' : '';
    const because = `${several}${comparison(limit, measured, nm, kept)}${counts}.${why}`;
    return opinion({ verdict, share, because }, againstLimit(limit, measured, nm));
  });
  return judged ?? notJudged('The book has no lining limit for this brake: the maker’s manual has it.', { measured });
}
