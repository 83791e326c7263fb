import data from './columns.json';
import { type Mapping, MOVE_FIELDS, type MoveField, type MoveList } from './fields';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[_\-–]+/g, ' ')
    .replace(/[^\p{L}\p{N}# ]/gu, '')
    .replace(/\s+/g, ' ')
    .trim();

const HEADS = data.heads as Readonly<Record<MoveList, Readonly<Partial<Record<MoveField, readonly string[]>>>>>;
const WORDS = data.words as Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>;

/** Which column tells what: as it was chosen for such heads before, else by what shops call it. A column tells one thing. */
export function guessed(list: MoveList, columns: readonly string[], remembered: Mapping = {}): Mapping {
  const taken = new Set<string>();
  const mapping: Mapping = {};
  const take = (field: MoveField, column: string | undefined) => {
    if (!column || remembered[field] === '' || taken.has(column) || mapping[field]) return;
    mapping[field] = column;
    taken.add(column);
  };
  const fields: readonly MoveField[] = MOVE_FIELDS[list];
  for (const field of fields)
    take(
      field,
      columns.find((column) => column !== '' && column === remembered[field]),
    );
  for (const field of fields)
    for (const head of HEADS[list][field] ?? [])
      take(
        field,
        columns.find((column) => !taken.has(column) && plain(column) === plain(head)),
      );
  // A merged head says more than the column's own words, which come last.
  for (const field of fields)
    for (const head of (HEADS[list][field] ?? []).filter((each) => plain(each).length > 2))
      take(
        field,
        columns.find((column) => !taken.has(column) && !placeIn(column) && plain(column).endsWith(` ${plain(head)}`)),
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

/** A column whose head names a place by itself: `Axle 1 Left Stroke`, `2R lining`, `A1 LS outer tread`. */
export interface PlacedColumn {
  column: string;
  measure: 'stroke' | 'lining' | 'tread';
  axle: number;
  side: 'left' | 'right';
  tyre?: 'inner' | 'outer' | 'single';
}

const AXLE = /^(?:axle|ax|a)?(\d{1,2})(l|r|ls|rs|lh|rh)?(i|o)?$/;

/** What a head names word by word; null where it names no axle end. */
function placeIn(column: string): Omit<PlacedColumn, 'column' | 'measure'> | null {
  const words = plain(column)
    .replace(/\baxle (\d)/g, 'axle$1')
    .split(' ');
  const at = words.map((word) => AXLE.exec(word)).find(Boolean);
  if (!at) return null;
  const meant = (field: 'side' | 'tyre', own: string | undefined) =>
    [own ?? '', ...words].map((word) => (word ? meantBy(field, word) : null)).find(Boolean);
  const side = meant('side', at[2]);
  const tyre = meant('tyre', at[3]);
  if (!side) return null;
  return {
    axle: Number(at[1]),
    side: side as PlacedColumn['side'],
    ...(tyre ? { tyre: tyre as NonNullable<PlacedColumn['tyre']> } : {}),
  };
}

/** The columns of a wide list of readings: each head names its measure and its place. */
export function placedColumns(columns: readonly string[]): PlacedColumn[] {
  return columns.flatMap((column) => {
    const place = placeIn(column);
    const words = ` ${plain(column)} `;
    const measure = (['stroke', 'lining', 'tread'] as const).find((each) =>
      HEADS.readings[each]?.some((head) => words.includes(` ${plain(head)} `)),
    );
    return place && measure ? [{ column, measure, ...place }] : [];
  });
}
