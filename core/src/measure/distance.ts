import { decimal, must, no, ok, type Parsed, plainText, scaled } from './parsed';

/** A distance on the road in whole metres. */
export type Metres = number;
export type DistanceUnit = 'km' | 'mi';

const EXPECTED = 'write a distance like 48 210 km or 29,950 mi';
const METRES: Record<DistanceUnit, readonly [bigint, bigint]> = { km: [1_000n, 1n], mi: [1_609_344n, 1_000n] };

/** Reads an odometer or trip distance: `48 210 km`, `29,950 mi`, `12.4 km`. Thousands may be grouped by blanks or commas. */
export function parseDistance(text: string): Parsed<Metres> {
  const found = /^(.*?)\s*(km|mi)$/i.exec(plainText(text));
  const digits = found?.[1] ?? '';
  const grouped = /^\d{1,3}(?:[ ,]\d{3})+(?:\.\d+)?$/.test(digits) ? digits.replace(/[ ,]/g, '') : digits;
  const value = decimal(grouped);
  if (!found || !value) return no(`“${text}” is not a distance: ${EXPECTED}`);
  return ok(scaled(value, ...METRES[/km$/i.test(plainText(text)) ? 'km' : 'mi']));
}

/** What a meter reads after so much more, in the unit it was read in. Both texts are distances. */
export function readsAfter(reads: string, more: string): string {
  const unit: DistanceUnit = /mi$/i.test(plainText(reads)) ? 'mi' : 'km';
  return formatDistance(must(parseDistance(reads)) + must(parseDistance(more)), unit);
}

/** Prints a distance in whole kilometres or miles, thousands grouped. */
export function formatDistance(metres: Metres, unit: DistanceUnit): string {
  const [numerator, denominator] = METRES[unit];
  const whole = Math.round((metres * Number(denominator)) / Number(numerator));
  return `${String(whole).replace(/\B(?=(\d{3})+$)/g, unit === 'km' ? ' ' : ',')} ${unit}`;
}
