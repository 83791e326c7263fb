import { formatLength, type MeasuredKind, parseLength } from '@zealous-axle/core';
import { type PadUnit, writtenLength } from '../../data/draft';

const NM_32ND = 793_750;

/** Whole inches a kind of reading can have, and the one it most often has. */
export const WHOLES: Partial<Record<MeasuredKind, { keys: readonly number[]; usual: number }>> = {
  'stroke-applied': { keys: [0, 1, 2, 3], usual: 1 },
  lining: { keys: [0, 1], usual: 0 },
};

/** The sixteenths as fraction keys, reduced: `1/16`, `1/8`, … `15/16`. */
export const SIXTEENTHS: readonly string[] = Array.from({ length: 15 }, (_, index) =>
  formatLength((index + 1) * 2 * NM_32ND, 'fraction').replace(' in', ''),
);

/** Tread keys in thirty-seconds. */
export const THIRTY_SECONDS: readonly number[] = Array.from({ length: 25 }, (_, count) => count);

const split = (typed: string): { whole: number | null; fraction: string | null } => {
  const found = /^(?:(\d+))?(?:[ -])?(\d+\/\d+)?$/.exec(typed.trim());
  return { whole: found?.[1] ? Number(found[1]) : null, fraction: found?.[2] ?? null };
};

/** The whole inches in what is typed; the usual ones before anything is. */
export const wholeOf = (kind: MeasuredKind, typed: string): number => {
  const { whole, fraction } = split(typed);
  if (whole !== null) return whole;
  return fraction ? 0 : (WHOLES[kind]?.usual ?? 0);
};
export const fractionOf = (typed: string): string | null => split(typed).fraction;

const join = (whole: number, fraction: string | null): string =>
  fraction === null ? String(whole) : whole === 0 ? fraction : `${whole} ${fraction}`;

export const pressWhole = (typed: string, whole: number): string => join(whole, fractionOf(typed));
/** A fraction key; pressed again it takes the fraction back. */
export const pressFraction = (kind: MeasuredKind, typed: string, fraction: string): string =>
  join(wholeOf(kind, typed), fractionOf(typed) === fraction ? null : fraction);

/** One thirty-second more than what is typed, for the line between two sixteenths. */
export function pressHalfStep(kind: MeasuredKind, typed: string, padUnit: PadUnit): string {
  const parsed = parseLength(writtenLength(kind, typed || String(wholeOf(kind, '')), padUnit), 'none');
  return parsed.ok ? formatLength(parsed.value + NM_32ND, 'fraction').replace(' in', '') : typed;
}

/** A digit, point or backspace on the number keys. */
export function pressDigit(typed: string, key: string): string {
  if (key === '⌫') return typed.slice(0, -1);
  if (key === '.' && typed.includes('.')) return typed;
  return typed.length < 9 ? typed + key : typed;
}
