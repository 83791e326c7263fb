import { z } from 'zod';
import { lengthText } from '../measure';
import { type MakerReading, SIDES, type Side, TYRES, type Tyre } from './gear';

/** Parts whose replacement begins a new life: what was read of the old one says nothing of the new. */
export const RENEWED_PARTS = ['lining', 'drum', 'rotor', 'tyre', 'chamber', 'adjuster'] as const;
export type RenewedPart = (typeof RENEWED_PARTS)[number];

/** The kinds of reading that are of a part. */
const READ_OF: Readonly<Record<RenewedPart, readonly string[]>> = {
  lining: ['lining'],
  drum: ['drum'],
  rotor: ['rotor'],
  tyre: ['tread'],
  chamber: ['stroke-applied', 'stroke-free'],
  adjuster: ['stroke-applied', 'stroke-free'],
};
/** Which way a reading moves when its part was renewed; null for what is of no such part. */
export const renewedBy = (kind: string): { part: RenewedPart; way: 'grown' | 'shrunk' } | null => {
  const part = (['lining', 'drum', 'rotor', 'tyre'] as const).find((each) => READ_OF[each].includes(kind));
  return part ? { part, way: part === 'drum' ? 'shrunk' : 'grown' } : null;
};
/** The reading a maker's limit printed on a part is for; none for an adjuster. */
export const LIMITED_BY: Readonly<Partial<Record<RenewedPart, MakerReading>>> = {
  lining: 'lining',
  drum: 'drum',
  rotor: 'rotor',
  tyre: 'tread',
  chamber: 'stroke-applied',
};

const partAt = {
  part: z.enum(RENEWED_PARTS),
  axle: z.int().min(1).max(12),
  side: z.enum(SIDES),
};
/** A part that a job renews at an axle end. */
export const renewalSchema = z.strictObject(partAt);
export type Renewal = z.infer<typeof renewalSchema>;

/** What was fitted, as it is printed on it: its number and its maker's limit, where they can be read. */
export const fittedFormSchema = z.strictObject({
  ...partAt,
  tyre: z.enum(TYRES).nullable(),
  number: z.string().trim().max(60),
  limit: lengthText.nullable(),
});
export type FittedForm = z.infer<typeof fittedFormSchema>;

/**
 * A part's present life: what was fitted, when, by whom and in which job; null where it was only found to be another. `since`
 * is an instant.
 */
export const partLifeSchema = fittedFormSchema.extend({
  since: z.string(),
  by: z.string(),
  job: z.string().nullable(),
});
export type PartLife = z.infer<typeof partLifeSchema>;

interface ReadAt {
  kind: string;
  axle?: number | null;
  side?: Side | null;
  tyre?: Tyre | null;
}

/** The newest life of the part that a reading is of; null where none is known to have begun. */
export function lifeOf(lives: readonly PartLife[], { kind, axle, side, tyre }: ReadAt): PartLife | null {
  const here = lives.filter(
    (life) =>
      READ_OF[life.part].includes(kind) &&
      life.axle === axle &&
      life.side === side &&
      (life.tyre === null || !tyre || life.tyre === tyre),
  );
  return here.reduce<PartLife | null>((newest, life) => (newest && newest.since >= life.since ? newest : life), null);
}

/** What was read of the parts that are fitted now: not of those they replaced. `placeOf` says what a reading is of. */
export const ofPresentLives = <T extends { at: string }>(
  lives: readonly PartLife[],
  readings: readonly T[],
  placeOf: (reading: T) => ReadAt,
): T[] =>
  readings.filter((reading) => {
    const life = lifeOf(lives, placeOf(reading));
    return life === null || reading.at >= life.since;
  });
