/** What can be read: the kinds, where each is taken, and how a reading is named. */
export { isKeyOf, keyOf, parseKey, parseSubject, type ReadingKey, readingKey, subjectOf } from './key';
export type { AskedFor, Contradiction, Kind, TakenAt } from './kind';
export {
  comparisonOf,
  isMeasuredKind,
  isReadingKind,
  isStepKind,
  KINDS,
  kindAs,
  MEASURED_KINDS,
  type MeasuredKind,
  partRead,
  READING_KINDS,
  type Reading,
  type ReadingKind,
  type ReadingOf,
  readingSchema,
  STEP_KINDS,
  type StepKind,
} from './kinds';
export { AIR_TEST_WORDS, AIR_TESTS, type AirTest, isAirTest, VEHICLES } from './kinds/air-test';
export { codeText, foundCodes, LAMP_WORDS, LAMPS, lampsWords } from './kinds/check';
export {
  goodHub,
  HUB_CONDITIONS,
  HUB_HEATS,
  HUB_LEAKS,
  HUB_LEVELS,
  type HubNotes,
  hubWords,
} from './kinds/hub-oil';
export { STROKE_METHODS } from './kinds/stroke-applied';
export { WEAR_MARKS } from './kinds/tread';
export {
  BENCH_KINDS,
  chockedBy,
  chockedWords,
  contradiction,
  goodReading,
  implausible,
  isByEye,
  isChocked,
  judgedFigure,
  outOfRange,
  readingItem,
  readingPlace,
  readingText,
  saidChocked,
} from './reading';
export {
  expectedAt,
  expectedReadings,
  fitsEnd,
  type MeasuredStep,
  missingSteps,
  type Step,
  stepSchema,
  tyresAsked,
} from './step';
export { defectWords, subjectWords } from './words';
