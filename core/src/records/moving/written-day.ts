import { type Day, lastDayAfter } from '../../measure';

/** In which order a shop writes a day's parts where the year does not come first. */
export const DAY_ORDERS = ['mdy', 'dmy'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthOf = (word: string): number => MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;
const yearOf = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/;
const FIGURES = /^(\d{1,2})[-/. ](\d{1,2})[-/. ](\d{4}|\d{2})$/;
const DAY_WORD = /^(\d{1,2})[.\s-]+([A-Za-z]{3,9})\.?[,\s-]+(\d{4}|\d{2})$/;
const WORD_DAY = /^([A-Za-z]{3,9})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4}|\d{2})$/;
const MONTH_YEAR = /^(?:(\d{1,2})[/.-](\d{4})|(\d{4})[/.-](\d{1,2})|([A-Za-z]{3,9})\.?[\s-]+(\d{4}))$/;

function dayFrom(year: number, month: number, day: number): Day | null {
  const at = new Date(Date.UTC(year, month - 1, day));
  const real = at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
  return real && year >= 1950 && year <= 2100 ? at.toISOString().slice(0, 10) : null;
}

/**
 * A day as shops write it: `2026-03-02`, `3/2/2026` or `2.3.26` by the order given, `2 Mar 2026`, `March 2, 2026`; a month
 * alone, `03/2026`, is its last day. Null where it is none.
 */
export function writtenDay(text: string, order: DayOrder): Day | null {
  const plain = text.trim();
  const first = YEAR_FIRST.exec(plain);
  if (first) return dayFrom(Number(first[1]), Number(first[2]), Number(first[3]));
  const figures = FIGURES.exec(plain);
  if (figures) {
    const [one, two] = [Number(figures[1]), Number(figures[2])];
    const [month, day] = order === 'mdy' ? [one, two] : [two, one];
    return dayFrom(yearOf(figures[3] ?? ''), month, day);
  }
  const dayWord = DAY_WORD.exec(plain);
  if (dayWord) return dayFrom(yearOf(dayWord[3] ?? ''), monthOf(dayWord[2] ?? ''), Number(dayWord[1]));
  const wordDay = WORD_DAY.exec(plain);
  if (wordDay) return dayFrom(yearOf(wordDay[3] ?? ''), monthOf(wordDay[1] ?? ''), Number(wordDay[2]));
  const month = MONTH_YEAR.exec(plain);
  if (!month) return null;
  const [, a, b, c, d, word, year] = month;
  const [of, at] = word ? [Number(year), monthOf(word)] : a ? [Number(b), Number(a)] : [Number(c), Number(d)];
  return at >= 1 && at <= 12 ? lastDayAfter(`${of}-${String(at).padStart(2, '0')}`, 0) : null;
}

/** The order a column's days are written in, where one of them tells; null where each could be either. */
export function orderOf(texts: readonly string[]): DayOrder | null {
  for (const text of texts) {
    const figures = FIGURES.exec(text.trim());
    if (!figures) continue;
    if (Number(figures[1]) > 12) return 'dmy';
    if (Number(figures[2]) > 12) return 'mdy';
  }
  return null;
}
