import type { Book } from '../limits';
import type { ReadingOf } from '../wire';
import { judgeAmount } from './decide';
import { smallest } from './lining';
import { nmOf, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

/** Judges a king pin, and its collar where it was measured, by the smaller of two directions. Practice and maker's figures. */
export function judgeKingPin(book: Book, { pin, collar }: ReadingOf<'king-pin'>): Opinion {
  const least = smallest(pin);
  const judged = judgeAmount(book, 'king-pin', {}, { measured: least.text, amount: least.nm });
  const round = pin[0] === pin[1] ? '' : ` Smaller of two directions: ${pin.join(' and ')}.`;
  const own = { ...judged, because: `${judged.because}${round}` };
  if (!collar) return own;
  const thin = smallest(collar);
  const other = judgeAmount(book, 'collar', {}, { measured: thin.text, amount: thin.nm });
  if (compareVerdicts(other.verdict, own.verdict) < 0) return { ...other, because: `Collar: ${other.because}` };
  return { ...own, because: `${own.because} Collar: ${other.because}` };
}

/** Judges the pins of a sliding axle: one not seated fails, more than the book's part of them is out of service. */
export function judgeSliderPins({ sliderPins }: Book, { pins, seated }: ReadingOf<'slider-pins'>): Opinion {
  const out = Math.max(0, pins - seated);
  const [top, bottom] = sliderPins.outOfServiceOver;
  const verdict = out === 0 ? 'within' : out * bottom > pins * top ? 'out-of-service' : 'violation';
  const over = verdict === 'out-of-service' ? `, more than ${top}/${bottom} of them` : '';
  return opinion({
    measured: `${seated} of ${pins} seated`,
    verdict,
    rule: sliderPins.source,
    sure: sliderPins.sure,
    because: out === 0 ? `All ${pins} pins are seated.` : `${out} of ${pins} pins missing or not seated${over}.`,
  });
}

/** Judges a mud flap's clearance to the ground by the shop's chosen figure. */
export const judgeMudFlap = (book: Book, { value }: ReadingOf<'mud-flap'>): Opinion =>
  judgeAmount(book, 'mud-flap', {}, { measured: value, amount: nmOf(value) });
