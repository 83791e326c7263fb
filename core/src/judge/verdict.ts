import { type Book, VERDICTS, type Verdict } from '../limits';

/** A verdict's place among them, the worst at 0. */
export const VERDICT_RANK = Object.fromEntries(VERDICTS.map((verdict, index) => [verdict, index])) as Record<
  Verdict,
  number
>;

/** Orders verdicts worst first, as findings are listed; `not-judged` comes last because it says nothing either way. */
export const compareVerdicts = (a: Verdict, b: Verdict): number => VERDICT_RANK[a] - VERDICT_RANK[b];

/** The verdict of several taken together. Nothing open may pass: with no fault found, one `not-judged` leaves all `not-judged`. */
export function worst(verdicts: readonly Verdict[]): Verdict {
  let first: Verdict = 'not-judged';
  let open = false;
  for (const each of verdicts) {
    if (each === 'not-judged') open = true;
    if (compareVerdicts(each, first) < 0) first = each;
  }
  return first === 'within' && open ? 'not-judged' : first;
}

/** A trailer with this verdict may not be used until it is repaired. */
export const holds = (verdict: Verdict): boolean => verdict === 'out-of-service' || verdict === 'violation';

/** A verdict in the program's own words. Never “safe”. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  'out-of-service': 'Out of service',
  violation: 'Violation',
  'shop-limit': 'Shop limit',
  within: 'Within limits',
  'not-judged': 'No verdict',
};

/** A verdict as a book calls it. */
export const verdictWords = (book: Pick<Book, 'words'>, verdict: Verdict): string =>
  book.words.verdicts[verdict] ?? VERDICT_WORDS[verdict];

const SENTENCES: Record<Verdict, string> = {
  'out-of-service': 'Meets an out-of-service criterion. The unit is on hold.',
  violation: 'Past an in-service limit. Repair before it is used; it fails the periodic inspection.',
  'shop-limit': 'Past a limit of the shop or the maker; no reading is past a legal limit.',
  within: 'Everything asked for was measured, and every reading is within its limits.',
  'not-judged': 'Nothing found past a limit, but not everything has a verdict. This is not a pass.',
};

/** What a judgement means for its unit, in a sentence or two; what is open is said with a verdict that others could think better of. */
export const verdictSentence = ({ verdict, complete }: { verdict: Verdict; complete: boolean }): string =>
  verdict === 'shop-limit' && !complete
    ? `${SENTENCES['shop-limit']} Not everything has a verdict.`
    : SENTENCES[verdict];
