import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { said } from '../said';
import { judgeAmount } from './decide';
import { nmOf, notJudged, type Opinion } from './opinion';

/**
 * Judges the height of a rear guard by the figure of the year it was built; without the year by what every figure says
 * alike. Source: 49 CFR 393.86.
 */
export function judgeGuardHeight(book: Book, { value, built }: ReadingOf<'guard-height'>): Opinion {
  const by = (year: number): Opinion =>
    judgeAmount(book, 'guard-height', { built: year }, { measured: value, amount: nmOf(value) });
  if (built !== undefined) return by(built);
  const years = book.limits.flatMap(({ reading, where }) =>
    reading === 'guard-height' && where.built ? [where.built.from ?? (where.built.before ?? 1) - 1] : [],
  );
  const [first, ...others] = years.map(by);
  if (!first) return by(0);
  if (others.every(({ verdict }) => verdict === first.verdict)) return first;
  return notJudged(said('guard-year'), { measured: value });
}
