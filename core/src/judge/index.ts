/** Readings in, findings out: one file per kind of reading, the brake count, and the verdict of a unit. */

export { absentFindings, allFindings, readFindings } from './absent';
export { isLeakTest, leakRate } from './air-test';
export { countBrakes, defectiveOf, outOfServiceAt } from './brake-count';
export { type Doubt, doubtOf } from './doubt';
export {
  type BrakeCount,
  brakeCountSchema,
  type Finding,
  findingSchema,
  type JudgeAnswer,
  type Judgement,
  judgeAnswerSchema,
  judgementSchema,
  type KeptFinding,
  keptFinding,
  type SpokenFinding,
  type SpokenJudgeAnswer,
  type SpokenJudgement,
  type UnitJudgement,
} from './finding';
export { findingKey } from './findings';
export { atTemperature } from './inflation';
export { type Judging, judge } from './judge';
export type { Opinion } from './opinion';
export { type JudgeRequest, judgeRequestSchema, keptJudgeRequestSchema, type UnitReading } from './request';
export { judgeReading } from './rules';
export { SAMPLE as JUDGE_SAMPLE } from './sample';
export { unsound } from './sound';
export { reservoirSays } from './stroke';
export { compareVerdicts, holds, VERDICT_WORDS, verdictSentence, verdictWords, worst } from './verdict';
export { longestRun } from './wheel-nuts';
export { findingWords, keyWords } from './words';
