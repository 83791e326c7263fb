import { type Book, keeps, limitsFor } from '../limits';
import type { WheelEnd } from '../trailer';
import type { ReadingOf } from '../wire';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

/** Says whether the adjuster is set. Never judges the brake by itself and never enters the brake count. Workshop practice. */
export function judgeFreeStroke(book: Book, end: WheelEnd, reading: ReadingOf<'stroke-free'>): Opinion {
  const measured = reading.value;
  const nm = nmOf(measured);
  const limits = limitsFor(book, 'stroke-free', end);
  const [first] = limits;
  if (!first) return notJudged('The book has no free-stroke figure for this brake.', { measured });
  const failed = limits.find((limit) => !keeps(limit, nm));
  const limit = failed ?? limits.at(-1) ?? first;
  const sum = comparison(limit, measured, nm, !failed);
  return opinion({
    measured,
    ...againstLimit(limit, nm),
    verdict: failed ? 'shop-limit' : 'within',
    because: failed ? `${sum}. ${failed.note ?? ''}`.trim() : `${sum}; the adjuster is set.`,
  });
}
