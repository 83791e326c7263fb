/** Running gear, positions, steps and the routes through them. */
export * from './gear';
export {
  comparePositions,
  type Place,
  type Position,
  parsePosition,
  placeCode,
  placeWords,
  positionCode,
} from './position';
export {
  type Asked,
  endSteps,
  isDriversWalk,
  measuresAll,
  measuringRoute,
  ROUTES,
  type Route,
  routeSchema,
  routeSteps,
  routesFor,
  type Section,
  WALK_WORDS,
  WALKS,
} from './route';
export {
  AIR_TEST_WORDS,
  AIR_TESTS,
  type AirTest,
  BENCH_KINDS,
  expectedAt,
  expectedReadings,
  isMeasuredKind,
  isStepKind,
  KIND_WORDS,
  MEASURED_KINDS,
  type MeasuredKind,
  type MeasuredStep,
  STEP_KINDS,
  type Step,
  type StepKind,
  stepKey,
} from './step';
