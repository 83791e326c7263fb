import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import { nmOf, type Opinion } from './opinion';

/** Says whether the adjuster is set. Never judges the brake by itself and never enters the brake count. Workshop practice. */
export const judgeFreeStroke = (book: Book, end: WheelEnd, reading: ReadingOf<'stroke-free'>): Opinion =>
  judgeAmount(book, reading.method === 'hand' ? 'stroke-free-hand' : 'stroke-free', end, {
    measured: reading.value,
    amount: nmOf(reading.value),
    silent: said('no-free-stroke-limit'),
    also: [said('free-stroke-says')],
  });
