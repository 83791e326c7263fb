import { decimalText, formatLength, lengthStyle, parseLength } from './length';
import { decimal, no, ok, type Parsed, plainText, scaled } from './parsed';
import { formatPressure, parsePressure, pressureUnit } from './pressure';
import { remembering } from './remembering';
import {
  formatTemperature,
  formatTemperatureApart,
  isTemperature,
  isTemperatureApart,
  parseTemperature,
  parseTemperatureApart,
  temperatureUnit,
} from './temperature';

export type Dimension = 'length' | 'pressure' | 'time' | 'temperature' | 'temperature difference';

/** Any figure a limit may name, in whole base units: nanometres, pascals, milliseconds or thousandths of a kelvin. */
export interface Amount {
  dimension: Dimension;
  value: number;
}

const TIME = /^(.*?)\s*(?:s|seconds?)$/i;

/** Reads a length, a pressure, a time (`45 s`), a temperature or a difference of two (`50 F°`), whichever it is. */
export function parseAmount(text: string): Parsed<Amount> {
  const plain = plainText(text);
  if (/(psi|bar|kpa)$/i.test(plain)) return of('pressure', parsePressure(plain));
  if (isTemperatureApart(plain)) return of('temperature difference', parseTemperatureApart(plain));
  if (isTemperature(plain)) return of('temperature', parseTemperature(plain));
  const time = TIME.exec(plain);
  if (!time || /inches$/i.test(plain)) return of('length', parseLength(plain, '32nds'));
  const value = decimal(time[1] ?? '');
  return value
    ? ok({ dimension: 'time', value: scaled(value, 1_000n) })
    : no(`“${text}” is not a time: write a time like 45 s`);
}

/** Reads what a gauge shows at a part: a length, which may be bare thirty-seconds, or a temperature. Base units as {@link Amount}. */
export const parseFigure = (text: string): Parsed<number> =>
  isTemperature(text.trimEnd()) ? parseTemperature(text) : parseLength(text, '32nds');

const of = (dimension: Dimension, parsed: Parsed<number>): Parsed<Amount> =>
  parsed.ok ? ok({ dimension, value: parsed.value }) : parsed;

/** How amounts are printed in the unit a text is written in. */
const printerLike = remembering((like): ((value: number) => string) => {
  const plain = plainText(like);
  if (/(psi|bar|kpa)$/i.test(plain)) {
    const unit = pressureUnit(plain);
    return (value) => formatPressure(value, unit);
  }
  if (TIME.test(plain) && !/inches$/i.test(plain)) return (value) => `${Math.round(value / 100) / 10} s`;
  if (isTemperatureApart(plain)) return apartLike(plain);
  if (isTemperature(plain)) {
    const unit = temperatureUnit(plain);
    return (value) => formatTemperature(value, unit);
  }
  const style = lengthStyle(plain);
  return (value) => formatLength(value, style);
});

const apartLike = (like: string) => (value: number) => formatTemperatureApart(value, temperatureUnit(like));

const DECIMALS = /^(-?\d+\.\d{3,})( (?:mm|in))$/;

/** A written margin for people: decimals of a length to the hundredth of a millimetre, the thousandth of an inch. */
export function forPeople(text: string): string {
  const found = DECIMALS.exec(text);
  if (!found) return text;
  const [, digits = '', unit = ''] = found;
  return `${decimalText(Number(digits), unit === ' mm' ? 2 : 3)}${unit}`;
}

/** Prints a signed amount in the unit another one is written in. */
export const formatLike = (value: number, like: string): string =>
  value < 0 ? `-${printerLike(like)(-value)}` : printerLike(like)(value);

/** Prints how far two amounts are apart, signed, in the unit another one is written in: between `250 °F` and more lie `F°`. */
export function formatApart(value: number, like: string): string {
  const plain = plainText(like);
  if (!isTemperature(plain)) return formatLike(value, like);
  return value < 0 ? `-${apartLike(plain)(-value)}` : apartLike(plain)(value);
}
