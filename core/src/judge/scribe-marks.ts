import { type Book, limitFor } from '../limits';
import { formatLike } from '../measure';
import type { ReadingOf } from '../reading';
import { figure, listed, said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Judges a wedge brake by the movement of its two scribe marks together. Source: 49 CFR 393.47(f). */
export function judgeScribeMarks(book: Book, end: WheelEnd, { marks }: ReadingOf<'scribe-marks'>): Opinion {
  const both = marks.reduce((sum, mark) => sum + nmOf(mark), 0);
  const judged = judgeAmount(book, 'scribe-marks', end, {
    measured: formatLike(both, marks[0]),
    amount: both,
    silent: said('no-scribe-limit'),
    also: [said('together', { marks: listed(marks.map(figure), 'and') })],
  });
  const counts = judged.verdict === 'violation' ? limitFor(book, 'scribe-marks', end)?.share : undefined;
  return counts ? { ...judged, share: counts, said: [...judged.said, said('counts-one')] } : judged;
}
