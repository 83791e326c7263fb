import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import { type Opinion, opinion } from './opinion';

/** Judges the pins of a sliding axle: one not seated fails, more than the book's part of them is out of service. */
export function judgeSliderPins({ sliderPins }: Book, { pins, seated }: ReadingOf<'slider-pins'>): Opinion {
  const out = Math.max(0, pins - seated);
  const [top, bottom] = sliderPins.outOfServiceOver;
  const verdict = out === 0 ? 'within' : out * bottom > pins * top ? 'out-of-service' : 'violation';
  const over = verdict === 'out-of-service' ? `${top}/${bottom}` : 'none';
  return opinion({
    measured: `${seated} of ${pins} seated`,
    verdict,
    rule: sliderPins.source,
    sure: sliderPins.sure,
    said: [out === 0 ? said('pins-seated', { pins }) : said('pins-out', { out, pins, over })],
  });
}
