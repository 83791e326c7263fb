import {
  type BadLine,
  rowUnit,
  UNIT_COLUMNS,
  type UnitForm,
  type UnitsPreview,
  unitCells,
  wordsCell,
} from '@zealous-axle/core';
import { asc, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { beside, eachInTurn } from '../beside';
import { KnownProblem, sentence } from '../problem';
import { changed, type Handler } from '../run';
import type { FleetStore } from '../store';
import { unit, unitValues } from '../units';
import { tooWide } from './wide';

interface GoodUnit {
  line: number;
  form: UnitForm;
}
interface ReadUnits {
  lines: number;
  good: GoodUnit[];
  bad: BadLine[];
}

const MOST_LINES = 20_000;
const MOST_SAID = 50;
const NEEDED: readonly string[] = ['number', 'kind', 'axles'];

/** Reads a whole file of units: every line is a new unit, or named with its reason. */
export async function readUnits(store: FleetStore, csv: string): Promise<ReadUnits> {
  const wide = tooWide(csv);
  if (wide) return { lines: 0, good: [], bad: [wide] };
  const { columns, rows, broken: wrongRows } = await beside('csv', csv);
  const absent = NEEDED.filter((name) => !columns.includes(name));
  if (absent.length) return { lines: 0, good: [], bad: [{ line: 1, message: sentence('no-columns', absent) }] };
  if (rows.length > MOST_LINES)
    return {
      lines: rows.length,
      good: [],
      bad: [{ line: MOST_LINES + 1, message: sentence('too-many-lines', MOST_LINES) }],
    };
  const taken = new Set((await store.select({ number: unit.number }).from(unit)).map(({ number }) => number));
  const seen = new Set<string>();
  const broken = new Map(wrongRows.map(({ row, message }) => [row, message]));
  const lines = await eachInTurn(rows, (row, index): GoodUnit | BadLine => {
    const line = index + 2;
    const wrong = broken.get(index);
    if (wrong) return { line, message: `${wrong}.` };
    const read = rowUnit(row);
    if (!read.ok) return { line, message: read.message };
    const { number } = read.value;
    if (taken.has(number)) return { line, message: sentence('number-taken', number) };
    if (seen.has(number)) return { line, message: sentence('twice-in-file', number) };
    seen.add(number);
    return { line, form: read.value };
  });
  return {
    lines: lines.length,
    good: lines.filter((each): each is GoodUnit => 'form' in each),
    bad: lines.filter((each): each is BadLine => 'message' in each),
  };
}

export const unitsPreview = ({ lines, good, bad }: ReadUnits): UnitsPreview => ({
  lines,
  good: good.length,
  bad,
  units: good.map(({ form: { number, kind, axles } }) => ({ number, kind, axles: axles.length })),
});

/** Sets up the units of a file: all of them, or the good ones when that was asked for. */
export const importUnits: Handler<'import-units'> = async ({ store, session, body }) => {
  const { good, bad } = await readUnits(store, body.csv);
  if (bad.length && !body.goodLinesOnly)
    throw new KnownProblem('invalid', {
      errors: bad.slice(0, MOST_SAID).map(({ line, message }) => ({ path: `line ${line}`, message })),
    });
  const rows = good.map(({ form }) => unitValues(session.fleet.id, uuidv7(), form));
  for (let from = 0; from < rows.length; from += MOST_SAID)
    await store.insert(unit).values(rows.slice(from, from + MOST_SAID));
  return {
    unitId: null,
    unitIds: rows.map(({ id }) => id),
    changed: rows.map(({ id }) => changed('unit', id, 1)),
    eventBody: { lines: good.length, left: bad.length },
  };
};

/** The fleet's units that are in use, as the file's text. */
export async function unitsCsv(store: FleetStore): Promise<string> {
  const rows = await store.select().from(unit).where(eq(unit.state, 'in-use')).orderBy(asc(unit.number));
  return `${Papa.unparse({ fields: [...UNIT_COLUMNS], data: rows.map(unitCells).map((row) => UNIT_COLUMNS.map((name) => wordsCell(row[name] ?? ''))) })}\r\n`;
}
