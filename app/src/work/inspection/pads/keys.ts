import { formatLength, type PadUnit, parseLength } from '@zealous-axle/core';
import { writtenLength } from '../written';

const NM_32ND = 793_750;

/** From the chamber face to the pin, which is longer than any stroke. */
export const DISTANCE_WHOLES = { keys: [1, 2, 3, 4, 5], usual: 2 } as const;

/** The sixteenths as fraction keys, reduced: `1/16`, `1/8`, … `15/16`. */
export const SIXTEENTHS: readonly string[] = Array.from({ length: 15 }, (_, index) =>
  formatLength((index + 1) * 2 * NM_32ND, 'fraction').replace(' in', ''),
);

/** Tread keys in thirty-seconds. */
export const THIRTY_SECONDS: readonly number[] = Array.from({ length: 25 }, (_, count) => count);

/** Small plays in thousandths of an inch, as a dial shows them; what is more is typed. */
export const THOUSANDTHS: readonly string[] = Array.from({ length: 10 }, (_, count) => `0.00${count}`);

const split = (typed: string): { whole: number | null; fraction: string | null } => {
  const found = /^(?:(\d+))?(?:[ -])?(\d+\/\d+)?$/.exec(typed.trim());
  return { whole: found?.[1] ? Number(found[1]) : null, fraction: found?.[2] ?? null };
};

/** The whole inches in what is typed; the usual ones before anything is. */
export function wholeOf(usual: number, typed: string): number {
  const { whole, fraction } = split(typed);
  if (whole !== null) return whole;
  return fraction ? 0 : usual;
}
export const fractionOf = (typed: string): string | null => split(typed).fraction;

const join = (whole: number, fraction: string | null): string =>
  fraction === null ? String(whole) : whole === 0 ? fraction : `${whole} ${fraction}`;

export const pressWhole = (typed: string, whole: number): string => join(whole, fractionOf(typed));

/** A fraction key; pressed again it takes the fraction back. */
export const pressFraction = (usual: number, typed: string, fraction: string): string =>
  join(wholeOf(usual, typed), fractionOf(typed) === fraction ? null : fraction);

/** One thirty-second more than what is typed, for the line between two sixteenths. */
export function pressHalfStep(usual: number, typed: string, padUnit: PadUnit): string {
  const parsed = parseLength(writtenLength('fraction', typed || String(wholeOf(usual, '')), padUnit), 'none');
  return parsed.ok ? formatLength(parsed.value + NM_32ND, 'fraction').replace(' in', '') : typed;
}

/** The eighths a tape shows: `1/8`, `1/4`, … `7/8`. */
export const EIGHTHS: readonly string[] = SIXTEENTHS.filter((_, index) => index % 2 === 1);

/** A digit or backspace before the fraction of a tape's inches: `4`, `41`, `41 1/4`. */
export function pressTape(typed: string, key: string): string {
  const { whole, fraction } = split(typed);
  const digits = pressDigit(whole === null ? '' : String(whole), key).replace(/\D/g, '');
  if (key === '⌫' && fraction) return whole === null ? '' : String(whole);
  return digits === '' ? (fraction ?? '') : join(Number(digits), fraction);
}

/** A fraction key of the tape; pressed again it takes the fraction back. */
export function pressEighth(typed: string, eighth: string): string {
  const { whole, fraction } = split(typed);
  if (fraction === eighth) return whole === null ? '' : String(whole);
  return whole === null ? eighth : join(whole, eighth);
}

/** A digit, point, sign or backspace on the number keys. */
export function pressDigit(typed: string, key: string): string {
  if (key === '⌫') return typed.slice(0, -1);
  if (key === '±') return typed.startsWith('-') ? typed.slice(1) : `-${typed}`;
  if (key === '.' && typed.includes('.')) return typed;
  return typed.length < 9 ? typed + key : typed;
}
