import { z } from 'zod';
import { SURENESS, VERDICTS } from '../limits';
import { isMeasuredKind, MEASURED_KINDS, MEASURED_WORDS } from '../trailer';
import entries from './catalogue.json';

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
  'papers',
  'other',
] as const;
export type Part = (typeof PARTS)[number];

export const catalogueEntrySchema = z.strictObject({
  code: z.string(),
  part: z.enum(PARTS),
  /** What it is reported at: one axle end, one tyre of it, or the unit as a whole. */
  where: z.enum(['end', 'tyre', 'unit']),
  words: z.string(),
  verdict: z.enum(VERDICTS),
  share: z.union([z.literal(0), z.literal(1)]),
  rule: z.string(),
  sure: z.enum(SURENESS),
  /** What is measured again at its place after the repair. */
  remeasure: z.array(z.enum(MEASURED_KINDS)),
});
export type CatalogueEntry = z.infer<typeof catalogueEntrySchema>;

/** Every defect that can be found by eye, with the verdict its rule gives. Proven by the test beside it. */
export const CATALOGUE = entries as readonly CatalogueEntry[];

const byCode = new Map(CATALOGUE.map((entry) => [entry.code, entry]));

export const catalogueEntry = (code: string): CatalogueEntry | null => byCode.get(code) ?? null;

/** The words for a catalogue code or a failed reading's kind; the code itself when an older catalogue knew it. */
export const defectWords = (code: string): string =>
  byCode.get(code)?.words ?? (isMeasuredKind(code) ? `${MEASURED_WORDS[code]} past its limit` : code);

/** What may be reported at a place: an axle end offers what concerns its tyres too. */
export const catalogueAt = (where: 'end' | 'unit'): CatalogueEntry[] =>
  CATALOGUE.filter((entry) => (entry.where === 'unit') === (where === 'unit'));
