import { NEVER } from './figures';
import type { Span } from './spans';

/** The first moment from `begin` on at which a place is open for so many minutes. */
export function openFrom(hours: readonly Span[], begin: number, minutes: number): number {
  for (let index = 0; index < hours.length; index++) {
    const { from, to } = hours[index]!;
    if (to < begin + minutes) continue;
    const start = from > begin ? from : begin;
    if (start + minutes <= to) return start;
  }
  return NEVER;
}

/** The teams of so many that could do a long job: at most a few of them are tried. */
export function teams(crew: readonly number[], people: number, must: number): number[][] {
  const MOST_TEAMS = 24;
  const out: number[][] = [];
  const build = (from: number, team: number[]) => {
    if (out.length >= MOST_TEAMS) return;
    if (team.length === people) {
      if (must < 0 || team.includes(must)) out.push(team);
      return;
    }
    for (let index = from; index < crew.length; index++) build(index + 1, [...team, crew[index]!]);
  };
  build(0, []);
  return out;
}

/** The end of a split job begun at `start`: it fills every shift to its end until it is done; null where it cannot. */
export function endOfSplit(
  shifts: readonly Span[],
  free: readonly Span[],
  start: number,
  minutes: number,
): number | null {
  let left = minutes;
  for (const { from, to } of shifts) {
    if (to <= start) continue;
    const begin = Math.max(from, start);
    const needed = Math.min(left, to - begin);
    if (!free.some((span) => span.from <= begin && span.to >= begin + needed)) return null;
    left -= needed;
    if (left === 0) return begin + needed;
  }
  return null;
}
