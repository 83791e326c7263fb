import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** A figure cast on the part itself decides before any other: it is the maker's. */
const withMark = (end: WheelEnd, reading: 'drum' | 'rotor', marked: string | undefined): WheelEnd =>
  marked ? { ...end, maker: { ...end.maker, [reading]: { value: marked, source: 'marked on the part' } } } : end;

/** Judges a drum's diameter or a rotor's thickness against the discard figure. The mark on the part decides alone. */
export function judgePart(book: Book, end: WheelEnd, reading: ReadingOf<'drum'> | ReadingOf<'rotor'>): Opinion {
  const { kind, value, marked } = reading;
  const known = marked ?? end.maker?.[kind]?.value;
  // The book's figure is meant for unmarked parts only.
  const rules = known ? { ...book, limits: book.limits.filter((limit) => limit.reading !== kind || limit.from) } : book;
  return judgeAmount(rules, kind, withMark(end, kind, marked), {
    measured: value,
    amount: nmOf(value),
    silent: said('enter-discard', { part: kind }),
  });
}
