import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Judges a hub's bearing end play. Workshop practice. */
export const judgeEndPlay = (book: Book, end: WheelEnd, reading: ReadingOf<'end-play'>): Opinion =>
  judgeAmount(book, 'end-play', end, { measured: reading.value, amount: nmOf(reading.value) });
