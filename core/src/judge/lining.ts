import { type Book, keeps, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { judgeEach } from './decide';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';

/** Judges a wheel end's lining or pads by the thinnest point read; with a point not seen it is never a pass. Source: 49 CFR 393.47(d). */
export function judgeLining(book: Book, end: WheelEnd, reading: ReadingOf<'lining'>): Opinion {
  const { text: measured, nm } = thinnest(reading.points);
  const { unseen = 0 } = reading;
  const all = reading.points.length + unseen;
  const seen = unseen ? `${reading.points.length} seen of ${all}` : `${all}`;
  const several = all > 1 ? `Thinnest of ${seen} points: ` : '';
  const counted = limitsFor(book, 'lining', end, 'share').find((limit) => !keeps(limit, nm));
  const judged = judgeEach(limitsFor(book, 'lining', end), nm, ({ limit, kept, verdict, why }) => {
    const share = counted && verdict === 'violation' ? (counted.share ?? 1) : 0;
    const counts = share ? '; counts as one defective brake' : '';
    const because = `${several}${comparison(limit, measured, nm, kept)}${counts}.${why}`;
    return opinion({ verdict, share, because }, againstLimit(limit, measured, nm));
  });
  if (judged && unseen) {
    const because = `${judged.because} ${unseen} of ${all} points not seen: nothing is said of what is not seen.`;
    return judged.verdict === 'within' ? notJudged(because, { measured }) : { ...judged, because };
  }
  return judged ?? notJudged('The book has no lining limit for this brake: the maker’s manual has it.', { measured });
}
