import { decimal, must, no, ok, type Parsed, plainText, scaled, tooFine } from './parsed';
import { remembering } from './remembering';

/** A length in whole nanometres. 1/64 in = 396,875 nm and 0.001 mm = 1,000 nm are both whole, so comparing never rounds. */
export type Nanometres = number;

export const NM_PER_MM = 1_000_000;
export const NM_PER_INCH = 25_400_000;
const NM_PER_64TH = 396_875;

/** How a length is written: inch fractions, decimal inches, thirty-seconds of an inch (tread), millimetres. */
export type LengthStyle = 'fraction' | 'inch' | '32nds' | 'mm';

/** Which bare writings stand for a length: `fraction` reads `1 7/8` as inches, `32nds` reads `6/32` only, `none` wants a unit. */
export type BareLength = 'fraction' | '32nds' | 'none';

const EXPECTED: Record<BareLength, string> = {
  fraction: 'write a length like 1 7/8, 1.875 in or 5.5 mm',
  '32nds': 'write a tread depth like 6/32, 6/32 in or 5.5 mm',
  none: 'write a length with its unit, like 1 7/8 in, 1.875 in or 5.5 mm',
};
const DENOMINATORS = new Set([2, 4, 8, 16, 32, 64]);

/**
 * Reads a length as a person writes it: `1 7/8 in`, `1-7/8"`, `1.875 in`, `6/32`, `5.5 mm`.
 * Fractions have a denominator of 2, 4, 8, 16, 32 or 64; decimals have at most six places.
 */
export const parseLength = (text: string, bare: BareLength = 'fraction'): Parsed<Nanometres> => READ[bare](text);

function readLength(text: string, bare: BareLength): Parsed<Nanometres> {
  const plain = plainText(text).toLowerCase();
  const refuse = (why: string) => no(`${why}: ${EXPECTED[bare]}`);
  if (plain === '') return refuse('Nothing is written');
  if (plain.startsWith('-')) return refuse('A length is never negative');
  if (plain.includes(',')) return refuse('Write decimals with a point, not a comma');

  const unit = /\s*(millimetres?|millimeters?|mm|inches|inch|in\.?|")$/.exec(plain);
  const number = unit ? plain.slice(0, unit.index) : plain;
  if (unit?.[1]?.startsWith('m')) {
    const value = decimal(number);
    return value
      ? ok(scaled(value, BigInt(NM_PER_MM)))
      : refuse(tooFine(number) ?? `“${text}” is not a number of millimeters`);
  }
  const fraction = /^(?:(\d{1,4})(?: |-| - ))?(\d{1,4})\/(\d{1,3})$/.exec(number);
  if (fraction) {
    const [, whole = '0', top, bottom] = fraction;
    if (!DENOMINATORS.has(Number(bottom))) return refuse(`“${text}” is not a fraction of a rule`);
    if (!unit && bare === 'none') return refuse(`“${text}” has no unit`);
    if (!unit && bare === '32nds' && (bottom !== '32' || fraction[1])) return refuse(`“${text}” has no unit`);
    if (fraction[1] && Number(top) >= Number(bottom)) return refuse(`“${text}” is more than one whole`);
    const asWhole = fractionText((Number(top) * 64) / Number(bottom));
    const thirtySeconds = bare === '32nds' && bottom === '32';
    if (Number(top) > Number(bottom) && !thirtySeconds) return no(`“${text}” is more than one whole: write ${asWhole}`);
    return ok((Number(whole) * 64 + (Number(top) * 64) / Number(bottom)) * NM_PER_64TH);
  }
  const value = decimal(number);
  if (!value) return refuse(tooFine(number) ?? `“${text}” is not a length`);
  if (!unit) return refuse(`“${text}” has no unit`);
  return ok(scaled(value, BigInt(NM_PER_INCH)));
}

const READ: Record<BareLength, (text: string) => Parsed<Nanometres>> = {
  fraction: remembering((text) => readLength(text, 'fraction')),
  '32nds': remembering((text) => readLength(text, '32nds')),
  none: remembering((text) => readLength(text, 'none')),
};

/** The smallest of several written lengths, taken in rows, as it was written and in nanometres. */
export function thinnest(...rows: readonly (readonly string[])[]): { text: string; nm: Nanometres } {
  let text = '';
  let nm = Number.POSITIVE_INFINITY;
  for (const row of rows)
    for (const each of row) {
      const next = must(READ['32nds'](each));
      if (next < nm) {
        text = each;
        nm = next;
      }
    }
  return { text, nm };
}

/** Nearest-fraction parts of a length that is a whole number of 64ths; null when it is not. */
function sixtyFourths(nm: Nanometres): number | null {
  return nm % NM_PER_64TH === 0 ? nm / NM_PER_64TH : null;
}

function fractionText(count: number): string {
  const whole = Math.floor(count / 64);
  let top = count % 64;
  let bottom = 64;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${whole} in`;
  return whole === 0 ? `${top}/${bottom} in` : `${whole} ${top}/${bottom} in`;
}

/** A decimal with at most `places` digits that never shows something as nothing: more digits are spent on tiny values. */
export function decimalText(value: number, places: number): string {
  const short = Number(value.toFixed(places));
  const shown = short === 0 && value !== 0 ? value.toFixed(MOST_PLACES) : value.toFixed(places);
  return shown.includes('.') ? shown.replace(/\.?0+$/, '') : shown;
}
const MOST_PLACES = 8;

/** Prints a length. A style that cannot show it exactly (a metric value as 64ths) falls back to decimals of the same unit. */
export function formatLength(nm: Nanometres, style: LengthStyle): string {
  if (nm < 0) return `-${formatLength(-nm, style)}`;
  // A nanometre is the sixth decimal: an inch figure in millimetres is said whole, 2/32 in as 1.5875 mm.
  if (style === 'mm') return `${decimalText(nm / NM_PER_MM, 6)} mm`;
  const count = sixtyFourths(nm);
  if (style === '32nds' && count !== null && count % 2 === 0 && count <= 64) return `${count / 2}/32 in`;
  if (style !== 'inch' && count !== null) return fractionText(count);
  return `${decimalText(nm / NM_PER_INCH, 4)} in`;
}

/** The style a written length is in, so that answers can be given in the unit of their source. */
export const lengthStyle = remembering((text): LengthStyle => {
  const plain = plainText(text).toLowerCase();
  if (/mm$|metres?$|meters?$/.test(plain)) return 'mm';
  if (/\/32\b/.test(plain)) return '32nds';
  return plain.includes('/') || !plain.includes('.') ? 'fraction' : 'inch';
});
