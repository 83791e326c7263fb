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
  return kelvin > 0 ? ok(kelvin) : no(`“${text}” is below absolute zero: ${EXPECTED}`);
}

/** Prints a temperature in whole degrees. */
export function formatTemperature(kelvin: Millikelvin, unit: TemperatureUnit): string {
  const thousandths = unit === '°C' ? kelvin - ZERO_C : (kelvin * 9) / 5 - ZERO_F;
  return `${Math.round(thousandths / 1_000)} ${unit}`;
}

/** How far apart two temperatures are: `50 F°`, where `50 °F` is one. */
const APART = /^(.*?)\s*([CF])\s*°$/i;
export const isTemperature = (plain: string): boolean => /[CF]\s*°?$/i.test(plain);
export const isTemperatureApart = (plain: string): boolean => APART.test(plain);

/** Reads how far apart two temperatures are, in thousandths of a kelvin: `50 F°`, `28 C°`. */
export function parseTemperatureApart(text: string): Parsed<Millikelvin> {
  const found = APART.exec(plainText(text));
  const value = found ? decimal(found[1] ?? '') : null;
  if (!found || !value) return no(`“${text}” is no difference of temperatures: write one like 50 F° or 28 C°`);
  const thousandths = scaled(value, 1_000n);
  return ok(found[2]?.toUpperCase() === 'C' ? thousandths : Math.round((thousandths * 5) / 9));
}

/** Prints how far apart two temperatures are, to the tenth of a degree. */
export function formatTemperatureApart(kelvin: Millikelvin, unit: TemperatureUnit): string {
  const degrees = unit === '°C' ? kelvin / 1_000 : (kelvin * 9) / 5_000;
  return `${Math.round(degrees * 10) / 10} ${unit === '°C' ? 'C°' : 'F°'}`;
}

export const temperatureUnit = (text: string): TemperatureUnit => (/F\s*°?\s*$/i.test(text) ? '°F' : '°C');
