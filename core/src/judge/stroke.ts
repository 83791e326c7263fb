import { type Book, limitNm, limitsFor, policyChoice } from '../limits';
import { must, parseLength, parsePressure } from '../measure';
import type { Reading, ReadingOf } from '../reading';
import { figure, listed, type Said, said } from '../said';
import { type Chamber, chamberWords, hasPushrod, type WheelEnd } from '../trailer';
import { type Decision, judgeEach } from './decide';
import { judgeDefect } from './defect';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

type Air = 'low' | 'prescribed' | 'high' | 'not noted' | 'not asked';

function airAt({ reservoir: prescribed }: Book, reservoir: string | undefined): Air {
  if (!prescribed) return 'not asked';
  if (reservoir === undefined) return 'not noted';
  const pascals = must(parsePressure(reservoir));
  if (pascals < must(parsePressure(prescribed.from))) return 'low';
  return pascals > must(parsePressure(prescribed.to)) ? 'high' : 'prescribed';
}

const LOW = said('pressure-low');
/** More air only lengthens a stroke: which outcomes each pressure leaves open, and why. */
const OPEN: Record<Air, { keeps?: Said; fails?: Said }> = {
  prescribed: {},
  'not asked': {},
  low: { keeps: LOW },
  high: { fails: said('pressure-high') },
  'not noted': { keeps: said('pressure-not-noted') },
};

/** Share in the brake count of a stroke this far past its limit: under the book's step ½, from it on 1. */
const shareBeyond = ({ brakeCount }: Book, beyond: number): 0 | 0.5 | 1 => {
  if (!brakeCount) return 0;
  return beyond < must(parseLength(brakeCount.halfBelow, 'none')) ? 0.5 : 1;
};

/** What a long stroke asks for next: adjusting a manual adjuster is the repair, on an automatic one it is a symptom. */
function whatNext(book: Book, end: WheelEnd, presses: number | undefined): readonly Said[] {
  if (end.adjuster === 'manual') return [said('manual-adjuster')];
  if (end.adjuster !== 'automatic') return [];
  if (presses) return [said('find-cause-after', { presses })];
  return [said(policyChoice(book.policies ?? {}, 'adjuster') === 'press-first' ? 'press-first' : 'find-cause')];
}

const noLimitFor = (chamber: Chamber | null | undefined): Said =>
  chamber ? said('no-chamber-limit', { chamber: chamberWords(chamber) }) : said('maker-has-limit');
const chamberOf = (end: WheelEnd): string => (end.chamber ? chamberWords(end.chamber) : 'none');

function pastLimit(
  book: Book,
  end: WheelEnd,
  reading: ReadingOf<'stroke-applied'>,
  nm: number,
  found: Decision,
): Opinion {
  const { limit, verdict, why } = found;
  const legal = verdict === 'violation';
  const share = legal ? shareBeyond(book, nm - limitNm(limit)) : 0;
  const noted = airAt(book, reading.reservoir) === 'not noted' ? [said('reservoir-not-noted')] : [];
  const counts = ({ 0: 'none', 0.5: 'half', 1: 'one' } as const)[share];
  const sum = comparison(limit, reading.value, nm, false);
  const because = [
    said('stroke-compared', { sum, chamber: chamberOf(end), counts }),
    ...noted,
    ...why,
    ...whatNext(book, end, reading.presses),
  ];
  return opinion({ verdict, share, said: because }, againstLimit(limit, reading.value, nm));
}

/** The catalogue's code for a brake that does not act. */
const DEAD = { code: 'no-braking-action' };

/** A pushrod that stays where it is: with air behind it the brake does not act. */
function unmoved(book: Book, reading: ReadingOf<'stroke-applied'>): Opinion {
  const measured = reading.value;
  if (book.reservoir && airAt(book, reading.reservoir) === 'low')
    return notJudged(said('pushrod-still-open', { open: LOW, again: again(book) }), { measured });
  const dead = judgeDefect(book, DEAD);
  return opinion({ verdict: dead.verdict, said: [said('pushrod-still'), ...dead.said] }, { ...dead, measured });
}

const again = ({ reservoir }: Book): Said =>
  reservoir
    ? said('measure-again-at', { from: figure(reservoir.from), to: figure(reservoir.to) })
    : said('measure-again');

/**
 * Judges an applied pushrod stroke by chamber and reservoir pressure; on a brake whose pushrod is not to be measured, by
 * the maker's figure alone. Source: 49 CFR 393.47(e), Appendix A of 396.
 */
export function judgeStroke(book: Book, end: WheelEnd, reading: ReadingOf<'stroke-applied'>): Opinion {
  const measured = reading.value;
  const nm = nmOf(measured);
  const limits = limitsFor(book, 'stroke-applied', end);
  if (!hasPushrod(end) && limits.length === 0) return notJudged(said('no-pushrod'), { measured });
  if (nm === 0) return unmoved(book, reading);
  if (!end.chamber && limits.length === 0) return notJudged(said('chamber-unknown'), { measured });
  const air = airAt(book, reading.reservoir);
  const judged = judgeEach(limits, nm, (found) => {
    const { limit, kept, why } = found;
    const open = OPEN[air][kept ? 'keeps' : 'fails'];
    const figures = againstLimit(limit, measured, nm);
    const sum = comparison(limit, measured, nm, kept);
    if (open) return notJudged(said('but-open', { sum, open, again: again(book) }), figures);
    if (!kept) return pastLimit(book, end, reading, nm, found);
    const kind = said('stroke-compared', { sum, chamber: chamberOf(end), counts: 'none' });
    return opinion({ verdict: 'within', said: [kind, ...why] }, figures);
  });
  return judged ?? notJudged(noLimitFor(end.chamber), { measured });
}

/**
 * Whose range of reservoir pressure the strokes of an inspection were read in; null where none was noted in
 * any. What lies on the border of two is of both.
 */
export function reservoirSays({ reservoir }: Book, readings: readonly Reading[]): Said | null {
  const noted = [
    ...new Set(readings.flatMap((each) => (each.kind === 'stroke-applied' && each.reservoir ? [each.reservoir] : []))),
  ];
  const of = (reservoir?.ranges ?? []).filter(({ from, to }) =>
    noted.some((text) => {
      const pascals = must(parsePressure(text));
      return pascals >= must(parsePressure(from)) && pascals <= must(parsePressure(to));
    }),
  );
  if (of.length === 0) return null;
  const ranges = of.map((each) => said('range-of', { of: each.of, from: figure(each.from), to: figure(each.to) }));
  return said('strokes-read-at', { noted: listed(noted.map(figure)), ranges: listed(ranges, 'comma-and') });
}
