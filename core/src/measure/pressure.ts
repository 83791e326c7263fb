import { decimalText } from './length';
import { decimal, no, ok, type Parsed, plainText, scaled } from './parsed';

/** A gauge pressure in whole pascals, computed once from what was typed. */
export type Pascals = number;
export type PressureUnit = 'psi' | 'bar' | 'kPa';

const EXPECTED = 'write a pressure like 95 psi, 6.5 bar or 655 kPa';
/** Pascals per unit as [numerator, denominator]; 1 psi = 6,894.757 Pa. */
const PASCALS: Record<PressureUnit, readonly [bigint, bigint]> = {
  psi: [6_894_757n, 1_000n],
  bar: [100_000n, 1n],
  kPa: [1_000n, 1n],
};

/** Reads a pressure as a person writes it: `95 psi`, `6.5 bar`, `655 kPa`. */
export function parsePressure(text: string): Parsed<Pascals> {
  const found = /^(.*?)\s*(psi|bar|kpa)$/i.exec(plainText(text));
  const value = found ? decimal(found[1] ?? '') : null;
  if (!found || !value) return no(`“${text}” is not a pressure: ${EXPECTED}`);
  const [numerator, denominator] = PASCALS[pressureUnit(text)];
  return ok(scaled(value, numerator, denominator));
}

/** The unit a written pressure ends in; psi when it ends in none. */
export function pressureUnit(text: string): PressureUnit {
  const plain = plainText(text).toLowerCase();
  if (plain.endsWith('bar')) return 'bar';
  return plain.endsWith('kpa') ? 'kPa' : 'psi';
}

/** Prints a pressure with at most one decimal of psi, two of bar, none of kPa. */
export function formatPressure(pascals: Pascals, unit: PressureUnit): string {
  const [numerator, denominator] = PASCALS[unit];
  const value = (pascals * Number(denominator)) / Number(numerator);
  return `${decimalText(value, unit === 'psi' ? 1 : unit === 'bar' ? 2 : 0)} ${unit}`;
}
