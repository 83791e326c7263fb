import { decimal, no, ok, type Parsed, plainText, scaled } from './parsed';

/** A weight in whole hundredths of a milligram: a pound is exactly 45 359 237 of them. */
export type Weight = number;
export type WeightUnit = 'kg' | 'lb';

const EXPECTED = 'write a weight like 80,000 lb or 36 300 kg';
const OF_A: Record<WeightUnit, bigint> = { kg: 100_000_000n, lb: 45_359_237n };
const UNIT = /^(.*?)\s*(kg|lbs?|pounds?)$/i;

/** Reads a weight: `80,000 lb`, `36 300 kg`. Thousands may be grouped by blanks or commas. */
export function parseWeight(text: string): Parsed<Weight> {
  const [, digits = '', unit = ''] = UNIT.exec(plainText(text)) ?? [];
  const grouped = /^\d{1,3}(?:[ ,]\d{3})+(?:\.\d+)?$/.test(digits) ? digits.replace(/[ ,]/g, '') : digits;
  const value = unit ? decimal(grouped) : null;
  return value
    ? ok(scaled(value, OF_A[/^kg$/i.test(unit) ? 'kg' : 'lb']))
    : no(`“${text}” is not a weight: ${EXPECTED}`);
}
