import { type Book, keeps, type Limit, limitFor, limitsFor } from '../limits';
import { thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { figure, type Said, said } from '../said';
import type { WheelEnd } from '../trailer';
import { type Decision, judgeEach } from './decide';
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

/** What more must be read before the out-of-service criterion is settled; nothing when it is settled either way. */
function stillOpen(limit: Limit, spots: readonly Spot[], run: number, wanted: number): readonly Said[] {
  const full = spots.filter((spot) => spot.length >= run);
  const failing = full.filter((spot) => adjacentFail(limit, spot, run)).length;
  const unread = Math.max(0, wanted - full.length);
  if (failing + unread < wanted) return [];
  return [said('tread-settle', { run, wanted, have: full.length })];
}

/** A groove's part of the breadth, as it lies in the middle of its share: it takes half of it. */
const across = (index: number, grooves: number): [number, number] => [
  (4 * index + 1) / (4 * grooves),
  (4 * index + 3) / (4 * grooves),
];

/**
 * The band of the book's part of the breadth in which no groove fails, at any spot round the tyre; null when there is
 * none. A groove worn away altogether, or both shoulders, leave none.
 */
function bandKept(
  limit: Limit,
  spots: readonly Spot[],
  [top, bottom]: readonly [number, number],
): [number, number] | null {
  const fails = (depth: string) => !keeps(limit, nmOf(depth));
  if (spots.some((spot) => spot.some((depth) => nmOf(depth) === 0))) return null;
  const shoulder = (at: 0 | -1) => spots.some((spot) => fails(spot.at(at) ?? ''));
  if (shoulder(0) && shoulder(-1)) return null;
  const failing = spots
    .flatMap((spot) => spot.flatMap((depth, index) => (fails(depth) ? [across(index, spot.length)] : [])))
    .sort(([a], [b]) => a - b);
  let from = 0;
  for (const [left, right] of [...failing, [1, 1] as const]) {
    if ((left - from) * bottom >= top) return [from, left];
    from = Math.max(from, right);
  }
  return null;
}

/** What is left of a fault past the smallest-point limit where the book's band rule forgives it: the least inside of the band. */
function forgiven(book: Book, limit: Limit, reading: ReadingOf<'tread'>): string | null {
  const band = book.treadBand && !limit.from ? bandKept(limit, reading.grooves, book.treadBand.breadth) : null;
  if (!band) return null;
  const [from, to] = band;
  const inside = (spot: Spot, index: number) => {
    const [left, right] = across(index, spot.length);
    return left >= from && right <= to;
  };
  return thinnest(...reading.grooves.map((spot) => spot.filter((_, index) => inside(spot, index)))).text;
}

/** What a failing limit makes of one tyre. */
function pastLimit(book: Book, end: WheelEnd, reading: ReadingOf<'tread'>, nm: number, found: Decision): Opinion {
  const { limit, verdict, why } = found;
  const { text: measured } = thinnest(...reading.grooves);
  const figures = againstLimit(limit, measured, nm);
  const sum = said('sentence', { said: comparison(limit, measured, nm, false) });
  const inside = forgiven(book, limit, reading);
  if (inside && book.treadBand) {
    const [top, bottom] = book.treadBand.breadth;
    const kept = comparison(limit, inside, nmOf(inside), true);
    const because = said('in-band', { kept, part: `${top}/${bottom}`, measured: figure(measured) });
    return opinion({ verdict: 'within', said: [because] }, againstLimit(limit, inside, nmOf(inside)));
  }

  const rule = book.treadOutOfService;
  const criterion = rule ? limitFor(book, 'tread', end, 'out-of-service') : null;
  if (!rule || !criterion || verdict !== 'violation') return opinion({ verdict, said: [sum, ...why] }, figures);
  const { adjacentGrooves, spots } = rule;
  const failing = reading.grooves.filter((spot) => adjacentFail(criterion, spot, adjacentGrooves)).length;
  if (failing >= spots)
    return opinion(
      {
        verdict: 'out-of-service',
        rule: criterion.source,
        sure: criterion.sure,
        said: [
          sum,
          said('adjacent-grooves', { run: adjacentGrooves, limit: figure(criterion.value), places: failing }),
        ],
      },
      figures,
    );
  const below = !keeps(criterion, nm);
  const open = below ? stillOpen(criterion, reading.grooves, adjacentGrooves, spots) : [];
  return opinion({ verdict, said: [sum, ...open] }, figures);
}

/** Judges one tyre by the smallest point read, and by grooves and places for out of service. Source: 49 CFR 393.75. */
export function judgeTread(book: Book, end: WheelEnd, reading: ReadingOf<'tread'>): Opinion {
  const { text: measured, nm } = thinnest(...reading.grooves);
  const judged = judgeEach(limitsFor(book, 'tread', end), nm, (found) => {
    if (!found.kept) return pastLimit(book, end, reading, nm, found);
    const { limit, verdict, why } = found;
    const sum = said('smallest-reading', { sum: comparison(limit, measured, nm, true) });
    return opinion({ verdict, said: [sum, ...why] }, againstLimit(limit, measured, nm));
  });
  return judged ?? notJudged(said('no-tread-limit'), { measured });
}
