import { type Book, keeps, type Limit, limitFor, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import type { WheelEnd } from '../trailer';
import { decide } from './decide';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

type Spot = readonly string[];

/** Whether `run` grooves side by side at one spot all fail a limit. */
function adjacentFail(limit: Limit, spot: Spot, run: number): boolean {
  let inRow = 0;
  for (const depth of spot) {
    inRow = keeps(limit, nmOf(depth)) ? 0 : inRow + 1;
    if (inRow >= run) return true;
  }
  return false;
}

/** What more must be read before the out-of-service criterion is settled; null when it is settled either way. */
function stillOpen(limit: Limit, spots: readonly Spot[], run: number, wanted: number): string | null {
  const full = spots.filter((spot) => spot.length >= run);
  const failing = full.filter((spot) => adjacentFail(limit, spot, run)).length;
  const unread = Math.max(0, wanted - full.length);
  if (failing + unread < wanted) return null;
  return `${run} adjacent major grooves at ${wanted} places round the tyre would settle whether it is out of service; ${full.length} of ${wanted} places have them`;
}

/**
 * Whether the points that fail leave a continuous band of the book's part of the breadth: no failing point may stand
 * inside it at any spot. A groove is taken at the middle of its share of the breadth.
 */
function bandKept(limit: Limit, spots: readonly Spot[], [top, bottom]: readonly [number, number]): boolean {
  const failing = spots.flatMap((spot) =>
    spot.flatMap((depth, index) => (keeps(limit, nmOf(depth)) ? [] : [(2 * index + 1) / (2 * spot.length)])),
  );
  const edges = [0, ...failing.sort((a, b) => a - b), 1];
  return edges.some((edge, index) => index > 0 && (edge - (edges[index - 1] ?? 0)) * bottom >= top);
}

/** A fault past the smallest-point limit that the book's band rule forgives; null when it does not. */
function forgiven(book: Book, limit: Limit, reading: ReadingOf<'tread'>): string | null {
  const band = book.treadBand;
  if (!band || limit.from || !bandKept(limit, reading.grooves, band.breadth)) return null;
  return `${limit.value} holds in a continuous band of ${band.breadth[0]}/${band.breadth[1]} of the breadth; the point below it lies outside of that band`;
}

/** Judges one tyre by the smallest point read, and by grooves and places for out of service. Source: 49 CFR 393.75. */
export function judgeTread(book: Book, end: WheelEnd, reading: ReadingOf<'tread'>): Opinion {
  const { text: measured, nm } = thinnest(...reading.grooves);
  const found = decide(limitsFor(book, 'tread', end), nm);
  if (!found) return notJudged('The book has no tread limit for this wheel.', { measured });
  const { limit, kept, verdict, why } = found;
  const figures = againstLimit(limit, measured, nm);
  const sum = comparison(limit, measured, nm, kept);
  if (kept) return opinion({ verdict, because: `Smallest reading: ${sum}.${why}` }, figures);
  const outside = forgiven(book, limit, reading);
  if (outside) return opinion({ verdict: 'within', because: `${sum}. ${outside}.` }, figures);

  const rule = book.treadOutOfService;
  const criterion = rule ? limitFor(book, 'tread', end, 'out-of-service') : null;
  if (!rule || !criterion || verdict !== 'violation') return opinion({ verdict, because: `${sum}.${why}` }, figures);
  const { adjacentGrooves, spots } = rule;
  const failing = reading.grooves.filter((spot) => adjacentFail(criterion, spot, adjacentGrooves)).length;
  if (failing >= spots)
    return opinion(
      {
        verdict: 'out-of-service',
        rule: criterion.source,
        sure: criterion.sure,
        because: `${sum}. ${adjacentGrooves} adjacent major grooves are less than ${criterion.value} at ${failing} places round the tyre.`,
      },
      figures,
    );
  const below = !keeps(criterion, nm);
  const open = below ? stillOpen(criterion, reading.grooves, adjacentGrooves, spots) : null;
  return opinion({ verdict, because: open ? `${sum}. ${open}.` : `${sum}.` }, figures);
}
