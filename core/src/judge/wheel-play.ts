import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { figure, said } from '../said';
import { judgeAmount } from './decide';
import { nmOf, notJudged, type Opinion } from './opinion';

/** Judges the play at the rim of a steering wheel by its diameter and whether it is powered (49 CFR 393.209(b)). */
export function judgeWheelPlay(book: Book, { value, wheel, power }: ReadingOf<'wheel-play'>): Opinion {
  if (wheel === undefined || power === undefined) return notJudged(said('which-wheel'), { measured: value });
  const also = [said('on-a-wheel', { wheel: figure(wheel), power: power ? 'with' : 'without' })];
  return judgeAmount(book, 'wheel-play', { wheel, power }, { measured: value, amount: nmOf(value), also });
}
