/** Something drawn on a row, in pixels. */
interface Drawn {
  id: string;
  left: number;
  width: number;
}

/** Which lane of a row each thing is drawn in, counted from 0, and how many lanes there are. */
export interface Lanes {
  laneOf: ReadonlyMap<string, number>;
  count: number;
}

/** Puts what would cover something else in a lane of its own: each in the first that is free. */
export function lanesOf(drawn: readonly Drawn[]): Lanes {
  const laneOf = new Map<string, number>();
  const ends: number[] = [];
  for (const { id, left, width } of [...drawn].sort((a, b) => a.left - b.left || (a.id < b.id ? -1 : 1))) {
    const free = ends.findIndex((end) => end <= left);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = left + width;
    laneOf.set(id, lane);
  }
  return { laneOf, count: Math.max(1, ends.length) };
}
