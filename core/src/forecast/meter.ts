import { FORECAST } from './settings';

/** What a unit's meter stood at, and when. In metres. */
export interface MeterAt {
  at: string;
  metres: number;
}

const DAY_MS = 86_400_000;
const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;

/** Metres a day over the readings there are; null where they say nothing. */
export function metresPerDay(meters: readonly MeterAt[]): number | null {
  const [first, last] = [meters[0], meters.at(-1)];
  if (!first || !last) return null;
  const days = daysBetween(first.at, last.at);
  const driven = last.metres - first.metres;
  return days >= 1 && driven > 0 ? driven / days : null;
}

/** Where a meter stood some days away from one of its readings; null where that is too far to say. */
function near(meters: readonly MeterAt[], from: MeterAt, days: number): number | null {
  const perDay = metresPerDay(meters);
  return perDay === null || Math.abs(days) > FORECAST.meterDays ? null : from.metres + perDay * days;
}

/**
 * What the meter stood at at an instant: between two of its readings on the line between them, and within a few days of
 * the first and the last one as it usually runs. `meters` in order of time.
 */
export function metresAt(meters: readonly MeterAt[], at: string): number | null {
  const after = meters.findIndex((each) => each.at >= at);
  const next = meters[after];
  const last = meters.at(-1);
  if (!next) return last ? near(meters, last, daysBetween(last.at, at)) : null;
  if (next.at === at) return next.metres;
  const before = meters[after - 1];
  if (!before) return near(meters, next, daysBetween(next.at, at));
  const part = daysBetween(before.at, at) / daysBetween(before.at, next.at);
  return before.metres + (next.metres - before.metres) * part;
}
