import { z } from 'zod';
import { decimalText, wordsText } from '../measure';
import { OWN_PRESSES, type OwnSign } from './own-signs';

/** Where an own check is made: once on the unit, on each side of it, once at each axle, or at every axle end. */
export const OWN_CHECK_AT = ['unit', 'side', 'axle', 'end'] as const;
/** How much a sign of an own check presses: repaired at the next visit, before the next use, or held from the report on. */
export const CHECK_PRESSES = ['next-visit', ...OWN_PRESSES] as const;

/** Names stand in keys and codes: the signs that part those are not in them. */
const nameText = (most: number) => wordsText(most).regex(/^[^@:|;]+$/, 'write it without @ : | ;');
const presses = z.enum(CHECK_PRESSES);

/** A count, or a figure with its unit, and what it may be. */
const figureSchema = z
  .strictObject({
    /** Empty for a count. */
    unit: z.string().trim().max(12),
    least: decimalText.optional(),
    most: decimalText.optional(),
    presses,
  })
  .refine(({ least, most }) => least === undefined || most === undefined || Number(least) <= Number(most), {
    path: ['most'],
    message: 'the least is more than the most',
  });

/** What a shop looks at besides. It is known by its name: another name is another check. */
const shape = z.strictObject({
  name: nameText(40),
  /** The part it is shown under. */
  part: z.string().max(20),
  at: z.enum(OWN_CHECK_AT),
  /** What it looks like when nothing is wrong. */
  good: wordsText(200),
  /** A picture of what good looks like, kept by the server. */
  picture: z.uuid().optional(),
  signs: z.array(z.strictObject({ sign: nameText(60), presses })).max(6),
  figure: figureSchema.optional(),
});

export const ownCheckSchema = shape
  .refine(({ signs, figure }) => signs.length > 0 || figure !== undefined, {
    path: ['signs'],
    message: 'say what may be seen instead, or what is measured',
  })
  .refine(({ signs }) => new Set(signs.map(({ sign }) => sign)).size === signs.length, {
    path: ['signs'],
    message: 'two signs are the same',
  });
export type OwnCheck = z.infer<typeof ownCheckSchema>;

const MOST_OWN_CHECKS = 100;
export const ownChecksSchema = z
  .array(ownCheckSchema)
  .max(MOST_OWN_CHECKS)
  .refine((checks) => new Set(checks.map(({ name }) => name)).size === checks.length, 'two checks have one name');

const OWN = 'own-check';
/** The code a sign of an own check is reported under; without a sign, that its figure is past what it may be. */
export const ownCode = (check: string, sign?: string): string => [OWN, check, ...(sign ? [sign] : [])].join(':');
/** A code of an own check taken apart; null where it is of none. */
export function parseOwnCode(code: string): { check: string; sign: string | null } | null {
  const [own, check, sign] = code.split(':');
  return own === OWN && check ? { check, sign: sign ?? null } : null;
}

/** Own checks by name. */
export const ownCheckOf = <C extends OwnCheck>(checks: readonly C[] | undefined, name: string): C | null =>
  checks?.find((each) => each.name === name) ?? null;

/** An own check as it is kept: which version it is, and who saved it when. */
export const keptCheckSchema = shape.extend({
  version: z.int(),
  saved: z.strictObject({ by: z.string(), at: z.string() }),
});
export type KeptCheck = z.infer<typeof keptCheckSchema>;

/** What own checks are strict about, as own signs: those that press more than the next visit. */
export const checkSigns = (checks: readonly KeptCheck[] = []): OwnSign[] =>
  checks.flatMap(({ name, signs, figure, saved }) =>
    [
      ...signs.map(({ sign, presses: how }) => ({ code: ownCode(name, sign), how })),
      ...(figure ? [{ code: ownCode(name), how: figure.presses }] : []),
    ].flatMap(({ code, how }) =>
      how === 'next-visit' ? [] : [{ code, presses: how, reason: `own check “${name}”`, by: saved.by, at: saved.at }],
    ),
  );
