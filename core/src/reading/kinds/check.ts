import { z } from 'zod';
import { catalogueEntry, checkEntry, isCaseOf, parseOwnCode } from '../../catalogue';
import { SIDES } from '../../trailer';
import { axleNumber, type Contradiction, kindOf } from '../kind';

/** Where one lamp of several stands. */
export const LAMPS = ['left', 'right', 'both', 'middle'] as const;
export const LAMP_WORDS: Record<(typeof LAMPS)[number], string> = {
  left: 'On the left',
  right: 'On the right',
  both: 'On both sides',
  middle: 'In the middle',
};

/** A code of the defect catalogue, or a sign of a fleet's own check. */
export const codeText = z
  .string()
  .max(120)
  .refine(
    (code) => catalogueEntry(code) !== null || Boolean(parseOwnCode(code)?.sign),
    'not a code of the defect catalog',
  );

const schema = z.strictObject({
  kind: z.literal('check'),
  check: z.string().refine((id) => checkEntry(id) !== null, 'not a check of the catalog'),
  axle: axleNumber.optional(),
  side: z.enum(SIDES).optional(),
  /** Codes of the defects found; empty when it looked good. */
  found: z.array(codeText).max(8),
  /** Looked at here, or said to look the same as at the other end, or as last time. Never for a measurement. */
  how: z.enum(['seen', 'as-other-end', 'as-last-time']).optional(),
  /** Which of several lamps of one name. */
  on: z.enum(LAMPS).optional(),
  /** How many of all the lamps of that name are out. */
  lamps: z.strictObject({ out: z.int().min(1).max(12), of: z.int().min(1).max(12) }).optional(),
  words: z.string().trim().max(300).optional(),
});

export const lampsWords = ({ out, of }: { out: number; of: number }): string => `${out} of ${of} out`;

/** What a sign of a check was called before it had a code of its own: what was read then is still a reading. */
const WAS: Readonly<Record<string, string>> = { 'driver-seat': 'seat-loose' };

/** Of a check only its own signs are found, or the more general one they are cases of; and no more are out than there are. */
function contradiction({ check, found, lamps }: z.infer<typeof schema>): Contradiction | null {
  if (lamps && lamps.out > lamps.of)
    return { path: 'lamps.out', message: `${lamps.out} of ${lamps.of}: no more can be out than there are` };
  const signs = checkEntry(check)?.signs ?? [];
  const strange = found.findIndex((code) => !signs.some((sign) => isCaseOf(sign.code, code) || WAS[check] === code));
  return strange < 0 ? null : { path: `found.${strange}`, message: `“${found[strange]}” is no sign of “${check}”` };
}

/** The codes a check means: of several lamps that are all out, what the sign then is. */
export function foundCodes({ check, found, lamps }: z.infer<typeof schema>): string[] {
  if (!lamps || lamps.out < lamps.of) return [...found];
  const signs = checkEntry(check)?.signs ?? [];
  return found.map((code) => signs.find((sign) => sign.code === code)?.all ?? code);
}

export const check = kindOf(schema)({
  kind: 'check',
  part: 'other',
  words: 'Check by eye',
  at: 'end',
  item: (reading) => reading.check,
  contradiction,
  text: ({ found, on, lamps }) =>
    [
      ...found.map((code) => catalogueEntry(code)?.words ?? code),
      ...(on ? [LAMP_WORDS[on].toLowerCase()] : []),
      ...(lamps ? [lampsWords(lamps)] : []),
    ].join(', ') || 'good',
  good: ({ item = '', axle, side }) => ({
    kind: 'check',
    check: item,
    ...(axle && side ? { axle, side } : {}),
    found: [],
    how: 'seen',
  }),
});
