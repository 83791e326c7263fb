import type { Limit } from '../limits';
import { limitNm, marginOf } from '../limits';
import { formatLength, type LengthStyle, lengthStyle, must, parseLength } from '../measure';
import type { Finding } from '../wire';

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
export function againstLimit(limit: Limit, nm: number): Pick<Opinion, 'limit' | 'margin' | 'rule' | 'sure'> {
  const style: LengthStyle = lengthStyle(limit.value);
  return {
    limit: limit.value,
    margin: formatLength(marginOf(limit, nm), style),
    rule: limit.source,
    sure: limit.sure,
  };
}

const WORDS: Record<Limit['is'], [keeps: string, fails: string]> = {
  'at-most': ['is not more than', 'is more than'],
  'at-least': ['is not less than', 'is less than'],
  'more-than': ['is more than', 'is not more than'],
};

/** One sentence with the arithmetic: `2 1/8 in is more than 2 in, by 1/8 in`. */
export function comparison(limit: Limit, measured: string, nm: number, kept: boolean): string {
  const words = WORDS[limit.is][kept ? 0 : 1];
  const apart = Math.abs(nm - limitNm(limit));
  const by = apart === 0 ? '' : `, by ${formatLength(apart, lengthStyle(limit.value))}`;
  return `${measured} ${words} ${limit.value}${by}`;
}

/** A quantity that the wire schema has already proven readable. */
export const nmOf = (text: string): number => must(parseLength(text, '32nds'));
