/** Running gear, positions and the routes through them. */
export * from './gear';
export { comparePositions, type Position, parsePosition, positionCode } from './position';
export {
  expectedAt,
  expectedReadings,
  isMeasuredKind,
  MEASURED_KINDS,
  MEASURED_WORDS,
  type MeasuredKind,
  measuringRoute,
  type Step,
  stepKey,
} from './route';
