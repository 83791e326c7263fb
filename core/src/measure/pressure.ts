import { decimalText } from './length';
import { decimal, no, ok, type Parsed, plainText, scaled, tooFine } from './parsed';
import { remembering } from './remembering';

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
export const parsePressure: (text: string) => Parsed<Pascals> = remembering((text) => {
  const found = /^(.*?)\s*(psi|bar|kpa)$/i.exec(plainText(text));
  const value = found ? decimal(found[1] ?? '') : null;
  if (!found || !value) return no(`${tooFine(found?.[1] ?? '') ?? `“${text}” is not a pressure`}: ${EXPECTED}`);
  const [numerator, denominator] = PASCALS[pressureUnit(text)];
  return ok(scaled(value, numerator, denominator));
});

/** The unit a written pressure ends in; psi when it ends in none. */
export const pressureUnit: (text: string) => PressureUnit = remembering((text) => {
  const plain = plainText(text).toLowerCase();
  if (plain.endsWith('bar')) return 'bar';
  return plain.endsWith('kpa') ? 'kPa' : 'psi';
});

/** Prints a pressure with at most one decimal of psi, two of bar, none of kPa. */
export function formatPressure(pascals: Pascals, unit: PressureUnit): string {
  const [numerator, denominator] = PASCALS[unit];
  const value = (pascals * Number(denominator)) / Number(numerator);
  return `${decimalText(value, unit === 'psi' ? 1 : unit === 'bar' ? 2 : 0)} ${unit}`;
}

const PART_PLACES = 4;

/** A share of a written pressure, in its own unit and to four decimals of it: half of `110 psi` is `55 psi`. */
export function pressurePart(text: string, [top, bottom]: readonly [number, number]): string {
  const digits = scaled(parts(text), BigInt(top) * 10n ** BigInt(PART_PLACES), BigInt(bottom));
  return `${decimalText(digits / 10 ** PART_PLACES, PART_PLACES)} ${pressureUnit(text)}`;
}

const parts = (text: string) => {
  const found = /^(.*?)\s*(psi|bar|kpa)$/i.exec(plainText(text));
  const value = found ? decimal(found[1] ?? '') : null;
  if (!value) throw new RangeError(`“${text}” is not a pressure: ${EXPECTED}`);
  return value;
};

/**
 * The pressure from `less` up to `more`, times `per` over `over`, in pascals: negative when `less` is the greater.
 * Two pressures in one unit are subtracted as typed, so that a drop of 3 psi is what 3 psi is.
 */
export function pressureStep(more: string, less: string, per = 1, over = 1): number {
  const unit = pressureUnit(more);
  const [numerator, denominator] = PASCALS[unit];
  const turned = (digits: bigint, scale: number): number => {
    const size = scaled(
      { digits: digits < 0n ? -digits : digits, scale },
      numerator * BigInt(per),
      denominator * BigInt(over),
    );
    return digits < 0n ? -size : size;
  };
  if (unit === pressureUnit(less)) {
    const [a, b] = [parts(more), parts(less)];
    const scale = Math.max(a.scale, b.scale);
    const at = ({ digits, scale: own }: { digits: bigint; scale: number }) => digits * 10n ** BigInt(scale - own);
    return turned(at(a) - at(b), scale);
  }
  const apart = scaled(parts(more), numerator, denominator) - scaled(parts(less), ...PASCALS[pressureUnit(less)]);
  return Math.round((apart * per) / over);
}
