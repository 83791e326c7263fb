import type { Book } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { figure, listed, type Said, said } from '../said';
import { judgeAmount } from './decide';
import type { Opinion } from './opinion';
import { compareVerdicts } from './verdict';

const collarOf = (all: readonly Said[]): Said => said('collar', { said: listed(all, 'space') });

/** Judges a king pin, and its collar where it was measured, by the smaller of two directions. Practice and maker's figures. */
export function judgeKingPin(book: Book, { pin, collar }: ReadingOf<'king-pin'>): Opinion {
  const least = thinnest(pin);
  const judged = judgeAmount(book, 'king-pin', {}, { measured: least.text, amount: least.nm });
  const round = pin[0] === pin[1] ? [] : [said('smaller-of-two', { pin: listed(pin.map(figure), 'and') })];
  const own = { ...judged, said: [...judged.said, ...round] };
  if (!collar) return own;
  const thin = thinnest(collar);
  const other = judgeAmount(book, 'collar', {}, { measured: thin.text, amount: thin.nm });
  const worse = own.verdict !== 'not-judged' || other.verdict !== 'within';
  if (worse && compareVerdicts(other.verdict, own.verdict) < 0) {
    const open = own.verdict === 'not-judged' ? own.said : undefined;
    return { ...other, said: [collarOf(other.said)], open };
  }
  return { ...own, said: [...own.said, collarOf(other.said)] };
}
