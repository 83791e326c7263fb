import type { Opinion } from '../judge';
import { worst } from '../judge';
import { VERDICTS, type Verdict } from '../limits';

/** The verdict a reading stands with: what stays open of it is no pass. */
export const standingVerdict = ({ verdict, open }: Opinion): Verdict =>
  worst(open ? [verdict, 'not-judged'] : [verdict]);

/** A reading of a place beside another of it. */
export interface Claim {
  id: string;
  verdict: Verdict;
  /** Between which moments it was taken, in milliseconds; one and the same where that is known. */
  from: number;
  until: number;
}

/** One that comes in now, and the reading it corrects. */
export interface NewClaim extends Claim {
  corrects?: string | undefined;
}

/** The worse a verdict, the lower: what is open is worse than a pass. */
const rank = (verdict: Verdict): number =>
  verdict === 'not-judged' ? VERDICTS.indexOf('within') - 0.5 : VERDICTS.indexOf(verdict);

/**
 * Which of two readings of a place stands: the later one; a correction in place of what it corrects alone. Where it is not
 * known which is the later, the worse stands, whatever dates they name, and somebody should look again.
 */
export function whichStands(old: Claim, fresh: NewClaim): { fresh: boolean; doubtful: boolean } {
  if (fresh.corrects !== undefined) return { fresh: old.id === fresh.corrects, doubtful: false };
  if (fresh.from >= old.until) return { fresh: true, doubtful: false };
  if (old.from > fresh.until) return { fresh: false, doubtful: false };
  return { fresh: rank(fresh.verdict) < rank(old.verdict), doubtful: true };
}
