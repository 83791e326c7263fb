import { z } from 'zod';
import { BOOKS, type BookId, type Severity } from '../limits';
import entries from './catalogue.json';
import plainWords from './plain.json';

/** A sign of a fleet's own check has a code beside the catalogue's. */
export { ownCode, parseOwnCode } from '../limits';

export const PARTS = [
  'brake',
  'tyre',
  'wheel',
  'hub',
  'suspension',
  'frame',
  'coupling',
  'lamps',
  'body',
  'air',
  'engine',
  'steering',
  'cab',
  'emergency',
  'bus',
  'papers',
  'other',
] as const;
export type Part = (typeof PARTS)[number];

export const catalogueEntrySchema = z.strictObject({
  code: z.string(),
  /** The more general code it is a case of: reported in its place where it is known which. */
  of: z.string().optional(),
  part: z.enum(PARTS),
  /** What it is reported at: one axle end, one tyre of it, or the unit as a whole. */
  where: z.enum(['end', 'tyre', 'unit']),
  words: z.string(),
  /** The kinds of reading taken again at its place after the repair. */
  remeasure: z.array(z.string()),
});
export type CatalogueEntry = z.infer<typeof catalogueEntrySchema>;

/** Every defect that can be found by eye; how severe each is stands in the limit books. Proven by the test beside it. */
export const CATALOGUE = entries as readonly CatalogueEntry[];

const byCode = new Map(CATALOGUE.map((entry) => [entry.code, entry]));
export const catalogueEntry = (code: string): CatalogueEntry | null => byCode.get(code) ?? null;

/** What a book says of a code; null when the catalogue has no such code. */
export const severityOf = (code: string, book: BookId): Severity | null => BOOKS[book].severities[code] ?? null;

/** Whether a code says the same as a more general one, or is a case of it. */
export const isCaseOf = (code: string, general: string): boolean =>
  code === general || byCode.get(code)?.of === general;

/** What may be reported at a place: an axle end offers what concerns its tyres too. */
export const catalogueAt = (where: 'end' | 'unit'): CatalogueEntry[] =>
  CATALOGUE.filter((entry) => (entry.where === 'unit') === (where === 'unit'));

const plain = new Map(plainWords.map(({ code, words }) => [code, words]));

/** What a driver calls it: a few signs of each part. Null for what takes the workshop's list. */
export const plainSign = (code: string): string | null => plain.get(code) ?? null;
