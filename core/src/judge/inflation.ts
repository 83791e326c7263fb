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
import type { WheelEnd } from '../trailer';
import { notJudged, type Opinion, opinion } from './opinion';

const pascals = (text: string): number => must(parsePressure(text));
const ATMOSPHERE = 101_325;

/** A gauge pressure at another temperature of the same air: P2 = (P1 + Pa)·T2/T1 − Pa, in absolute units. */
export const atTemperature = (gauge: number, from: number, to: number): number =>
  Math.round(((gauge + ATMOSPHERE) * to) / from) - ATMOSPHERE;

/** What the gas law makes of a hot reading; words beside the verdict, never in place of the rule's allowance. */
function byGasLaw({ value, temperature, coldTemperature }: ReadingOf<'pressure'>): string {
  if (!temperature || !coldTemperature) return '';
  const cold = atTemperature(
    pascals(value),
    must(parseTemperature(temperature)),
    must(parseTemperature(coldTemperature)),
  );
  return ` By temperature, ${value} at ${temperature} is ${formatPressure(Math.max(0, cold), pressureUnit(value))} at ${coldTemperature}. Never bleed a hot tire.`;
}

/** Judges a tyre's pressure against its target and its sidewall maximum. Source: 49 CFR 393.75. */
export function judgeInflation(book: Book, reading: ReadingOf<'pressure'>, end: WheelEnd | null): Opinion {
  const judged = judgeCold(book, { ...reading, ...meantFor(reading, end) });
  return { ...judged, because: `${judged.because}${byGasLaw(reading)}` };
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
  const taken = reading.hot ? `${reading.value} hot, less ${allowance}, is ${coldText} cold` : reading.value;
  const measured = reading.value;

  const most = reading.sidewallMax ?? reading.target;
  const half = most ? pressurePart(most, rule.flatAtOrBelow) : null;
  const flat = { measured, verdict: 'out-of-service', rule: rule.flatSource, sure: rule.sure } as const;
  if (pascals(reading.value) === 0)
    return opinion({ ...flat, limit: half, because: `${reading.value}: the tire is flat.` });
  if (half && cold <= pascals(half)) {
    const of = reading.sidewallMax ? 'the sidewall maximum' : 'the target, which is never above the sidewall maximum,';
    return opinion({
      ...flat,
      limit: half,
      margin: apart(cold, half),
      because: `${taken}: at or below ${half}, half of ${of} of ${most}. The tire counts as flat.`,
    });
  }
  if (!reading.target)
    return notJudged('Required pressure for this load was not entered. Take it from the maker’s table or the plate.', {
      measured,
    });
  const margin = cold - pascals(reading.target);
  const figures = {
    measured,
    limit: reading.target,
    margin: apart(cold, reading.target),
    rule: rule.source,
    sure: rule.sure,
  };
  if (margin >= 0)
    return opinion({ verdict: 'within', because: `${taken}: not less than ${reading.target}.` }, figures);
  const low = cold <= pascals(pressurePart(reading.target, rule.lookInsideBelow));
  const look = low ? ' This far below, shop practice is to take the tire off and look inside.' : '';
  return opinion({ verdict: 'violation', because: `${taken}: less than ${reading.target}.${look}` }, figures);
}
