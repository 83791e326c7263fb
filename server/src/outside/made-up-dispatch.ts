import { departureLine, formatDistance, must, odometerLine, parseDistance } from '@zealous-axle/core';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const PLACES = ['Mill', 'Chip wharf', 'Cold store', 'Upper Fold'] as const;
/** Hours from the full hour at which this made-up dispatch lets units leave, by turns. */
const LEAVES_IN = [6, 9, 14, 22, 26, 31, 46, 54] as const;
/** Metres this made-up dispatch lets units run a day, by turns. */
const RUNS_A_DAY = [180_000, 240_000, 310_000, 95_000] as const;

/** A unit as this dispatch knows it: what its meter read when it was last told. */
export interface Known {
  number: string;
  meter: { value: string; at: Date } | null;
}

/** A meter that ran on since it was last told, in whole days; nothing new within the first. */
function ranOn({ number, meter }: Known, turn: number, now: Date): string[] {
  const days = meter ? Math.floor((now.getTime() - meter.at.getTime()) / DAY_MS) : 0;
  if (!meter || days < 1) return [];
  const value = must(parseDistance(meter.value)) + days * (RUNS_A_DAY[turn % RUNS_A_DAY.length] ?? 0);
  const at = new Date(meter.at.getTime() + days * DAY_MS).toISOString();
  return [odometerLine({ unit: number, at, value: formatDistance(value, /mi$/.test(meter.value) ? 'mi' : 'km') })];
}

/**
 * A dispatch system that stands in for a real one: every second unit leaves within the next days, the same ones for an
 * hour, and meters run on from what was last read. `units` in the fleet's order. Lines of the dispatch protocol.
 */
export function dispatchLines(units: readonly Known[], now: Date): string[] {
  const hour = Math.floor(now.getTime() / HOUR_MS);
  return units.flatMap((known, index) => {
    const meter = ranOn(known, index, now);
    if ((index + hour) % 2) return meter;
    const turn = Math.floor((index + hour) / 2);
    const leaves = (hour + (LEAVES_IN[turn % LEAVES_IN.length] ?? 8)) * HOUR_MS;
    const to = PLACES[turn % PLACES.length] ?? '';
    return [departureLine({ unit: known.number, at: new Date(leaves).toISOString(), to }), ...meter];
  });
}
