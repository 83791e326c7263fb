import {
  type CatalogueEntry,
  CHECKS,
  COMMANDS,
  checksAsked,
  codesOffered,
  isCaseOf,
  isOpenDefect,
  LAMP_WORDS,
  LAMPS,
  type OwnCheck,
  ownCode,
  PARTS,
  parseOwnCode,
  parsePosition,
  sameFault,
  TYRES,
  type Tyre,
  tyresOf,
  type Unit,
  type UnitPage,
  wheelEnd,
} from '@zealous-axle/core';
import { z } from 'zod';
import type { Picture } from '../../device/photos';

/** The place that means no place: the whole unit. */
export const WHOLE = 'whole';

const filledSchema = z.object({
  place: z.string().nullable(),
  part: z.enum(PARTS).nullable(),
  code: z.string().nullable(),
  tyre: z.enum(TYRES).nullable(),
  /** Which lamp, and where it stands. */
  lamp: z.string().nullable(),
  on: z.enum(LAMPS).nullable(),
  words: COMMANDS['report-defect'].body.shape.words,
  photos: z.array(z.custom<Picture>()),
});
export type Filled = z.infer<typeof filledSchema>;
export const EMPTY: Filled = {
  place: null,
  part: null,
  code: null,
  tyre: null,
  lamp: null,
  on: null,
  words: '',
  photos: [],
};

/** What a report as it stands is about. */
export interface About {
  position: ReturnType<typeof parsePosition>;
  /** The kinds of defect that are reported of such a place. */
  entries: readonly CatalogueEntry[];
  entry: CatalogueEntry | null;
  tyres: readonly Tyre[];
  /** Its kind is of one tyre, and there are several. */
  needsTyre: boolean;
}

/** Signs of the fleet's own checks at a place, as the catalogue has its own. */
const ownEntries = (checks: readonly OwnCheck[], atEnd: boolean): CatalogueEntry[] =>
  checks
    .filter(({ at }) => (at === 'end') === atEnd)
    .flatMap(({ name, part, signs }) =>
      signs.map(({ sign }) => ({
        code: ownCode(name, sign),
        part: PARTS.find((each) => each === part) ?? 'body',
        where: atEnd ? ('end' as const) : ('unit' as const),
        words: `${name}: ${sign}`,
        remeasure: [],
      })),
    );

export function aboutOf(
  unit: UnitPage,
  { place, code }: Pick<Filled, 'place' | 'code'>,
  own: readonly OwnCheck[] = [],
): About {
  const position = place && place !== WHOLE ? parsePosition(place) : null;
  const end = position ? wheelEnd(unit, position.axle, position.side) : null;
  const entries = [...codesOffered(unit, position), ...ownEntries(own, position !== null)];
  const entry = entries.find((each) => each.code === code) ?? null;
  const tyres = end ? tyresOf(end) : [];
  // Who is not sure is not asked which of two: whoever looks will see.
  const sure = entry !== null && !entry.code.startsWith('unsure');
  return { position, entries, entry, tyres, needsTyre: sure && entry.where === 'tyre' && tyres.length > 1 };
}

function missing(unit: UnitPage, filled: Filled, own: readonly OwnCheck[]): string | null {
  const { entry, needsTyre } = aboutOf(unit, filled, own);
  if (!filled.place) return 'Tap the place on the drawing, or choose “The whole unit”.';
  if (!entry) return 'Choose what is wrong.';
  if (needsTyre && !filled.tyre) return 'Choose the tire.';
  return entry.part === 'other' && !parseOwnCode(entry.code) && filled.words.trim() === ''
    ? 'Say in words what is wrong.'
    : null;
}

/** A report of a unit; what it lacks is said at its place. */
export const reportSchema = (unit: UnitPage, own: readonly OwnCheck[] = []) =>
  filledSchema.superRefine((filled, context) => {
    const message = missing(unit, filled, own);
    if (message) context.addIssue({ code: 'custom', path: ['place'], message });
  });

/** The lamps of a unit a sign may be seen at, by the names they are checked under: a trailer has no head lamps. */
export function lampsOf(entry: CatalogueEntry | null, unit: Unit): string[] {
  if (entry?.part !== 'lamps' || entry.code.startsWith('unsure')) return [];
  const asked = checksAsked(unit);
  return CHECKS.filter(
    ({ id, part, signs }) => part === 'lamps' && asked.has(id) && signs.some(({ code }) => isCaseOf(code, entry.code)),
  ).map(({ name }) => name);
}

/** What is reported: of a lamp that was named, what the book knows of that lamp; out on both sides, none of it works. */
export function codeOf(entry: CatalogueEntry, { lamp, on }: Pick<Filled, 'lamp' | 'on'>): string {
  const check = CHECKS.find(({ part, name }) => part === 'lamps' && name === lamp);
  const sign = check?.signs.find(({ code }) => isCaseOf(code, entry.code));
  return (on === 'both' && sign?.all) || (sign?.code ?? entry.code);
}

/** The open report of a unit that says the same of the same place; null where there is none. */
export function reportedAlready(
  unit: UnitPage,
  filled: Filled,
  own: readonly OwnCheck[] = [],
): UnitPage['defects'][number] | null {
  const { position, entry } = aboutOf(unit, filled, own);
  if (!entry) return null;
  const code = codeOf(entry, filled);
  const place = { axle: position?.axle ?? null, side: position?.side ?? null, tyre: filled.tyre };
  return (
    unit.defects.find(({ state, ...defect }) => isOpenDefect(state) && sameFault({ ...place, code }, defect)) ?? null
  );
}

/** What a report says in words: which lamp, where, and what was written. */
export const wordsOf = ({ lamp, on, words }: Pick<Filled, 'lamp' | 'on' | 'words'>): string =>
  [lamp, on && LAMP_WORDS[on], words.trim()].filter(Boolean).join('. ');
