import type { Book } from '../limits';
import {
  formatPressure,
  must,
  parsePressure,
  parseTemperature,
  pressurePart,
  pressureStep,
  pressureUnit,
} from '../measure';
import type { ReadingOf } from '../reading';
import { type Figure, figure, type Said, said } from '../said';
import type { WheelEnd } from '../trailer';
import { notJudged, type Opinion, opinion } from './opinion';

const pascals = (text: string): number => must(parsePressure(text));
const ATMOSPHERE = 101_325;

/** A gauge pressure at another temperature of the same air: P2 = (P1 + Pa)·T2/T1 − Pa, in absolute units. */
export const atTemperature = (gauge: number, from: number, to: number): number =>
  Math.round(((gauge + ATMOSPHERE) * to) / from) - ATMOSPHERE;

/** What the gas law makes of a hot reading; words beside the verdict, never in place of the rule's allowance. */
function byGasLaw({ value, temperature, coldTemperature }: ReadingOf<'pressure'>): readonly Said[] {
  if (!temperature || !coldTemperature) return [];
  const cold = atTemperature(
    pascals(value),
    must(parseTemperature(temperature)),
    must(parseTemperature(coldTemperature)),
  );
  return [
    said('by-temperature', {
      value: figure(value),
      at: figure(temperature),
      cold: figure(formatPressure(Math.max(0, cold), pressureUnit(value))),
      coldAt: figure(coldTemperature),
    }),
  ];
}

/** Judges a tyre's pressure against its target and its sidewall maximum. Source: 49 CFR 393.75. */
export function judgeInflation(book: Book, reading: ReadingOf<'pressure'>, end: WheelEnd | null): Opinion {
  const judged = judgeCold(book, { ...reading, ...meantFor(reading, end) });
  return { ...judged, said: [...judged.said, ...byGasLaw(reading)] };
}

/** The higher of two pressures, as it was written. */
function higher(one: string | undefined, other: string | undefined): string | undefined {
  if (!one || !other) return one ?? other;
  return pascals(other) > pascals(one) ? other : one;
}

/** What a tyre is judged against: what is kept of its end, and what was noted with the reading where that asks for more. */
const meantFor = (reading: ReadingOf<'pressure'>, end: WheelEnd | null): Pick<WheelEnd, 'target' | 'sidewallMax'> => ({
  target: higher(end?.target, reading.target),
  sidewallMax: higher(end?.sidewallMax, reading.sidewallMax),
});

/** How far a pressure stands above a written one, signed, in its unit. */
function apart(pressure: number, from: string): string {
  const margin = pressure - pascals(from);
  return `${margin < 0 ? '-' : ''}${formatPressure(Math.abs(margin), pressureUnit(from))}`;
}

function judgeCold(book: Book, reading: ReadingOf<'pressure'>): Opinion {
  const rule = book.inflation;
  const unit = pressureUnit(reading.value);
  const allowance = reading.heavy === false ? rule.lightHotAllowance : rule.hotAllowance;
  const cold = reading.hot ? pressureStep(reading.value, allowance) : pascals(reading.value);
  const coldText = formatPressure(Math.max(0, cold), unit);
  const value = figure(reading.value);
  const taken: Said | Figure = reading.hot
    ? said('taken-hot', { value, allowance: figure(allowance), cold: figure(coldText) })
    : value;
  const measured = reading.value;

  const most = reading.sidewallMax ?? reading.target;
  const half = most ? pressurePart(most, rule.flatAtOrBelow) : null;
  const flat = { measured, verdict: 'out-of-service', rule: rule.flatSource, sure: rule.sure } as const;
  if (pascals(reading.value) === 0) return opinion({ ...flat, limit: half, said: [said('tire-flat', { value })] });
  if (half && cold <= pascals(half)) {
    const of = reading.sidewallMax ? 'sidewall' : 'target';
    return opinion({
      ...flat,
      limit: half,
      margin: apart(cold, half),
      said: [said('half-of', { taken, half: figure(half), of, most: figure(most ?? '') })],
    });
  }
  if (!reading.target)
    return notJudged(said('no-target'), {
      measured,
    });
  const target = figure(reading.target);
  const margin = cold - pascals(reading.target);
  const figures = {
    measured,
    limit: reading.target,
    margin: apart(cold, reading.target),
    rule: rule.source,
    sure: rule.sure,
  };
  if (margin >= 0) return opinion({ verdict: 'within', said: [said('not-less', { taken, target })] }, figures);
  const low = cold <= pascals(pressurePart(reading.target, rule.lookInsideBelow));
  const look = low ? [said('look-inside')] : [];
  return opinion({ verdict: 'violation', said: [said('is-less', { taken, target }), ...look] }, figures);
}
