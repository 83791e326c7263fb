import type { z } from 'zod';
import type { Role } from '../../life';
import type { Day } from '../../measure';
import { placedColumns } from './columns';
import { type Mapping, MOVE_FIELDS, type MoveField, type MoveList } from './fields';
import { type BlankPart, type MovedPart, movedPart, movedPartSchema } from './parts';
import { type MovedPerson, movedPerson, movedPersonSchema } from './people';
import { Reader, type Wrong } from './reader';
import { type KnownUnit, type LengthIn, type MovedReadings, movedReadings, movedReadingsSchema } from './readings';
import { type MovedRepair, movedRepair, movedRepairSchema } from './repairs';
import type { Table, TableLine } from './table';
import { type MovedUnit, movedUnit, movedUnitSchema, type UnitsMeant } from './units';

/** How bare figures and days of a file are meant, and what it does not tell: said by whoever moves it in, never assumed. */
export interface MeantIn extends UnitsMeant {
  length: LengthIn;
  /** Of people and parts whose list does not say. */
  role: Role;
  leadDays: number;
  blank: BlankPart;
  /** The fleet's day: what is told of the past is not after it. */
  today: Day;
}

/** What the fleet has already: units by their numbers, short names of parts, names people sign in with. */
export interface Known {
  units: ReadonlyMap<string, KnownUnit>;
  parts: ReadonlySet<string>;
  signIns: ReadonlySet<string>;
}

export interface MovedRows {
  units: MovedUnit;
  parts: MovedPart;
  people: MovedPerson;
  repairs: MovedRepair;
  readings: MovedReadings;
}
/** A line as it would move in, or everything that is wrong with it. */
export type MovedLine<L extends MoveList = MoveList> = { line: number } & ({ row: MovedRows[L] } | { wrong: Wrong[] });

interface Moving<Row> {
  schema: z.ZodType<Row>;
  read: (read: Reader, meant: MeantIn, known: Known, table: Table) => unknown;
  /** What no two lines may have, and nothing of the fleet has yet: its field, and what it is. */
  once?: { field: MoveField; of: (row: Row) => string; taken: (known: Known, value: string) => boolean };
  /** Whether its number is a unit's of the fleet. */
  ofUnit?: true;
}

const MOVING: { [L in MoveList]: Moving<MovedRows[L]> } = {
  units: {
    schema: movedUnitSchema,
    read: movedUnit,
    once: { field: 'number', of: ({ form }) => form.number, taken: ({ units }, number) => units.has(number) },
  },
  parts: {
    schema: movedPartSchema,
    read: movedPart,
    once: { field: 'part', of: ({ part }) => part, taken: ({ parts }, part) => parts.has(part) },
  },
  people: {
    schema: movedPersonSchema,
    read: movedPerson,
    once: { field: 'signIn', of: ({ signIn }) => signIn, taken: ({ signIns }, name) => signIns.has(name) },
  },
  repairs: { schema: movedRepairSchema, read: movedRepair, ofUnit: true },
  readings: {
    schema: movedReadingsSchema,
    read: (read, meant, { units }, { columns }) =>
      movedReadings(read, placedColumns(columns), units.get(read.text('number')), meant),
    ofUnit: true,
  },
};

/** The field that something in a row is told by. */
const fieldAt = (list: MoveList, path: readonly PropertyKey[]): MoveField =>
  (MOVE_FIELDS[list] as readonly MoveField[]).find((field) => path.includes(field)) ??
  (path.includes('axles') ? 'axles' : MOVE_FIELDS[list][0]);

function movedLine<L extends MoveList>(
  list: L,
  table: Table,
  { line, cells }: TableLine,
  { mapping, meant, known }: { mapping: Mapping; meant: MeantIn; known: Known },
): MovedLine<L> {
  const moving: Moving<MovedRows[L]> = MOVING[list];
  const read = new Reader(new Map(table.columns.map((column, at) => [column, cells[at] ?? ''])), mapping);
  if (moving.ofUnit) {
    const number = read.must('number', 'No unit number.');
    if (number && !known.units.has(number)) read.no('number', `The fleet has no unit ${number}.`);
  }
  const whole = moving.schema.safeParse(moving.read(read, meant, known, table));
  for (const issue of whole.error?.issues ?? []) {
    const field = fieldAt(list, issue.path);
    if (read.wrong.some((each) => each.field === field) || (moving.ofUnit && read.wrong.length)) continue;
    read.no(field, `${issue.message}.`);
  }
  return read.wrong.length || !whole.success ? { line, wrong: read.wrong } : { line, row: whole.data };
}

/** Every line of a table, with what stands twice named at the later one, and what the fleet has already. */
export function movedLines<L extends MoveList>(
  list: L,
  table: Table,
  asked: { mapping: Mapping; meant: MeantIn; known: Known },
): MovedLine<L>[] {
  const { once }: Moving<MovedRows[L]> = MOVING[list];
  const seen = new Map<string, number>();
  return table.lines.map((each) => {
    const moved = movedLine(list, table, each, asked);
    if ('wrong' in moved || !once) return moved;
    const value = once.of(moved.row);
    const before = seen.get(value);
    const no = (message: string): MovedLine<L> => ({ line: each.line, wrong: [{ field: once.field, message }] });
    if (before) return no(`${value} is already on line ${before}.`);
    if (once.taken(asked.known, value)) return no(`The fleet already has ${value}.`);
    seen.set(value, each.line);
    return moved;
  });
}

const NOBODY: Known = { units: new Map(), parts: new Set(), signIns: new Set() };

/** Whatever a list names that the fleet may have: what is asked before its lines are read. */
export function namedIn(list: MoveList, table: Table, asked: { mapping: Mapping; meant: MeantIn }) {
  const at = table.columns.indexOf(asked.mapping.number ?? '');
  const numbers = at < 0 ? [] : [...new Set(table.lines.map(({ cells }) => cells[at] ?? ''))].filter(Boolean);
  const rows = <L extends 'parts' | 'people'>(of: L) =>
    movedLines(of, table, { ...asked, known: NOBODY }).flatMap((line) => ('row' in line ? [line.row] : []));
  return {
    units: numbers,
    parts: list === 'parts' ? rows('parts').map(({ part }) => part) : [],
    signIns: list === 'people' ? rows('people').map(({ signIn }) => signIn) : [],
  };
}

/** Readings of one unit and day as one, whoever's lines they stood in; whom the first of them names. */
export function byUnitAndDay(rows: readonly MovedReadings[]): MovedReadings[] {
  const groups = new Map<string, MovedReadings>();
  for (const row of rows) {
    const key = `${row.unit} ${row.day}`;
    const before = groups.get(key);
    groups.set(key, before ? { ...before, readings: [...before.readings, ...row.readings] } : row);
  }
  return [...groups.values()];
}
