import type { Axle, Chamber, Side } from './gear';

/** Axles with another chamber at one of them (from 1), at both of its ends or at one. */
export function withChamber(axles: readonly Axle[], axle: number, side: Side | null, chamber: Chamber): Axle[] {
  return axles.map((each, index) => {
    if (index !== axle - 1) return each;
    if (side) return { ...each, ends: { ...each.ends, [side]: { ...each.ends?.[side], chamber } } };
    const ends = Object.fromEntries(
      Object.entries(each.ends ?? {}).map(([own, { chamber: _, ...rest }]) => [own, rest]),
    );
    return { ...each, chamber, ...(each.ends ? { ends } : {}) };
  });
}
