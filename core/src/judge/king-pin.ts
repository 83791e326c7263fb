import type { Book } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { judgeAmount } from './decide';
import type { Opinion } from './opinion';
import { compareVerdicts } from './verdict';

/** Judges a king pin, and its collar where it was measured, by the smaller of two directions. Practice and maker's figures. */
export function judgeKingPin(book: Book, { pin, collar }: ReadingOf<'king-pin'>): Opinion {
  const least = thinnest(pin);
  const judged = judgeAmount(book, 'king-pin', {}, { measured: least.text, amount: least.nm });
  const round = pin[0] === pin[1] ? '' : ` Smaller of two directions: ${pin.join(' and ')}.`;
  const own = { ...judged, because: `${judged.because}${round}` };
  if (!collar) return own;
  const thin = thinnest(collar);
  const other = judgeAmount(book, 'collar', {}, { measured: thin.text, amount: thin.nm });
  const worse = own.verdict !== 'not-judged' || other.verdict !== 'within';
  if (worse && compareVerdicts(other.verdict, own.verdict) < 0) {
    const open = own.verdict === 'not-judged' ? own.because : undefined;
    return { ...other, because: `Collar: ${other.because}`, open };
  }
  return { ...own, because: `${own.because} Collar: ${other.because}` };
}
