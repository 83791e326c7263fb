/** Quantities: what a person writes, exact whole numbers inside, and print it back. */

export { type DistanceUnit, formatDistance, type Metres, parseDistance } from './distance';
export {
  type BareLength,
  formatLength,
  type LengthStyle,
  lengthStyle,
  type Nanometres,
  NM_PER_INCH,
  NM_PER_MM,
  parseLength,
} from './length';
export { must, type Parsed } from './parsed';
export { formatPressure, type Pascals, type PressureUnit, parsePressure, pressureUnit } from './pressure';
