import { z } from 'zod';
import { formatDistance, parseDistance } from './distance';
import { formatLength, lengthStyle, parseLength } from './length';
import { formatPressure, parsePressure } from './pressure';
import { formatTemperature, formatTemperatureApart, parseTemperature, parseTemperatureApart } from './temperature';

/** The units a person reads and writes in. A stored reading keeps what was typed, whatever these are. */
export const displayUnitsSchema = z.strictObject({
  length: z.enum(['in', 'mm']),
  pressure: z.enum(['psi', 'bar', 'kPa']),
  distance: z.enum(['mi', 'km']),
  temperature: z.enum(['°C', '°F']),
});
export type DisplayUnits = z.infer<typeof displayUnitsSchema>;

export const INCH_UNITS: DisplayUnits = { length: 'in', pressure: 'psi', distance: 'mi', temperature: '°F' };
export const METRIC_UNITS: DisplayUnits = { length: 'mm', pressure: 'bar', distance: 'km', temperature: '°C' };

const MM = /mm$|met(re|er)s?$/i;

function converted(text: string, units: DisplayUnits): string | null {
  const sign = text.startsWith('-') ? '-' : '';
  const plain = text.slice(sign.length);
  const pressure = parsePressure(plain);
  if (pressure.ok) return sign + formatPressure(pressure.value, units.pressure);
  const distance = parseDistance(plain);
  if (distance.ok) return sign + formatDistance(distance.value, units.distance);
  const length = parseLength(plain, '32nds');
  if (length.ok) {
    const style = units.length === 'mm' ? 'mm' : MM.test(plain.trim()) ? 'inch' : lengthStyle(plain);
    if (units.length === 'in' && !MM.test(plain.trim())) return text;
    return sign + formatLength(length.value, style);
  }
  const apart = parseTemperatureApart(plain);
  if (apart.ok) return sign + formatTemperatureApart(apart.value, units.temperature);
  const temperature = parseTemperature(text);
  return temperature.ok ? formatTemperature(temperature.value, units.temperature) : null;
}

/** A written quantity in a person's own units; as it was written when it is none, or in them already. */
export function inUnits(text: string, units: DisplayUnits): string {
  const shown = converted(text, units);
  if (shown === null) return text;
  const same = (a: string) => a.replace(/[^a-z°"]/gi, '').toLowerCase();
  return same(shown) === same(text) ? text : shown;
}

/** The same, with what was written beside it where that differs: `50.8 mm (2 in)`. */
export const inBoth = (text: string, units: DisplayUnits): string => {
  const shown = inUnits(text, units);
  return shown === text ? text : `${shown} (${text})`;
};

/** A length, a pressure, a distance or a temperature inside of a sentence; “in” is a word where one like “a” or “the” follows it. */
const QUANTITY =
  /(?<![\d/.,-])(?:\d+ \d+\/\d+|\d+\/\d+|\d+(?:\.\d+)?) ?(?:in\b(?! (?:a|an|the|this|each|any|one|all|place|order|use|total|\d+)\b)|(?:mm|psi|bar|kPa|mi|km)\b(?!\/)|°[CF]\b|[CF]°)/g;

/** A sentence with each quantity in it in a person's own units, what was written beside it. */
export const wordsInUnits = (sentence: string, units: DisplayUnits): string =>
  sentence.replace(QUANTITY, (quantity) => inBoth(quantity, units));
