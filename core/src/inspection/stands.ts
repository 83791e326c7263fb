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
  /** When it is said to have been taken, in milliseconds. */
  at: number;
}

/** One that comes in now: whether its time is known to be right, and the reading it corrects. */
export interface NewClaim extends Claim {
  sure: boolean;
  corrects?: string | undefined;
}

/** The worse a verdict, the lower: what is open is worse than a pass. */
const rank = (verdict: Verdict): number =>
  verdict === 'not-judged' ? VERDICTS.indexOf('within') - 0.5 : VERDICTS.indexOf(verdict);

/**
 * Which of two readings of a place stands: the later one; a correction in place of what it corrects alone. Where a
 * device's clock leaves doubt which is the later, the worse stands, and somebody should look again.
 */
export function whichStands(old: Claim, fresh: NewClaim): { fresh: boolean; doubtful: boolean } {
  if (fresh.corrects !== undefined) return { fresh: old.id === fresh.corrects, doubtful: false };
  if (fresh.at >= old.at) return { fresh: true, doubtful: false };
  if (fresh.sure) return { fresh: false, doubtful: false };
  return { fresh: rank(fresh.verdict) < rank(old.verdict), doubtful: true };
}
