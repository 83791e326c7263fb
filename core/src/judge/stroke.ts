import { type Book, limitNm, limitsFor, policyChoice } from '../limits';
import { must, parseLength, parsePressure } from '../measure';
import type { Reading, ReadingOf } from '../reading';
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

/** More air only lengthens a stroke: which outcomes each pressure leaves open, and why. */
const OPEN: Record<Air, { keeps?: string; fails?: string }> = {
  prescribed: {},
  'not asked': {},
  low: { keeps: 'reservoir pressure was too low; the stroke may be longer at full pressure' },
  high: { fails: 'reservoir pressure was too high; the stroke may be shorter at the required pressure' },
  'not noted': { keeps: 'the reservoir pressure was not noted, the stroke may be longer at full pressure' },
};

/** Share in the brake count of a stroke this far past its limit: under the book's step ½, from it on 1. */
const shareBeyond = ({ brakeCount }: Book, beyond: number): 0 | 0.5 | 1 => {
  if (!brakeCount) return 0;
  return beyond < must(parseLength(brakeCount.halfBelow, 'none')) ? 0.5 : 1;
};

/** What a long stroke asks for next: adjusting a manual adjuster is the repair, on an automatic one it is a symptom. */
function whatNext(book: Book, end: WheelEnd, presses: number | undefined): string {
  if (end.adjuster === 'manual')
    return ' Manual adjuster: tighten to contact, back off a quarter to a half turn, measure again, and do the other brakes of the axle.';
  if (end.adjuster !== 'automatic') return '';
  if (presses) return ` Measured after ${presses} full applications: find the cause, do not adjust it and walk away.`;
  return policyChoice(book.policies ?? {}, 'adjuster') === 'press-first'
    ? ' Automatic adjuster: make several hard brake applications and measure again before judging it. Do not adjust it and walk away.'
    : ' Automatic adjuster: find the cause at once. Do not adjust it and walk away.';
}

const NO_PUSHROD =
  'Pushrod stroke is not measured on this brake. The lining decides: measure it, and use the maker’s figure if there is one.';
const NO_CHAMBER_LIMIT = (chamber: Chamber) =>
  `The book has no limit for a ${chamberWords(chamber)}: use 80 % of the rated stroke, or the readjustment limit its maker marked.`;

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
  const noted = airAt(book, reading.reservoir) === 'not noted' ? ' The reservoir pressure was not noted.' : '';
  const counts = { 0: '', 0.5: '; counts as half a defective brake', 1: '; counts as one defective brake' }[share];
  const chamber = end.chamber ? ` (${chamberWords(end.chamber)})` : '';
  const because = `${comparison(limit, reading.value, nm, false)}${chamber}${counts}.${noted}${why}${whatNext(book, end, reading.presses)}`;
  return opinion({ verdict, share, because }, againstLimit(limit, reading.value, nm));
}

/** The catalogue's code for a brake that does not act. */
const DEAD = { code: 'no-braking-action' };

/** A pushrod that stays where it is: with air behind it the brake does not act. */
function unmoved(book: Book, reading: ReadingOf<'stroke-applied'>): Opinion {
  const measured = reading.value;
  if (book.reservoir && airAt(book, reading.reservoir) === 'low')
    return notJudged(`The pushrod did not move, but ${OPEN.low.keeps}: ${again(book)}`, { measured });
  const dead = judgeDefect(book, DEAD);
  return opinion(
    { verdict: dead.verdict, because: `The pushrod does not move. ${dead.because}` },
    { ...dead, measured },
  );
}

const again = ({ reservoir }: Book): string =>
  reservoir ? `measure again at ${reservoir.from} to ${reservoir.to}.` : 'measure again.';

/**
 * Judges an applied pushrod stroke by chamber and reservoir pressure; on a brake whose pushrod is not to be measured, by
 * the maker's figure alone. Source: 49 CFR 393.47(e), Appendix A of 396.
 */
export function judgeStroke(book: Book, end: WheelEnd, reading: ReadingOf<'stroke-applied'>): Opinion {
  const measured = reading.value;
  const nm = nmOf(measured);
  const limits = limitsFor(book, 'stroke-applied', end);
  if (!hasPushrod(end) && limits.length === 0) return notJudged(NO_PUSHROD, { measured });
  if (nm === 0) return unmoved(book, reading);
  if (!end.chamber && limits.length === 0)
    return notJudged(
      'The chamber is not known, so its limit is not known. Read the size at the clamp and enter it on the unit.',
      { measured },
    );
  const air = airAt(book, reading.reservoir);
  const chamber = end.chamber ? ` (${chamberWords(end.chamber)})` : '';
  const judged = judgeEach(limits, nm, (found) => {
    const { limit, kept, why } = found;
    const open = OPEN[air][kept ? 'keeps' : 'fails'];
    const figures = againstLimit(limit, measured, nm);
    const sum = comparison(limit, measured, nm, kept);
    if (open) return notJudged(`${sum}, but ${open}: ${again(book)}`, figures);
    if (!kept) return pastLimit(book, end, reading, nm, found);
    return opinion({ verdict: 'within', because: `${sum}${chamber}.${why}` }, figures);
  });
  return (
    judged ??
    notJudged(end.chamber ? NO_CHAMBER_LIMIT(end.chamber) : 'No limit is known: the maker’s manual has it.', {
      measured,
    })
  );
}

/**
 * Whose range of reservoir pressure the strokes of an inspection were read in, in a sentence; null where none was noted in
 * any. What lies on the border of two is of both.
 */
export function reservoirSays({ reservoir }: Book, readings: readonly Reading[]): string | null {
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
  return `Strokes read at ${noted.join(', ')} in the reservoir: ${of.map((range) => `${range.of}’s ${range.from} to ${range.to}`).join(', and ')}.`;
}
