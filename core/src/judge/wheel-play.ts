import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { judgeAmount } from './decide';
import { nmOf, notJudged, type Opinion } from './opinion';

const WHICH = 'The limit depends on it: enter the steering wheel diameter and whether it has power steering.';

/** Judges the play at the rim of a steering wheel by its diameter and whether it is powered (49 CFR 393.209(b)). */
export function judgeWheelPlay(book: Book, { value, wheel, power }: ReadingOf<'wheel-play'>): Opinion {
  if (wheel === undefined || power === undefined) return notJudged(WHICH, { measured: value });
  const also = `On a wheel ${wheel} across, ${power ? 'with' : 'without'} power steering.`;
  return judgeAmount(book, 'wheel-play', { wheel, power }, { measured: value, amount: nmOf(value), also });
}
