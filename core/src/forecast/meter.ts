/** What a unit's meter stood at, and when. In metres. */
export interface MeterAt {
  at: string;
  metres: number;
}

const DAY_MS = 86_400_000;

/** What the meter stood at at an instant between two of its readings; null outside of them. `meters` in order of time. */
export function metresAt(meters: readonly MeterAt[], at: string): number | null {
  const after = meters.findIndex((each) => each.at >= at);
  const next = meters[after];
  if (!next) return null;
  if (next.at === at) return next.metres;
  const before = meters[after - 1];
  if (!before) return null;
  const span = Date.parse(next.at) - Date.parse(before.at);
  const part = span === 0 ? 1 : (Date.parse(at) - Date.parse(before.at)) / span;
  return before.metres + (next.metres - before.metres) * part;
}

/** Metres a day over the readings there are; null where they say nothing. */
export function metresPerDay(meters: readonly MeterAt[]): number | null {
  const [first, last] = [meters[0], meters.at(-1)];
  if (!first || !last) return null;
  const days = (Date.parse(last.at) - Date.parse(first.at)) / DAY_MS;
  const driven = last.metres - first.metres;
  return days >= 1 && driven > 0 ? driven / days : null;
}
