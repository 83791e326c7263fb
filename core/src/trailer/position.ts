import { z } from 'zod';
import { SIDES, type Side, TYRES, type Tyre } from './gear';

/** A place on a unit: an axle end, or one tyre of it. `axle` counts from 1 at the front. */
export interface Position {
  axle: number;
  side: Side;
  tyre?: Tyre | null;
}

/** A place that may also be the whole unit, or one side of it. */
export interface Place {
  axle?: number | null;
  side?: Side | null;
  tyre?: Tyre | null;
}

export const placeSchema = z.strictObject({
  axle: z.int().min(1).max(12).nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
});

const TYRE_MARK: Record<Tyre, string> = { single: '', inner: '-in', outer: '-out' };

/** The short code people use: `2L` for axle 2 left, `2L-out` for its outer tyre. A single tyre needs no mark. */
export function positionCode({ axle, side, tyre }: Position): string {
  return `${axle}${side === 'left' ? 'L' : 'R'}${tyre ? TYRE_MARK[tyre] : ''}`;
}

/** The code of any place: a position's, `A2` for a whole axle, `left` for one side of the unit, `unit` for the whole. */
export function placeCode({ axle, side, tyre }: Place): string {
  if (axle) return side ? positionCode({ axle, side, tyre }) : `A${axle}`;
  return side ?? 'unit';
}

/** The axle that a code of a whole axle names; null where it is none. */
export function parseAxleCode(code: string): number | null {
  const found = /^A([1-9]\d?)$/.exec(code);
  return found ? Number(found[1]) : null;
}

/** A place shortly, as it stands before a step: `2L`, `Axle 2`, `left`, `unit`. */
export const placeShort = (place: Place): string => (place.axle && !place.side ? placeWords(place) : placeCode(place));

/** A place in words: its code, or `Left side`, or `Whole unit`. */
export const placeWords = (place: Place): string => {
  if (place.axle && place.side) return positionCode({ axle: place.axle, side: place.side, tyre: place.tyre });
  if (place.axle) return `Axle ${place.axle}`;
  return place.side ? `${place.side === 'left' ? 'Left' : 'Right'} side` : 'Whole unit';
};

/** Reads a position code; null when it is none. */
export function parsePosition(code: string): Position | null {
  const found = /^([1-9]\d?)([LR])(?:-(in|out))?$/i.exec(code.trim());
  if (!found) return null;
  const tyre = TYRES.find((name) => found[3] && TYRE_MARK[name] === `-${found[3].toLowerCase()}`);
  return { axle: Number(found[1]), side: found[2]?.toUpperCase() === 'L' ? 'left' : 'right', tyre: tyre ?? null };
}

const SIDE_RANK: Record<Side, number> = { left: 1, right: 2 };
const TYRE_RANK: Record<Tyre, number> = { single: 0, inner: 1, outer: 2 };

/** A place as a number, less than a thousand times ten: front to rear, left before right, inner before outer, the whole unit first. */
export const placeRank = ({ axle, side, tyre }: Place): number =>
  (axle ?? 0) * 100 + (side ? SIDE_RANK[side] : 0) * 10 + (tyre ? TYRE_RANK[tyre] : 0);

/** Orders positions as {@link placeRank} does. */
export const comparePositions = (a: Place, b: Place): number => placeRank(a) - placeRank(b);
