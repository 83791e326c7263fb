import {
  type BadLine,
  type ImportPreview,
  READING_COLUMNS,
  type Reading,
  type ReadingRow,
  rowReading,
  unsound,
} from '@zealous-axle/core';
import { inArray } from 'drizzle-orm';
import { beside, eachInTurn } from '../beside';
import { sentence } from '../problem';
import type { FleetStore } from '../store';
import { type UnitRow, unit } from '../units';
import { tooWide } from './wide';

/** One line of a file, understood. `line` counts from 1, the header's. */
export interface GoodLine {
  line: number;
  unit: UnitRow;
  taken: Date;
  value: Reading;
}
export interface ReadFile {
  lines: number;
  good: GoodLine[];
  bad: BadLine[];
}

const MOST_LINES = 10_000;

function readLine(
  row: Partial<ReadingRow>,
  line: number,
  units: ReadonlyMap<string, UnitRow>,
  now: Date,
): GoodLine | BadLine {
  const number = (row.unit ?? '').trim();
  const known = units.get(number);
  if (!known) return { line, message: sentence('no-unit', number) };
  const taken = new Date(row.taken ?? '');
  if (Number.isNaN(taken.getTime())) return { line, message: sentence('no-time', row.taken ?? '') };
  if (taken > now) return { line, message: sentence('future', row.taken ?? '') };
  const read = rowReading(row);
  if (!read.ok) return { line, message: read.message };
  if (read.value.kind === 'defect') return { line, message: sentence('not-imported') };
  const wrong = unsound(read.value, { id: known.number, kind: known.kind, axles: known.axles });
  return wrong ? { line, message: wrong.message } : { line, unit: known, taken, value: read.value };
}

/** Reads a whole file: every line is either understood or named with its reason. */
export async function readReadings(store: FleetStore, csv: string, now: Date): Promise<ReadFile> {
  const wide = tooWide(csv);
  if (wide) return { lines: 0, good: [], bad: [wide] };
  const { columns, rows, broken: wrongRows } = await beside('csv', csv);
  const absent = READING_COLUMNS.filter((name) => name !== 'by' && name !== 'detail' && !columns.includes(name));
  if (absent.length) return { lines: 0, good: [], bad: [{ line: 1, message: sentence('no-columns', absent) }] };
  if (rows.length > MOST_LINES)
    return {
      lines: rows.length,
      good: [],
      bad: [{ line: MOST_LINES + 1, message: sentence('too-many-lines', MOST_LINES) }],
    };
  const numbers = [...new Set(rows.map((row) => (row.unit ?? '').trim()))];
  const known = await store.select().from(unit).where(inArray(unit.number, numbers));
  const units = new Map(known.map((each) => [each.number, each]));
  const broken = new Map(wrongRows.map(({ row, message }) => [row, message]));
  const lines = await eachInTurn(rows, (row, index) => {
    const wrong = broken.get(index);
    return wrong ? { line: index + 2, message: `${wrong}.` } : readLine(row, index + 2, units, now);
  });
  return {
    lines: lines.length,
    good: lines.filter((each): each is GoodLine => 'value' in each),
    bad: lines.filter((each): each is BadLine => 'message' in each),
  };
}

export function previewOf({ lines, good, bad }: ReadFile): ImportPreview {
  const counts = new Map<string, number>();
  for (const { unit: each } of good) counts.set(each.number, (counts.get(each.number) ?? 0) + 1);
  return { lines, good: good.length, bad, units: [...counts].map(([number, readings]) => ({ number, readings })) };
}
