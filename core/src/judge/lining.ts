import { type Book, keeps, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeEach } from './decide';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';

/** Judges a wheel end's lining or pads by the thinnest point read; with a point not seen it is never a pass. Source: 49 CFR 393.47(d). */
export function judgeLining(book: Book, end: WheelEnd, reading: ReadingOf<'lining'>): Opinion {
  const { text: measured, nm } = thinnest(reading.points);
  const { unseen = 0 } = reading;
  const all = reading.points.length + unseen;
  const seen = reading.points.length;
  const several = unseen ? said('points-seen', { seen, all }) : said('points-of', { all });
  const points = all > 1 ? several : 'none';
  const counted = limitsFor(book, 'lining', end, 'share').find((limit) => !keeps(limit, nm));
  const judged = judgeEach(limitsFor(book, 'lining', end), nm, ({ limit, kept, verdict, why }) => {
    const share = counted && verdict === 'violation' ? (counted.share ?? 1) : 0;
    const counts = share ? 'one' : 'none';
    const sum = comparison(limit, measured, nm, kept);
    return opinion(
      { verdict, share, said: [said('lining-compared', { points, sum, counts }), ...why] },
      againstLimit(limit, measured, nm),
    );
  });
  if (judged && unseen) {
    const because = [...judged.said, said('points-not-seen', { unseen, all })];
    return judged.verdict === 'within' ? notJudged(because, { measured }) : { ...judged, said: because };
  }
  return judged ?? notJudged(said('no-lining-limit'), { measured });
}
