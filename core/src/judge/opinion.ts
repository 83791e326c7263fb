import type { Limit } from '../limits';
import { limitNm, marginOf } from '../limits';
import { formatApart, forPeople, must, parseLength } from '../measure';
import { figure, type Said, said } from '../said';
import type { Finding } from './finding';

/** What one rule says of one reading: a finding without its place, and what stays open although something was judged. */
export type Opinion = Pick<
  Finding,
  'verdict' | 'measured' | 'limit' | 'margin' | 'share' | 'rule' | 'sure' | 'said' | 'holds'
> & { open?: readonly Said[] | undefined };

type Given = Partial<Opinion> & Pick<Opinion, 'verdict' | 'said'>;

/** An opinion, with what is `known` besides; what neither gives is not said. Field by field: a spread costs more than the rule. */
export const opinion = (given: Given, known: Partial<Opinion> = {}): Opinion => ({
  verdict: given.verdict,
  measured: given.measured ?? known.measured ?? null,
  limit: given.limit ?? known.limit ?? null,
  margin: given.margin ?? known.margin ?? null,
  share: given.share ?? known.share ?? 0,
  rule: given.rule ?? known.rule ?? null,
  sure: given.sure ?? known.sure ?? null,
  said: given.said,
  open: given.open ?? known.open,
  holds: given.holds ?? known.holds,
});

/** An opinion that gives no verdict, and why. */
export const notJudged = (because: Said | readonly Said[], known?: Partial<Opinion>): Opinion =>
  opinion({ verdict: 'not-judged', said: 'code' in because ? [because] : because }, known);

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

const IS = { 'at-most': 'atMost', 'at-least': 'atLeast', 'more-than': 'moreThan', 'less-than': 'lessThan' } as const;

/** The arithmetic: `2 1/8 in is more than 2 in, by 1/8 in`, or `… no more than 2 in, 1/8 in to spare`. */
export function comparison(limit: Limit, measured: string, amount: number, kept: boolean): Said {
  const apart = Math.abs(amount - limitNm(limit));
  return said('compared', {
    measured: figure(measured),
    is: IS[kept ? limit.is : OPPOSITE[limit.is]],
    limit: figure(limit.value),
    spare: apart === 0 ? 'none' : kept ? 'kept' : 'past',
    apart: figure(forPeople(formatApart(apart, limit.value))),
  });
}

/** A length that the wire schema has already proven readable. */
export const nmOf = (text: string): number => must(parseLength(text, '32nds'));
