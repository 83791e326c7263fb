import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Says whether the adjuster is set. Never judges the brake by itself and never enters the brake count. Workshop practice. */
export const judgeFreeStroke = (book: Book, end: WheelEnd, reading: ReadingOf<'stroke-free'>): Opinion =>
  judgeAmount(book, reading.method === 'hand' ? 'stroke-free-hand' : 'stroke-free', end, {
    measured: reading.value,
    amount: nmOf(reading.value),
    silent: 'The book has no free-stroke figure for this brake: the maker’s manual has it.',
    also: 'Free stroke says whether the adjuster is set; it never judges the brake by itself.',
  });
