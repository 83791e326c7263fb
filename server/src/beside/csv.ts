import { plainCell } from '@zealous-axle/core';
import Papa from 'papaparse';

/** A shop's list, cell by cell: its columns, a record for each line, and what is broken in which (counted from 0). */
export interface CsvRead {
  columns: string[];
  rows: Record<string, string>[];
  broken: { row: number; message: string }[];
}

export function readCsv(csv: string): CsvRead {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transform: plainCell,
  });
  return {
    columns: meta.fields ?? [],
    rows: data,
    broken: errors.flatMap(({ row, message }) => (row === undefined ? [] : [{ row, message }])),
  };
}
