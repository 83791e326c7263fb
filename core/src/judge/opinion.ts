import type { Limit } from '../limits';
import { LIMIT_IS_WORDS, limitNm, marginOf } from '../limits';
import { formatApart, forPeople, must, parseLength } from '../measure';
import type { Finding } from './finding';

/** What one rule says of one reading: a finding without its place, and what stays open although something was judged. */
export type Opinion = Pick<
  Finding,
  'verdict' | 'measured' | 'limit' | 'margin' | 'share' | 'rule' | 'sure' | 'because' | 'holds'
> & { open?: string | undefined };

type Given = Partial<Opinion> & Pick<Opinion, 'verdict' | 'because'>;

/** An opinion, with what is `known` besides; what neither gives is not said. Field by field: a spread costs more than the rule. */
export const opinion = (given: Given, known: Partial<Opinion> = {}): Opinion => ({
  verdict: given.verdict,
  measured: given.measured ?? known.measured ?? null,
  limit: given.limit ?? known.limit ?? null,
  margin: given.margin ?? known.margin ?? null,
  share: given.share ?? known.share ?? 0,
  rule: given.rule ?? known.rule ?? null,
  sure: given.sure ?? known.sure ?? null,
  because: given.because,
  open: given.open ?? known.open,
  holds: given.holds ?? known.holds,
});

/** An opinion that gives no verdict, and why. */
export const notJudged = (because: string, known?: Partial<Opinion>): Opinion =>
  opinion({ verdict: 'not-judged', because }, known);

/** What was measured beside a limit's figure, rule and margin: signed, in the unit of its source. */
export const againstLimit = (
  limit: Limit,
  measured: string,
  amount: number,
): Pick<Opinion, 'measured' | 'limit' | 'margin' | 'rule' | 'sure'> => ({
  measured,
  limit: limit.value,
  margin: formatApart(marginOf(limit, amount), limit.value),
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

/** One sentence with the arithmetic: `2 1/8 in is more than 2 in, by 1/8 in`, or `… not more than 2 in, 1/8 in to spare`. */
export function comparison(limit: Limit, measured: string, amount: number, kept: boolean): string {
  const words = LIMIT_IS_WORDS[kept ? limit.is : OPPOSITE[limit.is]];
  const apart = Math.abs(amount - limitNm(limit));
  const by = forPeople(formatApart(apart, limit.value));
  const said = apart === 0 ? '' : kept ? `, ${by} to spare` : `, by ${by}`;
  return `${measured} is ${words} ${limit.value}${said}`;
}

/** A length that the wire schema has already proven readable. */
export const nmOf = (text: string): number => must(parseLength(text, '32nds'));
