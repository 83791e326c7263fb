import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Judges what a driver's hand moves: never held against the limit of an applied stroke, never counted. Workshop practice. */
export const judgeSlackPull = (book: Book, end: WheelEnd, { value }: ReadingOf<'slack-pull'>): Opinion =>
  judgeAmount(book, 'slack-pull', end, {
    measured: value,
    amount: nmOf(value),
    also: [said('pull-says')],
  });
