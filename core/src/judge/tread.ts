import { type Book, keeps, type Limit, limitFor } from '../limits';
import type { WheelEnd } from '../trailer';
import type { ReadingOf } from '../wire';
import { smallest } from './lining';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

type Place = readonly string[];

/** Whether `run` grooves side by side at one place all fail a limit. */
function adjacentFail(limit: Limit, place: Place, run: number): boolean {
  let inRow = 0;
  for (const depth of place) {
    inRow = keeps(limit, nmOf(depth)) ? 0 : inRow + 1;
    if (inRow >= run) return true;
  }
  return false;
}

/** What more must be read before the out-of-service criterion is settled; null when it is settled either way. */
function stillOpen(limit: Limit, places: readonly Place[], run: number, wanted: number): string | null {
  const full = places.filter((place) => place.length >= run);
  const failing = full.filter((place) => adjacentFail(limit, place, run)).length;
  const unread = Math.max(0, wanted - full.length);
  if (failing + unread < wanted) return null;
  return `${run} adjacent major grooves at ${wanted} places round the tyre would settle whether it is out of service; ${full.length} of ${wanted} places have them`;
}

/** Judges one tyre by the smallest point read, and by grooves and places for out of service. Source: 49 CFR 393.75. */
export function judgeTread(book: Book, end: WheelEnd, reading: ReadingOf<'tread'>): Opinion {
  const { text: measured, nm } = smallest(reading.grooves.flat());
  const limit = limitFor(book, 'tread', end);
  if (!limit) return notJudged('The book has no tread limit for this wheel.', { measured });
  const kept = keeps(limit, nm);
  const figures = { measured, ...againstLimit(limit, nm) };
  const sum = comparison(limit, measured, nm, kept);
  if (kept) return opinion({ ...figures, verdict: 'within', because: `Smallest reading: ${sum}.` });

  const criterion = limitFor(book, 'tread', end, 'out-of-service');
  const { adjacentGrooves, places } = book.treadOutOfService;
  const failing = criterion
    ? reading.grooves.filter((place) => adjacentFail(criterion, place, adjacentGrooves)).length
    : 0;
  if (criterion && failing >= places)
    return opinion({
      ...figures,
      verdict: 'out-of-service',
      rule: criterion.source,
      sure: criterion.sure,
      because: `${sum}. ${adjacentGrooves} adjacent major grooves are less than ${criterion.value} at ${failing} places round the tyre.`,
    });
  const belowCriterion = criterion && !keeps(criterion, nm);
  const open = belowCriterion ? stillOpen(criterion, reading.grooves, adjacentGrooves, places) : null;
  return opinion({ ...figures, verdict: 'violation', because: open ? `${sum}. ${open}.` : `${sum}.` });
}
