import { departureLine } from '@zealous-axle/core';

const HOUR_MS = 3_600_000;
const PLACES = ['Mill', 'Chip wharf', 'Cold store', 'Upper Fold'] as const;
/** Hours from the full hour at which this made-up dispatch lets units leave, by turns. */
const LEAVES_IN = [6, 9, 14, 22, 26, 31, 46, 54] as const;

/**
 * A dispatch system that stands in for a real one: every second unit leaves within the next days, the same ones for an
 * hour. `numbers` in the fleet's order. Lines of the dispatch protocol.
 */
export function dispatchLines(numbers: readonly string[], now: Date): string[] {
  const hour = Math.floor(now.getTime() / HOUR_MS);
  return numbers.flatMap((unit, index) => {
    if ((index + hour) % 2) return [];
    const turn = Math.floor((index + hour) / 2);
    const leaves = (hour + (LEAVES_IN[turn % LEAVES_IN.length] ?? 8)) * HOUR_MS;
    return [departureLine({ unit, at: new Date(leaves).toISOString(), to: PLACES[turn % PLACES.length] ?? '' })];
  });
}
