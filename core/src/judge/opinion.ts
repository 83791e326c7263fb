import type { Limit } from '../limits';
import { LIMIT_IS_WORDS, limitNm, marginOf } from '../limits';
import { formatLike, must, parseLength } from '../measure';
import type { Finding } from './finding';

/** What one rule says of one reading: a finding without its place. */
export type Opinion = Pick<
  Finding,
  'verdict' | 'measured' | 'limit' | 'margin' | 'share' | 'rule' | 'sure' | 'because'
>;

const SILENT: Opinion = {
  verdict: 'not-judged',
  measured: null,
  limit: null,
  margin: null,
  share: 0,
  rule: null,
  sure: null,
  because: '',
};

/** An opinion that gives no verdict, and why. */
export const notJudged = (because: string, known: Partial<Opinion> = {}): Opinion => ({
  ...SILENT,
  ...known,
  because,
});

export const opinion = (given: Partial<Opinion> & Pick<Opinion, 'verdict' | 'because'>): Opinion => ({
  ...SILENT,
  ...given,
});

/** A limit's figure, rule and margin as a finding shows them: signed, in the unit of its source. */
export const againstLimit = (limit: Limit, amount: number): Pick<Opinion, 'limit' | 'margin' | 'rule' | 'sure'> => ({
  limit: limit.value,
  margin: formatLike(marginOf(limit, amount), limit.value),
  rule: limit.source,
  sure: limit.sure,
});

/** How a reading stands to a limit, kept or not: each way's opposite is another way's own words. */
const OPPOSITE: Record<Limit['is'], Limit['is']> = {
  'at-most': 'more-than',
  'at-least': 'less-than',
  'more-than': 'at-most',
  'less-than': 'at-least',
};

/** One sentence with the arithmetic: `2 1/8 in is more than 2 in, by 1/8 in`. */
export function comparison(limit: Limit, measured: string, amount: number, kept: boolean): string {
  const words = LIMIT_IS_WORDS[kept ? limit.is : OPPOSITE[limit.is]];
  const apart = Math.abs(amount - limitNm(limit));
  const by = apart === 0 ? '' : `, by ${formatLike(apart, limit.value)}`;
  return `${measured} is ${words} ${limit.value}${by}`;
}

const read = new Map<string, number>();
const MOST_READ = 10_000;

/** A length that the wire schema has already proven readable. The same writing is read once. */
export function nmOf(text: string): number {
  const known = read.get(text);
  if (known !== undefined) return known;
  if (read.size >= MOST_READ) read.clear();
  const value = must(parseLength(text, '32nds'));
  read.set(text, value);
  return value;
}
