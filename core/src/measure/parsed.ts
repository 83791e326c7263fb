/** What reading a written quantity gives: the value, or one sentence saying what was expected. */
export type Parsed<T> = { ok: true; value: T } | { ok: false; message: string };

export const ok = <T>(value: T): Parsed<T> => ({ ok: true, value });
export const no = (message: string): Parsed<never> => ({ ok: false, message });

/** The value, or a thrown RangeError: for our own data, where a bad quantity is a defect of the data. */
export function must<T>(parsed: Parsed<T>): T {
  if (!parsed.ok) throw new RangeError(parsed.message);
  return parsed.value;
}

const VULGAR = /[\u00bc-\u00be\u2150-\u215e]/g;
const RAISED = '\u2070\u00b9\u00b2\u00b3\u2074-\u2079';
const LOWERED = '\u2080-\u2089';
const SMALL_FRACTION = new RegExp(`([${RAISED}]+)[/\u2044\u2215]([${LOWERED}]+|\\d+)`, 'g');
const SMALL_DIGIT = new RegExp(`[${RAISED}${LOWERED}]`, 'g');
/** Stands for a sign that no quantity has. */
const STRANGE = '\u25a1';

/** Folds typographic variants (⅞, ¹⁄₁₆, ″, no-break space, minus-like dashes) into the plain signs the parsers read; a raised or lowered digit that is part of no fraction is none of them. */
export function plainText(text: string): string {
  return text
    .replace(/[\u2033\u201d\u201c]|''/g, '"')
    .replace(VULGAR, (sign) => ` ${sign}`)
    .replace(
      SMALL_FRACTION,
      (_, top: string, bottom: string) => ` ${top.normalize('NFKC')}/${bottom.normalize('NFKC')}`,
    )
    .replace(SMALL_DIGIT, STRANGE)
    .normalize('NFKC')
    .replace(/\u2044/g, '/')
    .replace(/[\u2010-\u2013]/g, '-')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Finest decimals a person may write. Six decimals of an inch are 25 nm: no limit stands closer to a reading than that. */
const MOST_DECIMALS = 6;

/** Why a number is no decimal we take although it looks like one; null when it does not. */
export const tooFine = (text: string): string | null =>
  /^\d{0,9}\.\d+$/.test(text) && !decimal(text) ? `“${text}” has more than ${MOST_DECIMALS} decimals` : null;

/** Splits `12.5` into digits and scale so that callers can compute with whole numbers; null when it is no plain decimal. */
export function decimal(text: string): { digits: bigint; scale: number } | null {
  const found = /^(?=\.?\d)(\d{0,9})(?:\.(\d+))?$/.exec(text);
  if (!found) return null;
  const fraction = (found[2] ?? '').replace(/0+$/, '');
  if (fraction.length > MOST_DECIMALS) return null;
  return { digits: BigInt(found[1] + fraction), scale: fraction.length };
}

/** `digits / 10^scale × numerator / denominator`, to the nearest whole number, in exact arithmetic. */
export function scaled(value: { digits: bigint; scale: number }, numerator: bigint, denominator = 1n): number {
  const over = denominator * 10n ** BigInt(value.scale);
  return Number((2n * value.digits * numerator + over) / (2n * over));
}
