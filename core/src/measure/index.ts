/** Quantities: what a person writes, exact whole numbers inside, and print it back. */

export { type Amount, type Dimension, formatApart, formatLike, forPeople, parseAmount, parseFigure } from './amount';
export { parseClearance } from './clearance';
export { countText } from './count';
export { type Day, dayAfter, dayIn, daysBetween, lastDayAfter } from './day';
export {
  type DisplayUnits,
  displayUnitsSchema,
  INCH_UNITS,
  inBoth,
  inUnits,
  METRIC_UNITS,
  wordsInUnits,
} from './display';
export { type DistanceUnit, formatDistance, type Metres, parseDistance, readsAfter } from './distance';
export {
  type BareLength,
  formatLength,
  type LengthStyle,
  lengthStyle,
  type Nanometres,
  NM_PER_INCH,
  NM_PER_MM,
  parseLength,
  thinnest,
} from './length';
export { must, no, ok, type Parsed } from './parsed';
export {
  formatPressure,
  type Pascals,
  type PressureUnit,
  parsePressure,
  pressurePart,
  pressureStep,
  pressureUnit,
} from './pressure';
export {
  formatTemperature,
  formatTemperatureApart,
  type Millikelvin,
  parseTemperature,
  type TemperatureUnit,
  temperatureUnit,
} from './temperature';
export {
  clearanceText,
  dayText,
  decimalText,
  distanceText,
  lengthText,
  pressureText,
  temperatureText,
  treadText,
  weightText,
  wordsText,
} from './text';
export { parseWeight, type Weight, type WeightUnit } from './weight';
