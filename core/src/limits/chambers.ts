import { parseLength } from '../measure';
import type { Chamber, ChamberType } from '../trailer';
import { BOOKS } from './books';

/** A brake chamber as it is told: by its type, by what its clamp ring measures across, and how long its stroke is. */
export interface KnownChamber {
  chamber: Required<Chamber>;
  /** Across the outside of its clamp ring, as a tape shows it; null where it is told by its number alone. */
  across: { text: string; nm: number } | null;
  /** How far its pushrod may come out. */
  limit: string;
}

const RING = /Clamp ring (.+ in) across/;

function acrossOf(note = ''): KnownChamber['across'] {
  const text = RING.exec(note)?.[1];
  const parsed = text ? parseLength(text, 'none') : null;
  return text && parsed?.ok ? { text, nm: parsed.value } : null;
}

/** Every chamber the book of stroke limits knows, in its order. Source: 49 CFR 393.47(e). */
export const CHAMBERS: readonly KnownChamber[] = BOOKS.na.limits.flatMap(({ reading, judges, where, note, value }) =>
  reading === 'stroke-applied' && judges === 'verdict' && where.chamber
    ? [{ chamber: { stroke: 'standard', ...where.chamber } as Required<Chamber>, across: acrossOf(note), limit: value }]
    : [],
);

/** The sizes of a type, smallest first. */
export const chamberSizes = (type: ChamberType): string[] => [
  ...new Set(CHAMBERS.filter(({ chamber }) => chamber.type === type).map(({ chamber }) => chamber.size)),
];

/** What is known of the chambers of a type and size: one for each stroke it is made with. */
export const chambersLike = (type: ChamberType, size: string): KnownChamber[] =>
  CHAMBERS.filter(({ chamber }) => chamber.type === type && chamber.size === size);
