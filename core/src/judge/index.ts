/** Readings in, findings out: one file per kind of reading, the brake count, and the verdict of a unit. */
export { countBrakes, defectiveOf, outOfServiceAt } from './brake-count';
export { findingKey, judge, judgeReading } from './judge';
export type { Opinion } from './opinion';
export { SAMPLE as JUDGE_SAMPLE } from './sample';
export { chamberWords } from './stroke';
export { compareVerdicts, holds, worst } from './verdict';
