import type { BadLine } from '@zealous-axle/core';
import { sentence } from '../problem';

/** No line of a shop's file is longer, nor has more cells: what is keeps a reader busy for nothing. */
const LONGEST_LINE = 20_000;
const MOST_CELLS = 400;

const cellsIn = (line: string): number => {
  let cells = 1;
  for (let at = line.indexOf(','); at >= 0; at = line.indexOf(',', at + 1)) cells++;
  return cells;
};

/** The first line of a file that is no line of a list, before anything of it is read; null where there is none. */
export function tooWide(csv: string): BadLine | null {
  let from = 0;
  for (let line = 1; from <= csv.length; line++) {
    const end = csv.indexOf('\n', from);
    const to = end < 0 ? csv.length : end;
    if (to - from > LONGEST_LINE || cellsIn(csv.slice(from, to)) > MOST_CELLS)
      return { line, message: sentence('too-wide') };
    from = to + 1;
  }
  return null;
}
