import { decimal, no, ok, type Parsed, plainText, scaled } from './parsed';

/** A temperature in whole thousandths of a kelvin. */
export type Millikelvin = number;
export type TemperatureUnit = '°C' | '°F';

const EXPECTED = 'write a temperature like 41 °C or 105 °F';
const ZERO_C = 273_150;
const ZERO_F = 459_670;

/** Reads a temperature: `41 °C`, `-5 C`, `105 °F`. */
export function parseTemperature(text: string): Parsed<Millikelvin> {
  const found = /^(-?)\s*(.*?)\s*°?\s*([CF])$/i.exec(plainText(text));
  const value = found ? decimal(found[2] ?? '') : null;
  if (!found || !value) return no(`“${text}” is not a temperature: ${EXPECTED}`);
  const thousandths = scaled(value, 1_000n) * (found[1] ? -1 : 1);
  const kelvin = found[3]?.toUpperCase() === 'C' ? thousandths + ZERO_C : Math.round(((thousandths + ZERO_F) * 5) / 9);
  return kelvin > 0 ? ok(kelvin) : no(`“${text}” is colder than anything can be: ${EXPECTED}`);
}

/** Prints a temperature in whole degrees. */
export function formatTemperature(kelvin: Millikelvin, unit: TemperatureUnit): string {
  const thousandths = unit === '°C' ? kelvin - ZERO_C : (kelvin * 9) / 5 - ZERO_F;
  return `${Math.round(thousandths / 1_000)} ${unit}`;
}

export const temperatureUnit = (text: string): TemperatureUnit => (/F\s*$/i.test(text) ? '°F' : '°C');
