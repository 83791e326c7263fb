import { VERDICTS, type Verdict } from '../limits';

/** Orders verdicts worst first, as findings are listed; `not-judged` comes last because it says nothing either way. */
export const compareVerdicts = (a: Verdict, b: Verdict): number => VERDICTS.indexOf(a) - VERDICTS.indexOf(b);

/** The verdict of several taken together. Nothing open may pass: with no fault found, one `not-judged` leaves all `not-judged`. */
export function worst(verdicts: readonly Verdict[]): Verdict {
  const first = [...verdicts].sort(compareVerdicts)[0] ?? 'not-judged';
  return first === 'within' && verdicts.includes('not-judged') ? 'not-judged' : first;
}

/** A trailer with this verdict may not be used until it is repaired. */
export const holds = (verdict: Verdict): boolean => verdict === 'out-of-service' || verdict === 'violation';
