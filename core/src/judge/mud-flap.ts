import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Judges a mud flap's clearance to the ground by the shop's chosen figure. */
export const judgeMudFlap = (book: Book, { value }: ReadingOf<'mud-flap'>): Opinion =>
  judgeAmount(book, 'mud-flap', {}, { measured: value, amount: nmOf(value) });
