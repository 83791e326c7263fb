import type { Finding, JudgeAnswer, Judgement, SpokenFinding, SpokenJudgeAnswer, SpokenJudgement } from '../judge';
import type { Said } from '../said';
import { sentences } from './words';

/** Whatever says why as data, as it leaves the program: its words beside it, for whoever does not know the codes. */
export const spokenWith = <T extends { said: readonly Said[] }>(told: T): T & { because: string } => ({
  ...told,
  because: sentences(told.said),
});

/** A finding as it leaves the program. */
export const spokenFinding = (finding: Finding): SpokenFinding => spokenWith(finding);

/** What the judge answers, as it leaves the program. */
export const spoken = (answer: JudgeAnswer): SpokenJudgeAnswer => ({
  ...answer,
  findings: answer.findings.map(spokenFinding),
});

/** A kept judgement, as it leaves the program. */
export const spokenJudgement = (judgement: Judgement): SpokenJudgement => ({
  ...judgement,
  findings: judgement.findings.map(spokenFinding),
});
