import type { Finding, JudgeAnswer, Judgement, SpokenFinding, SpokenJudgeAnswer, SpokenJudgement } from '../judge';
import { sentences } from './words';

/** A finding as it leaves the program: beside its codes their words, for whoever does not know them. */
export const spokenFinding = (finding: Finding): SpokenFinding => ({ ...finding, because: sentences(finding.said) });

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
