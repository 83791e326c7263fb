import { type Book, keeps, limitFor, limitNm } from '../limits';
import { must, parseLength, parsePressure } from '../measure';
import type { Chamber, WheelEnd } from '../trailer';
import type { ReadingOf } from '../wire';
import { againstLimit, comparison, nmOf, notJudged, type Opinion, opinion } from './opinion';

type Air = 'low' | 'prescribed' | 'high' | 'not noted';

const TYPE_WORDS: Record<Chamber['type'], string> = {
  clamp: 'clamp chamber',
  bolt: 'bolt chamber',
  rotochamber: 'rotochamber',
  'dual-diaphragm': 'dual-diaphragm chamber',
};
const STROKE_WORDS = { standard: '', long: ' long stroke', 'long-3in': ' long stroke, 3 in rated' };

/** A chamber in words: `30 long stroke clamp chamber`. */
export const chamberWords = ({ type, size, stroke }: Chamber): string =>
  `${size}${STROKE_WORDS[stroke ?? 'standard']} ${TYPE_WORDS[type]}`;

function airAt(book: Book, reservoir: string | undefined): Air {
  if (reservoir === undefined) return 'not noted';
  const pascals = must(parsePressure(reservoir));
  if (pascals < must(parsePressure(book.reservoir.from))) return 'low';
  return pascals > must(parsePressure(book.reservoir.to)) ? 'high' : 'prescribed';
}

/** More air only lengthens a stroke: which outcomes each pressure leaves open, and why. */
const OPEN: Record<Air, { keeps?: string; fails?: string }> = {
  prescribed: {},
  low: { keeps: 'the reservoir stood too low, at full pressure the stroke may be longer' },
  high: { fails: 'the reservoir stood too high, at the prescribed pressure the stroke may be shorter' },
  'not noted': { keeps: 'the reservoir pressure was not noted, the stroke may be longer at full pressure' },
};

/** Share in the brake count of a stroke this far past its limit: under the book's step ½, from it on 1. */
const shareBeyond = (book: Book, beyond: number): 0.5 | 1 =>
  beyond < must(parseLength(book.brakeCount.halfBelow, 'none')) ? 0.5 : 1;

/** Judges an applied pushrod stroke by chamber and reservoir pressure. Source: 49 CFR 393.47(e), Appendix A of 396. */
export function judgeStroke(book: Book, end: WheelEnd, reading: ReadingOf<'stroke-applied'>): Opinion {
  const measured = reading.value;
  const nm = nmOf(measured);
  if (!end.chamber) return notJudged('The chamber is not known, so neither is its limit.', { measured });
  const limit = limitFor(book, 'stroke-applied', end);
  if (!limit)
    return notJudged(
      `The book has no limit for a ${chamberWords(end.chamber)}: use 80 % of the rated stroke, or the readjustment limit its maker marked.`,
      { measured },
    );
  const kept = keeps(limit, nm);
  const figures = { measured, ...againstLimit(limit, nm) };
  const air = airAt(book, reading.reservoir);
  const again = `measure again at ${book.reservoir.from} to ${book.reservoir.to}`;
  const open = OPEN[air][kept ? 'keeps' : 'fails'];
  const sum = comparison(limit, measured, nm, kept);
  if (open) return notJudged(`${sum}, but ${open}: ${again}.`, figures);
  if (kept) return opinion({ ...figures, verdict: 'within', because: `${sum} (${chamberWords(end.chamber)}).` });
  const share = shareBeyond(book, nm - limitNm(limit));
  const noted = air === 'not noted' ? ' The reservoir pressure was not noted.' : '';
  const counts = share === 1 ? 'counts as one defective brake' : 'counts as half a defective brake';
  return opinion({
    ...figures,
    verdict: 'violation',
    share,
    because: `${sum} (${chamberWords(end.chamber)}); ${counts}.${noted}`,
  });
}
