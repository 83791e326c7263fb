/** Readings in, findings out: one file per kind of reading, the brake count, and the verdict of a unit. */

export { isLeakTest, leakRate } from './air-test';
export { countBrakes, defectiveOf, outOfServiceAt } from './brake-count';
export { atTemperature } from './inflation';
export { findingKey, type Judging, judge, judgeReading, stepWords } from './judge';
export type { Opinion } from './opinion';
export { SAMPLE as JUDGE_SAMPLE } from './sample';
export { chamberWords } from './stroke';
export { compareVerdicts, holds, worst } from './verdict';
export { longestRun } from './wheel-nuts';
