import { placedColumns } from './columns';

/** A cell of a spreadsheet as its reader gives it; an instant for a date. */
export type Cell = string | number | boolean | Date | null | undefined;

export interface TableLine {
  /** Its line in the file, from 1. */
  line: number;
  cells: string[];
}

/** A sheet as it is meant: one head for each column, and the lines below it that say something. */
export interface Table {
  columns: string[];
  lines: TableLine[];
  /** Lines that were left out, with why: titles, totals. */
  left: { line: number; why: 'title' | 'total' }[];
  /** How many lines were not read, because the list is too long. */
  more: number;
}

/** More than that is no shop's list. */
const MOST_LINES = 5_000;
const MOST_COLUMNS = 120;

function cellText(cell: Cell): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return Number.isNaN(cell.getTime()) ? '' : cell.toISOString().slice(0, 10);
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
  return String(cell).replace(/\s+/g, ' ').trim();
}

const filled = (cells: readonly string[]): string[] => cells.filter((cell) => cell !== '');
/** A head is words: no figure begins it but an axle's, `1L lining`. */
const isWords = (text: string): boolean =>
  /\p{L}|#/u.test(text) && (!/^\d/.test(text) || placedColumns([text]).length > 0);
const isHead = (cells: readonly string[]): boolean => {
  const said = filled(cells);
  return said.length >= 2 && said.every(isWords);
};

/** Heads that were merged over several columns are said over each of them. */
function over(cells: readonly string[], width: number): string[] {
  let last = '';
  return Array.from({ length: width }, (_, at) => {
    last = cells[at] || last;
    return last;
  });
}

/** Heads that stand more than once are told apart by a count. */
function eachOnce(heads: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return heads.map((head) => {
    const nth = (seen.get(head) ?? 0) + 1;
    seen.set(head, nth);
    return head === '' || nth === 1 ? head : `${head} (${nth})`;
  });
}

const TOTAL = /^(grand |sub)?(totals?|sum|count|average|avg)\b[:.]?/i;

/**
 * Reads a sheet: finds its head below any titles, joins a head of two lines, of which the upper one is merged over several columns, and leaves
 * out empty lines and a line of totals. Null where there is no head.
 */
export function tableOf(rows: readonly (readonly Cell[])[]): Table | null {
  const texts = rows.slice(0, MOST_LINES + 50).map((row) => row.slice(0, MOST_COLUMNS).map(cellText));
  const first = texts.findIndex(isHead);
  if (first < 0) return null;
  const [upper = [], lower = []] = [texts[first], texts[first + 1]];
  const width = Math.max(upper.length, lower.length);
  // A merged head leaves blanks that the line below it fills.
  const isTwo = isHead(lower) && upper.some((cell, at) => cell === '' && lower[at]);
  const above = over(upper, width);
  const heads = Array.from({ length: width }, (_, at) => {
    const own = lower[at] ?? '';
    if (!isTwo) return upper[at] ?? '';
    return own && above[at] !== own ? `${above[at]} ${own}`.trim() : (above[at] ?? '');
  });
  const columns = eachOnce(heads);
  const from = first + (isTwo ? 2 : 1);
  const left: Table['left'] = texts
    .slice(0, first)
    .flatMap((cells, at) => (filled(cells).length ? [{ line: at + 1, why: 'title' as const }] : []));
  const lines: TableLine[] = [];
  for (const [at, cells] of texts.entries()) {
    if (at < from || filled(cells).length === 0) continue;
    if (TOTAL.test(filled(cells)[0] ?? '')) left.push({ line: at + 1, why: 'total' });
    else lines.push({ line: at + 1, cells: Array.from({ length: width }, (_, nth) => cells[nth] ?? '') });
  }
  const unread = Math.max(0, rows.length - texts.length) + Math.max(0, lines.length - MOST_LINES);
  return { columns, lines: lines.slice(0, MOST_LINES), left, more: unread };
}
