import { type Asking, type Book, keeps, type Limit, type Limited, limitsFor, marginOf, meantFor } from '../limits';
import { asWritten, figure, listed, type Said, said } from '../said';
import { againstLimit, comparison, notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

/** Of several limits the one that decides, and whether it is kept. */
export interface Decision {
  limit: Limit;
  kept: boolean;
  verdict: 'within' | 'shop-limit' | 'violation';
  /** What is said when more than one applied. */
  why: readonly Said[];
}

const named = (limit: Limit): Said => said('limit-of', { limit: figure(limit.value), whose: limit.from ?? 'book' });

const verdictPast = (limit: Limit, amount: number): Decision['verdict'] =>
  keeps(limit, amount) ? 'within' : (limit.fails ?? 'violation');

function whyThis(chosen: Limit, all: readonly Limit[]): readonly Said[] {
  if (all.length < 2 || !all.some(({ from }) => from)) return [];
  const others = all.filter((limit) => limit !== chosen);
  return [said('limits-apply', { limits: listed([chosen, ...others].map(named)) })];
}

/** Holds an amount against limits that are alike: the worst verdict decides, among equals the strictest limit. Null when none applies. */
function decide(meant: readonly Limit[], amount: number, all: readonly Limit[]): Decision | null {
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
  return { limit, kept: keeps(limit, amount), verdict, why: whyThis(limit, all) };
}

/** Law, or what decides like it; the rest are stricter limits of a fleet or a maker. */
const isLaw = (limit: Limit): boolean => !limit.from || limit.fails === undefined;

/**
 * Of what the law says and what a stricter limit says, the worse; what either leaves open stays open. So a stricter
 * limit never improves anything.
 */
function worseOf(law: Opinion, own: Opinion, ownStricter: boolean): Opinion {
  if (own.verdict === 'not-judged') return law.verdict === 'within' ? { ...law, open: own.said } : law;
  if (law.verdict === 'not-judged') return own.verdict === 'within' ? law : { ...own, open: law.said };
  const graver = compareVerdicts(law.verdict, own.verdict);
  const worse = graver < 0 || (graver === 0 && !ownStricter) ? law : own;
  return { ...worse, share: law.share, open: law.open ?? own.open, holds: law.holds ?? own.holds };
}

/**
 * Holds an amount against every limit that applies: the law's and those of the fleet and the maker are asked each by
 * itself, under their own conditions. Null when none applies.
 */
export function judgeEach(
  limits: readonly Limit[],
  amount: number,
  ask: (decision: Decision) => Opinion,
): Opinion | null {
  const meant = limits.filter((limit) => meantFor(limit, amount));
  const law = decide(meant.filter(isLaw), amount, meant);
  const own = decide(
    meant.filter((limit) => !isLaw(limit)),
    amount,
    meant,
  );
  if (!law || !own) {
    const only = law ?? own;
    return only ? ask(only) : null;
  }
  return worseOf(ask(law), ask(own), marginOf(own.limit, amount) < marginOf(law.limit, amount));
}

const otherPart = ({ note = '' }: Limit): Said =>
  said('limit-of-other-part', { note: note.replace(/\.$/, '') || 'none' });

/** What is noted of a limit that was passed, and of one that holds besides. */
const notes = (limit: Limit, held: Limit | undefined): readonly Said[] =>
  [limit.note, held === limit ? undefined : held?.note].flatMap((note) => (note ? asWritten(note) : []));

/** A plain comparison: an amount against every limit of its kind. `also` is said after the arithmetic. */
export function judgeAmount(
  book: Book,
  reading: Limited,
  asking: Asking,
  given: { measured: string; amount: number; silent?: Said; also?: readonly Said[] },
): Opinion {
  const { measured, amount } = given;
  const limits = limitsFor(book, reading, asking);
  // Whichever limit decides: past one that holds, it is held.
  const held = limits.find((each) => each.holds && meantFor(each, amount) && !keeps(each, amount));
  const judged = judgeEach(limits, amount, ({ limit, kept, verdict, why }) => {
    const note = kept ? [] : notes(limit, held);
    const sum = said('sentence', { said: comparison(limit, measured, amount, kept) });
    const because = [sum, ...note, ...why, ...(given.also ?? [])];
    return opinion({ verdict, said: because, holds: held?.holds }, againstLimit(limit, measured, amount));
  });
  if (judged) return judged;
  const [other] = limits;
  return notJudged(given.silent ?? (other ? otherPart(other) : said('no-limit')), { measured });
}
