import type { Book } from '../limits';
import type { BrakeCount } from './finding';

/** One brake: the share found so far, whether its main reading was judged, and whether anything of it is still open. */
export interface CountedBrake {
  share: 0 | 0.5 | 1;
  measured: boolean;
  open: boolean;
}

/** Defective brakes: every full share, and every two halves. */
export const defectiveOf = (full: number, half: number): number => full + Math.floor(half / 2);

/** The defective brakes that put a unit with so many brakes out of service: the book's share, rounded up; null without brakes, or without a count. */
export function outOfServiceAt(book: Book, total: number): number | null {
  if (!book.brakeCount || total === 0) return null;
  const [top, bottom] = book.brakeCount.fraction;
  return Math.ceil((total * top) / bottom);
}

/**
 * Counts defective brakes over a unit or combination. A brake counts at most once; one that is not fully read
 * makes the count a range. `assumed` brakes elsewhere are taken as good. Source: the roadside 20 % criterion.
 */
export function countBrakes(book: Book, brakes: readonly CountedBrake[], assumed = 0): BrakeCount {
  const total = brakes.length + assumed;
  const full = brakes.filter(({ share }) => share === 1).length;
  const half = brakes.filter(({ share }) => share === 0.5).length;
  const atMostFull = brakes.filter(({ share, open }) => share === 1 || open).length;
  const atMostHalf = brakes.filter(({ share, open }) => share === 0.5 && !open).length;
  const defective = defectiveOf(full, half);
  const at = outOfServiceAt(book, total);
  return {
    total,
    measured: brakes.filter(({ measured }) => measured).length,
    full,
    half,
    defective,
    defectiveAtMost: defectiveOf(atMostFull, atMostHalf),
    outOfServiceAt: at,
    outOfService: at !== null && defective >= at,
  };
}
