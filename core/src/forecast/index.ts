/** What is foreseen: a part's life at a place, how fast it wears, and when it reaches a limit. */
export { type Bundle, type BundleFacts, bundlesFor, type Declined, nextVisitOf } from './bundle';
export { FORECAST_COMMANDS } from './commands';
export { isWearing, type Life, livesAt, type Point, wearsDown, wornTo } from './lives';
export { type MeterAt, metresAt, metresPerDay } from './meter';
export { type Due, type Week, weeksAhead } from './needs';
export {
  enough,
  type ForecastState,
  type Foreseen,
  foresee,
  type LimitReached,
  type Reach,
  type Whose,
} from './position';
export { FORECAST, WEARING, type WearingKind } from './settings';
export { aheadOf, reaches, type Slope, slopeOf, valueAt } from './slope';
export {
  forecastOf,
  type PositionForecast,
  type TakenReading,
  type UnitFacts,
  type UnitForecast,
  type WearFinding,
} from './unit';
export {
  type ForecastPage,
  type ForecastRow,
  forecastAskedSchema,
  forecastPageSchema,
  type PositionView,
  type UnitForecastView,
  unitForecastSchema,
  type WeeksAhead,
  type WhileThere,
  weeksAheadSchema,
  whileThereSchema,
} from './views';
