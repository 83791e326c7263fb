import { type Asking, type Book, keeps, type Limit, type Limited, limitsFor, marginOf, meantFor } from '../limits';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

/** Of several limits the one that decides, and whether it is kept. */
export interface Decision {
  limit: Limit;
  kept: boolean;
  verdict: 'within' | 'shop-limit' | 'violation';
  /** What is said when more than one applied. */
  why: string;
}

const WHOSE = { book: 'the book', fleet: 'the fleet', maker: 'the maker' } as const;
const named = (limit: Limit): string => `${limit.value} of ${WHOSE[limit.from ?? 'book']}`;

const verdictPast = (limit: Limit, amount: number): Decision['verdict'] =>
  keeps(limit, amount) ? 'within' : (limit.fails ?? 'violation');

function whyThis(chosen: Limit, all: readonly Limit[]): string {
  if (all.length < 2 || !all.some(({ from }) => from)) return '';
  const others = all.filter((limit) => limit !== chosen);
  return ` Of ${[chosen, ...others].map(named).join(' and ')} this one decides.`;
}

/** Holds an amount against every limit that applies: the worst verdict decides, among equals the strictest limit. Null when none applies. */
export function decide(limits: readonly Limit[], amount: number): Decision | null {
  const meant = limits.filter((limit) => meantFor(limit, amount));
  let [limit] = meant;
  if (!limit) return null;
  let verdict = verdictPast(limit, amount);
  for (const other of meant) {
    const its = verdictPast(other, amount);
    const graver = compareVerdicts(its, verdict);
    if (graver > 0 || (graver === 0 && marginOf(other, amount) >= marginOf(limit, amount))) continue;
    limit = other;
    verdict = its;
  }
  return { limit, kept: keeps(limit, amount), verdict, why: whyThis(limit, meant) };
}

const NO_LIMIT = 'The book has no limit for this, and the maker’s is not known.';

/** A plain comparison: an amount against every limit of its kind. `also` is said after the arithmetic. */
export function judgeAmount(
  book: Book,
  reading: Limited,
  asking: Asking,
  given: { measured: string; amount: number; silent?: string; also?: string },
): Opinion {
  const { measured, amount } = given;
  const limits = limitsFor(book, reading, asking);
  const decision = decide(limits, amount);
  if (!decision)
    return notJudged(limits.length ? (limits[0]?.note ?? NO_LIMIT) : (given.silent ?? NO_LIMIT), { measured });
  const { limit, kept, verdict, why } = decision;
  const note = kept ? '' : ` ${limit.note ?? ''}`.trimEnd();
  const because = `${comparison(limit, measured, amount, kept)}.${note}${why}${given.also ? ` ${given.also}` : ''}`;
  return opinion({ verdict, because }, againstLimit(limit, measured, amount));
}
