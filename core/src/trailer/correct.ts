import { z } from 'zod';
import { pressureText, wordsText } from '../measure';
import { type Axle, type EndEquipment, SIDES, type Side } from './gear';
import { chamberSchema } from './gear-schema';

/** What somebody goes by who says that a fact of a unit is otherwise. */
export const SEEN_BY = ['ring-figure', 'tag', 'sidewall', 'plate', 'maker-table', 'counted', 'papers'] as const;
export type SeenBy = (typeof SEEN_BY)[number];

export const SEEN_WORDS: Record<SeenBy, string> = {
  'ring-figure': 'Figure on the clamp ring',
  tag: 'Tag or mark on the chamber',
  sidewall: 'Sidewall of the tire',
  plate: 'Plate on the unit',
  'maker-table': 'Maker’s table for this load',
  counted: 'Checked on the unit',
  papers: 'The unit’s documents',
};

/** Facts of an axle end that are put right where they are seen, and how each may be seen. */
export const endFactsSchema = z.strictObject({
  chamber: chamberSchema.optional(),
  target: pressureText.optional(),
  sidewallMax: pressureText.optional(),
});
export type EndFacts = z.infer<typeof endFactsSchema>;

/** Why a fact was changed, and what it was seen by. */
export const becauseSchema = z.strictObject({ seen: z.enum(SEEN_BY), reason: wordsText(300) });

export const endSchema = z.strictObject({ axle: z.int().min(1).max(12), side: z.enum(SIDES) });
/** An end of an axle; axles count from 1 at the front. */
export interface AxleEnd {
  axle: number;
  side: Side;
}

const withFacts = (axle: Axle, side: Side, facts: Partial<EndEquipment>): Axle => ({
  ...axle,
  ends: { ...axle.ends, [side]: { ...axle.ends?.[side], ...facts } },
});

/** Axles whose named ends are fitted with something else; the others stay as they are. */
export const correctedEnds = (axles: readonly Axle[], ends: readonly AxleEnd[], facts: EndFacts): Axle[] =>
  axles.map((each, index) =>
    ends.filter(({ axle }) => axle === index + 1).reduce((axle, { side }) => withFacts(axle, side, facts), each),
  );
