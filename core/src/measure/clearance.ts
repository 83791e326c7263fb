import { type Nanometres, parseLength } from './length';
import { must, no, ok, type Parsed, plainText } from './parsed';

const FEET = /^(\d{1,2})\s*(?:ft|feet|')\s*(.*)$/i;
const METRES = /^(\d{1,2}(?:[.,]\d{1,3})?)\s*m$/i;
const EXPECTED = 'write a height or width like 13 ft 6 in, 162 in or 4.1 m';
const NM_PER_FOOT = 304_800_000;
const NM_PER_METRE = 1_000_000_000;

const shown = (text: string) => no(`“${text}” is not that: ${EXPECTED}`);

/** Reads how high or wide a unit is: `13 ft 6 in`, `13'6"`, `162 in`, `4.1 m`, `4100 mm`. */
export function parseClearance(text: string): Parsed<Nanometres> {
  const plain = plainText(text);
  const metres = METRES.exec(plain)?.[1];
  if (metres) return ok(Math.round(Number(metres.replace(',', '.')) * NM_PER_METRE));
  const feet = FEET.exec(plain);
  if (!feet) {
    const length = parseLength(plain, 'none');
    return length.ok ? length : shown(text);
  }
  const [, whole, rest = ''] = feet;
  const inches = rest === '' ? ok(0) : parseLength(/^\d+$/.test(rest) ? `${rest} in` : rest, 'none');
  if (!inches.ok || must(inches) >= NM_PER_FOOT) return shown(text);
  return ok(Number(whole) * NM_PER_FOOT + must(inches));
}
