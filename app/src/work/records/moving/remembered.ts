import type { Mapping, MoveList, Table } from '@zealous-axle/core';
import type { Said } from './Meant';

/** A file as it was read, with what was put right in it. */
export interface Chosen {
  /** What it will be as a move: sent twice, it is still one. */
  move: string;
  list: MoveList;
  name: string;
  table: Table;
}

/** What is kept on the device of moving in: the list at hand with every cell put right, how lists are headed, and what was said of the last one. */
export interface Remembered {
  list: MoveList;
  chosen: Chosen | null;
  mappings: Partial<Record<MoveList, Mapping>>;
  said: Said;
}
export const FIRST: Remembered = { list: 'units', chosen: null, mappings: {}, said: {} };
/** The list is too large to be written before the next line runs. */
export const HEAVY: readonly (keyof Remembered)[] = ['chosen'];

/** A table with one cell written anew. */
export const withCell = (table: Table, line: number, column: string, text: string): Table => ({
  ...table,
  lines: table.lines.map((each) =>
    each.line === line
      ? { line, cells: each.cells.map((own, at) => (table.columns[at] === column ? text : own)) }
      : each,
  ),
});
export const withoutLine = (table: Table, line: number): Table => ({
  ...table,
  lines: table.lines.filter((each) => each.line !== line),
});
