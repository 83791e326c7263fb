import data from './columns.json';

/** What a list of units may tell, in the order it is asked for. */
export const UNIT_FIELDS = [
  'number',
  'kind',
  'body',
  'site',
  'yearBuilt',
  'axles',
  'brake',
  'chamber',
  'adjuster',
  'tyres',
  'hub',
  'suspension',
  'tyreSize',
  'target',
  'abs',
  'grossWeight',
  'payload',
  'height',
  'width',
  'meter',
  'inspection',
  'insurance',
  'registration',
] as const;
export type UnitField = (typeof UNIT_FIELDS)[number];

/** Which of a file's columns tells what, by its head; what no column tells is left out, or empty where somebody said so. */
export type Mapping = Partial<Record<UnitField, string>>;

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[_\-–]+/g, ' ')
    .replace(/[^\p{L}\p{N}# ]/gu, '')
    .replace(/\s+/g, ' ')
    .trim();

const HEADS = data.heads as Readonly<Record<UnitField, readonly string[]>>;
const WORDS = data.words as Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>;

/** Which column tells what: as it was chosen for such heads before, else by what shops call it. A column tells one thing. */
export function guessed(columns: readonly string[], remembered: Mapping = {}): Mapping {
  const taken = new Set<string>();
  const mapping: Mapping = {};
  const take = (field: UnitField, column: string | undefined) => {
    if (!column || remembered[field] === '' || taken.has(column) || mapping[field]) return;
    mapping[field] = column;
    taken.add(column);
  };
  for (const field of UNIT_FIELDS)
    take(
      field,
      columns.find((column) => column !== '' && column === remembered[field]),
    );
  for (const field of UNIT_FIELDS)
    for (const head of HEADS[field])
      take(
        field,
        columns.find((column) => !taken.has(column) && plain(column) === plain(head)),
      );
  // A merged head says more than the column's own words, which come last.
  for (const field of UNIT_FIELDS)
    for (const head of HEADS[field].filter((each) => plain(each).length > 2))
      take(
        field,
        columns.find((column) => !taken.has(column) && plain(column).endsWith(` ${plain(head)}`)),
      );
  return mapping;
}

/** What a word means for a field: the program's own word, or null where it has none. */
export function meantBy(field: string, word: string): string | null {
  const wanted = plain(word);
  for (const [own, said] of Object.entries(WORDS[field] ?? {}))
    if (plain(own) === wanted || said.some((each) => plain(each) === wanted)) return own;
  return null;
}

/** The words the program has for a field. */
export const wordsOf = (field: string): string[] => Object.keys(WORDS[field] ?? {});
