import type { Book } from '../limits';
import { formatApart, must, parseTemperature } from '../measure';
import type { ReadingOf } from '../reading';
import { figure, said } from '../said';
import { SIDES, type Side, type Unit, type WheelEnd, wheelEnd } from '../trailer';
import { judgeAmount } from './decide';
import type { Finding } from './finding';
import { findingOf } from './findings';
import type { Opinion } from './opinion';
import type { UnitReading } from './request';

const kelvinOf = (text: string): number => must(parseTemperature(text));

/** Judges how hot an axle end is by itself. Workshop practice. */
export const judgeWheelTemperature = (book: Book, end: WheelEnd, { value }: ReadingOf<'wheel-temperature'>): Opinion =>
  judgeAmount(book, 'wheel-temperature', end, { measured: value, amount: kelvinOf(value) });

/** One end of an axle as it was read: its hottest and its coldest reading, in thousandths of a kelvin. */
interface Span {
  hottest: { text: string; kelvin: number };
  coldest: { text: string; kelvin: number };
}

function spanOf(own: readonly UnitReading[], axle: number, side: Side): Span | null {
  let span: Span | null = null;
  for (const reading of own) {
    if (reading.kind !== 'wheel-temperature' || reading.axle !== axle || reading.side !== side) continue;
    const here = { text: reading.value, kelvin: kelvinOf(reading.value) };
    span = {
      hottest: span && span.hottest.kelvin >= here.kelvin ? span.hottest : here,
      coldest: span && span.coldest.kelvin <= here.kelvin ? span.coldest : here,
    };
  }
  return span;
}

/**
 * Findings from comparing the two ends of each axle, at the hotter one; only what is too far apart is said. Of several
 * readings those furthest apart count: another one never makes it better. Workshop practice.
 */
export function judgeWheelTemperatures(book: Book, unit: Unit, own: readonly UnitReading[]): Finding[] {
  if (!own.some(({ kind }) => kind === 'wheel-temperature')) return [];
  return unit.axles.flatMap((_, index) => {
    const axle = index + 1;
    const [left, right] = SIDES.map((side) => spanOf(own, axle, side));
    if (!left || !right) return [];
    const leftHotter = left.hottest.kelvin - right.coldest.kelvin >= right.hottest.kelvin - left.coldest.kelvin;
    const side = leftHotter ? 'left' : 'right';
    const [hot, cold] = leftHotter ? [left.hottest, right.coldest] : [right.hottest, left.coldest];
    const end = wheelEnd(unit, axle, side);
    if (!end) return [];
    const apart = hot.kelvin - cold.kelvin;
    const judged = judgeAmount(book, 'wheel-temperature-apart', end, {
      measured: formatApart(apart, hot.text),
      amount: apart,
      also: [said('ends-read', { hot: figure(hot.text), cold: figure(cold.text) })],
    });
    if (judged.verdict === 'within' || judged.verdict === 'not-judged') return [];
    return [findingOf(unit.id, { axle, side, tyre: null }, 'wheel-temperature-apart', judged)];
  });
}
